-- Drills are kept as their rule, which with the version of its generator always makes the same bars.
create table drill (
  id          uuid primary key default gen_random_uuid(),
  workshop_id uuid not null references workshop,
  made_by     uuid not null,
  name        text not null check (length(name) between 1 and 120),
  family      text not null check (length(family) <= 40),
  rule        jsonb not null,
  changed_at  timestamptz not null default now(),
  unique (workshop_id, name),
  foreign key (made_by, workshop_id) references person (id, workshop_id)
);
alter table drill enable row level security;
grant select, insert, delete on drill to mochila_web;
grant update (rule, family, changed_at) on drill to mochila_web;

-- The teacher's of the workshop.
create policy teacher_keeps_drills on drill to mochila_web
  using ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
  with check ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()) and made_by = (select signed_in_person()));
