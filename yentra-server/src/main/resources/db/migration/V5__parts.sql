-- a project has several parts (the building, a wing, a neighbour), each with its own revisions
alter table delivery add column part int default 1 not null;
-- why it was taken for a revision of this part
alter table delivery add column placed text default '' not null;
-- from which it is told whether a later file is about the same part
alter table delivery add column id_sketch jsonb default '{"hashes":[]}' not null;
alter table delivery drop constraint delivery_revision_uq;
alter table delivery add constraint delivery_part_revision_uq unique (project_id, part, revision);
-- copied from the revision before, not made on this delivery
alter table repair_entry add column carried boolean default false not null;
