-- named changes on a project's baseline
create table variant (
    id uuid not null,
    project_id uuid not null,
    place int not null,
    name varchar(200) not null,
    group_name varchar(200) not null,
    body jsonb not null,
    changed_by text not null,
    changed_at timestamptz not null,
    constraint variant_pk primary key (id),
    constraint variant_project_fk foreign key (project_id) references project (id) on delete cascade
);

create index variant_of_project on variant (project_id);

-- what a project's variants are judged by
create table project_target (
    project_id uuid not null,
    body jsonb not null,
    changed_by text not null,
    changed_at timestamptz not null,
    constraint project_target_pk primary key (project_id),
    constraint project_target_project_fk foreign key (project_id) references project (id) on delete cascade
);

-- a state of a delivery with the settings of its estimate, which changes are made on
create table variant_basis (
    key varchar(64) not null,
    delivery_id uuid not null,
    body jsonb not null,
    made_at timestamptz not null,
    constraint variant_basis_pk primary key (key),
    constraint variant_basis_delivery_fk foreign key (delivery_id) references delivery (id) on delete cascade
);

-- one list of changes on one basis: run once, whoever asks for it
create table variant_run (
    ask varchar(64) not null,
    basis varchar(64) not null,
    body jsonb not null,
    state varchar(20) not null,
    message text not null,
    missing jsonb,
    notes jsonb,
    content varchar(64),
    asked_by text not null,
    asked_at timestamptz not null,
    ended_at timestamptz,
    constraint variant_run_pk primary key (ask),
    constraint variant_run_basis_fk foreign key (basis) references variant_basis (key) on delete cascade
);

create index variant_run_of_basis on variant_run (basis);

-- what a state comes to, by its content: worked out once, by the run that claimed it
create table variant_result (
    content varchar(64) not null,
    delivery_id uuid not null,
    claimed_by varchar(64) not null,
    figures jsonb,
    constraint variant_result_pk primary key (content),
    constraint variant_result_delivery_fk foreign key (delivery_id) references delivery (id) on delete cascade
);

create table sweep (
    id uuid not null,
    delivery_id uuid not null,
    name varchar(200) not null,
    basis varchar(64) not null,
    body jsonb not null,
    cancelled boolean not null,
    asked_by text not null,
    asked_at timestamptz not null,
    constraint sweep_pk primary key (id),
    constraint sweep_delivery_fk foreign key (delivery_id) references delivery (id) on delete cascade
);

create table sweep_point (
    sweep_id uuid not null,
    place int not null,
    ask varchar(64) not null,
    constraint sweep_point_pk primary key (sweep_id, place),
    constraint sweep_point_sweep_fk foreign key (sweep_id) references sweep (id) on delete cascade,
    constraint sweep_point_run_fk foreign key (ask) references variant_run (ask) on delete cascade
);

create index sweep_point_of_run on sweep_point (ask);
