-- what stands in a report or write-up of a project
create table write_up (
    id uuid not null,
    project_id uuid not null,
    name varchar(200) not null,
    body jsonb not null,
    version bigint not null,
    changed_by text not null,
    changed_at timestamptz not null,
    constraint write_up_pk primary key (id),
    constraint write_up_project_fk foreign key (project_id) references project (id) on delete cascade
);

create index write_up_of_project on write_up (project_id);

-- pictures taken of the model, with how it was looked at
create table stage_picture (
    id uuid not null,
    delivery_id uuid not null,
    state_key varchar(64) not null,
    look jsonb not null,
    png bytea not null,
    taken_by text not null,
    taken_at timestamptz not null,
    constraint stage_picture_pk primary key (id),
    constraint stage_picture_delivery_fk foreign key (delivery_id) references delivery (id) on delete cascade
);

create index stage_picture_of_delivery on stage_picture (delivery_id);

-- what was written about a kind of measure last
create table remembered_text (
    kind varchar(100) not null,
    body text not null,
    changed_by text not null,
    changed_at timestamptz not null,
    constraint remembered_text_pk primary key (kind)
);
