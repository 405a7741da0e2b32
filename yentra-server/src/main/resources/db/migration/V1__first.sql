create table project (
    id uuid not null,
    name text not null,
    created_at timestamptz not null,
    constraint project_pk primary key (id)
);

-- the delivered bytes, once for each content
create table content (
    sha256 varchar(64) not null,
    bytes bytea not null,
    constraint content_pk primary key (sha256)
);

create table delivery (
    id uuid not null,
    project_id uuid not null,
    revision int not null,
    file_name text not null,
    format text not null,
    sha256 varchar(64) not null,
    size bigint not null,
    received_at timestamptz not null,
    received_by text not null,
    report jsonb not null,
    -- counts every change of the log; an edit says which one it was based on
    version bigint not null,
    -- how many entries of the log are in force
    log_position int not null,
    constraint delivery_pk primary key (id),
    constraint delivery_project_fk foreign key (project_id) references project (id) on delete cascade,
    constraint delivery_content_fk foreign key (sha256) references content (sha256),
    constraint delivery_revision_uq unique (project_id, revision)
);

create table repair_entry (
    id uuid not null,
    delivery_id uuid not null,
    log_index int not null,
    repair jsonb not null,
    summary text not null,
    finding text,
    made_by text not null,
    made_at timestamptz not null,
    -- undone and then overtaken by another repair: kept on the record, never in force again
    discarded_at timestamptz,
    constraint repair_entry_pk primary key (id),
    constraint repair_entry_delivery_fk foreign key (delivery_id) references delivery (id) on delete cascade
);
create index repair_entry_delivery_ix on repair_entry (delivery_id, log_index);

create table intake_job (
    id uuid not null,
    project_id uuid not null,
    file_name text not null,
    sha256 varchar(64) not null,
    size bigint not null,
    asked_by text not null,
    asked_at timestamptz not null,
    state text not null,
    progress double precision not null,
    message text not null,
    line int not null,
    column_number int not null,
    delivery_id uuid,
    constraint intake_job_pk primary key (id),
    constraint intake_job_project_fk foreign key (project_id) references project (id) on delete cascade
);

create table handover (
    id uuid not null,
    delivery_id uuid not null,
    version bigint not null,
    file_name text not null,
    format text not null,
    bytes bytea not null,
    sha256 varchar(64) not null,
    blockers int not null,
    differences jsonb not null,
    made_by text not null,
    made_at timestamptz not null,
    constraint handover_pk primary key (id),
    constraint handover_delivery_fk foreign key (delivery_id) references delivery (id) on delete cascade
);
