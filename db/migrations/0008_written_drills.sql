-- Drills are found again by tags. What is set or practised of a drill is written out as a groove of its own, so that the
-- bars a student has never change; beside its bars it keeps the rule they came from and which bars are which exercise.
alter table drill add column tags text[] not null default '{}'
  check (cardinality(tags) <= 12 and length(array_to_string(tags, '')) <= 400);
grant update (tags) on drill to mochila_web;

alter table groove add column drill jsonb;
create index groove_of_drill on groove (workshop_id, title) where drill is not null;
