-- a finding that a person takes as it is, as long as its objects stay what they were
create table acceptance (
    id uuid not null,
    project_id uuid not null,
    part int not null,
    finding text not null,
    fingerprint text not null,
    message text not null,
    reason text not null,
    made_by text not null,
    made_at timestamptz not null,
    withdrawn_by text,
    withdrawn_at timestamptz,
    constraint acceptance_pk primary key (id),
    constraint acceptance_project_fk foreign key (project_id) references project (id) on delete cascade
);
create index acceptance_project_ix on acceptance (project_id, part);

-- topics that were handed out, so that answers find their way back
create table bcf_topic (
    project_id uuid not null,
    guid varchar(100) not null,
    finding text not null,
    constraint bcf_topic_pk primary key (project_id, guid),
    constraint bcf_topic_project_fk foreign key (project_id) references project (id) on delete cascade
);

create table bcf_answer (
    id uuid not null,
    project_id uuid not null,
    finding text not null,
    status text not null,
    author text not null,
    said_at text not null,
    said text not null,
    file_name text not null,
    received_at timestamptz not null,
    received_by text not null,
    constraint bcf_answer_pk primary key (id),
    constraint bcf_answer_project_fk foreign key (project_id) references project (id) on delete cascade
);
create index bcf_answer_project_ix on bcf_answer (project_id);

-- the version of the delivery that an entry made, and what it changed in figures
alter table repair_entry add column version bigint default 0 not null;
alter table repair_entry add column figures jsonb;

-- what became of the log of the revision before
create table replay_step (
    delivery_id uuid not null,
    place int not null,
    outcome text not null,
    summary text not null,
    reason text not null,
    repair jsonb not null,
    finding text,
    constraint replay_step_pk primary key (delivery_id, place),
    constraint replay_step_delivery_fk foreign key (delivery_id) references delivery (id) on delete cascade
);

alter table handover add column accepted jsonb default '[]' not null;
