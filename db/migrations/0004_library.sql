-- The library: tags, favourites of each person, an archive instead of deleting. And what a teacher sets
-- for the whole workshop: schools of counting, limits of speed, which feel a style wants.
alter table groove add column tags text[] not null default '{}'
  check (cardinality(tags) <= 12 and length(array_to_string(tags, '')) <= 400);
alter table groove add column archived_at timestamptz;
create index groove_by_tag on groove using gin (tags);

grant update (tags, level, archived_at) on groove to mochila_web;

create table favourite (
  person_id uuid not null,
  groove_id uuid not null,
  workshop_id uuid not null,
  primary key (person_id, groove_id),
  foreign key (person_id, workshop_id) references person (id, workshop_id),
  foreign key (groove_id, workshop_id) references groove (id, workshop_id)
);
alter table favourite enable row level security;
grant select, insert, delete on favourite to mochila_web;
-- One's own, of grooves one may see.
create policy own_favourites on favourite to mochila_web
  using (person_id = (select signed_in_person()))
  with check (
    person_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
    and exists (select from groove g where g.id = groove_id)
  );

alter table workshop add column settings jsonb not null default '{"version": 1}';
grant update (name, place, settings) on workshop to mochila_web;
create policy teacher_sets_workshop on workshop for update to mochila_web
  using ((select signed_in_teacher()) and id = (select signed_in_workshop()))
  with check ((select signed_in_teacher()) and id = (select signed_in_workshop()));

-- A teacher can change how anybody in the workshop counts, sits and is judged.
grant update (school, level, setup) on person to mochila_web;
create policy teacher_changes_people on person for update to mochila_web
  using ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
  with check ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()));
