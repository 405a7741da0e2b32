-- weather files, one of each content, for all projects
create table weather (
    id uuid not null,
    sha256 varchar(64) not null,
    file_name varchar(200) not null,
    label varchar(400) not null,
    latitude double precision not null,
    longitude double precision not null,
    elevation double precision not null,
    bytes bytea not null,
    added_at timestamptz not null,
    added_by text not null,
    constraint weather_pk primary key (id),
    constraint weather_content unique (sha256)
);

-- what a project is estimated with
create table project_estimate (
    project_id uuid not null,
    weather_id uuid,
    body jsonb,
    changed_by text not null,
    changed_at timestamptz not null,
    constraint project_estimate_pk primary key (project_id),
    constraint project_estimate_project_fk foreign key (project_id) references project (id) on delete cascade,
    constraint project_estimate_weather_fk foreign key (weather_id) references weather (id)
);

-- a run of an estimate, on a state of a delivery
create table estimate_run (
    id uuid not null,
    delivery_id uuid not null,
    weather_id uuid not null,
    name varchar(200) not null,
    state_key varchar(64) not null,
    version bigint not null,
    steps int not null,
    settings jsonb not null,
    assume_missing boolean not null,
    state varchar(20) not null,
    progress double precision not null,
    message text not null,
    missing jsonb,
    result jsonb,
    heating double precision,
    cooling double precision,
    per_area double precision,
    asked_by text not null,
    asked_at timestamptz not null,
    ended_at timestamptz,
    constraint estimate_run_pk primary key (id),
    constraint estimate_run_delivery_fk foreign key (delivery_id) references delivery (id) on delete cascade,
    constraint estimate_run_weather_fk foreign key (weather_id) references weather (id)
);

create index estimate_run_of_delivery on estimate_run (delivery_id);

-- the hours of a space in a run
create table estimate_hours (
    run_id uuid not null,
    space varchar(500) not null,
    bytes bytea not null,
    constraint estimate_hours_pk primary key (run_id, space),
    constraint estimate_hours_run_fk foreign key (run_id) references estimate_run (id) on delete cascade
);
