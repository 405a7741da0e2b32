-- materials, constructions and window types of a project, or shared by all ("shared")
create table library (
    scope varchar(40) not null,
    body jsonb not null,
    changed_by text not null,
    changed_at timestamptz not null,
    constraint library_pk primary key (scope)
);
