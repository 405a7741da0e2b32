-- what is decided for the project as a whole; null leaves it to the deliveries
alter table project add column settings jsonb default '{}' not null;
