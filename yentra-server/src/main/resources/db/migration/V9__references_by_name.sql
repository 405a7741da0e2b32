-- [jooq ignore start]
-- a reference is called by what it is, no longer by the attribute of one file format
create function pg_temp.by_name(repair text) returns text language sql as $$
  select replace(replace(replace(replace(replace(replace(replace(replace(replace(replace(replace(
         replace(replace(repair,
    '"attribute": "constructionIdRef"', '"member": "CONSTRUCTION"'),
    '"attribute": "windowTypeIdRef"', '"member": "GLAZING"'),
    '"attribute": "spaceIdRef"', '"member": "SPACE"'),
    '"attribute": "zoneIdRef"', '"member": "ZONE"'),
    '"attribute": "buildingStoreyIdRef"', '"member": "STOREY"'),
    '"attribute": "peopleScheduleIdRef"', '"member": "PEOPLE_SCHEDULE"'),
    '"attribute": "lightScheduleIdRef"', '"member": "LIGHTING_SCHEDULE"'),
    '"attribute": "equipmentScheduleIdRef"', '"member": "EQUIPMENT_SCHEDULE"'),
    '"attribute": "heatSchedIdRef"', '"member": "HEATING_SCHEDULE"'),
    '"attribute": "coolSchedIdRef"', '"member": "COOLING_SCHEDULE"'),
    '"attribute": "outsideAirSchedIdRef"', '"member": "AIR_SCHEDULE"'),
    '"attribute": "weekScheduleIdRef"', '"member": "WEEK"'),
    '"attribute": "dayScheduleIdRef"', '"member": "DAY"')
$$;
create function pg_temp.other_by_name(repair text) returns text language sql as $$
  select regexp_replace(repair, '"attribute": "', '"member": "OTHER", "attribute": "', 'g')
$$;
update repair_entry set repair = pg_temp.other_by_name(pg_temp.by_name(repair::text))::jsonb
  where repair::text like '%PointReference%' and repair::text like '%"attribute": "%';
update replay_step set repair = pg_temp.other_by_name(pg_temp.by_name(repair::text))::jsonb
  where repair::text like '%PointReference%' and repair::text like '%"attribute": "%';
-- [jooq ignore stop]
