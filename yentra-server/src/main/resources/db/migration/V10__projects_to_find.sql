-- a project that is put away, and one that was deleted and can be taken back for a while
alter table project add column archived_at timestamptz;
alter table project add column deleted_at timestamptz;

-- what the list of projects shows of a delivery: as it was when it was last looked at or changed
create table delivery_look (
    delivery_id uuid not null,
    standing jsonb not null,
    picture bytea,
    constraint delivery_look_pk primary key (delivery_id),
    constraint delivery_look_fk foreign key (delivery_id) references delivery (id) on delete cascade
);
