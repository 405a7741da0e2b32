-- files of a handover: chosen formats, report, topics
create table handover_file (
    handover_id uuid not null,
    place int not null,
    format varchar(40) not null,
    file_name varchar(400) not null,
    bytes bytea not null,
    size bigint not null,
    sha256 varchar(64) not null,
    -- what the format has no place for, what its standard refuses, what does not read back, how much
    notes jsonb not null,
    faults jsonb not null,
    differences jsonb not null,
    counts jsonb not null,
    constraint handover_file_pk primary key (handover_id, place),
    constraint handover_file_handover_fk foreign key (handover_id) references handover (id) on delete cascade
);

-- [jooq ignore start]
insert into handover_file
  select id, 0, 'gbxml-6.01', file_name, bytes, length(bytes), sha256, '[]', '[]', differences, '{}'
  from handover;
-- [jooq ignore stop]

alter table handover drop column file_name;
alter table handover drop column format;
alter table handover drop column bytes;
alter table handover drop column sha256;
alter table handover drop column differences;
-- which spaces, in words; empty for all
alter table handover add column part text default '' not null;
-- what was done at its edges
alter table handover add column part_notes jsonb default '[]' not null;
-- what it was made of; null where nobody kept that
alter table handover add column record jsonb;
-- the balance sheet with what was read back
alter table handover add column balance jsonb;

create index handover_delivery_ix on handover (delivery_id, made_at);

-- with which others fetch the newest handover of a project; only the hash of a token is kept
create table handover_token (
    id uuid not null,
    project_id uuid not null,
    label varchar(120) not null,
    sha256 varchar(64) not null,
    made_by text not null,
    made_at timestamptz not null,
    used_at timestamptz,
    constraint handover_token_pk primary key (id),
    constraint handover_token_content unique (sha256),
    constraint handover_token_project_fk foreign key (project_id) references project (id) on delete cascade
);
