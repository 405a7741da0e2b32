-- pictures that drawings are traced from
create table underlay (
    project_id uuid not null,
    name varchar(200) not null,
    media_type text not null,
    width int not null,
    height int not null,
    bytes bytea not null,
    added_at timestamptz not null,
    added_by text not null,
    constraint underlay_pk primary key (project_id, name),
    constraint underlay_project_fk foreign key (project_id) references project (id) on delete cascade
);
