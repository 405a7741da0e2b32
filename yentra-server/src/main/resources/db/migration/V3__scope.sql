-- an entry of the log changes the envelope, or what is in scope and the values of the model
alter table repair_entry add column area text default 'envelope' not null;

create table scope_sheet (
    id uuid not null,
    project_id uuid not null,
    name text not null,
    sheet jsonb not null,
    changed_at timestamptz not null,
    changed_by text not null,
    constraint scope_sheet_pk primary key (id),
    constraint scope_sheet_project_fk foreign key (project_id) references project (id) on delete cascade
);
