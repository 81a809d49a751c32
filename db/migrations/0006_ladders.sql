-- Where a person stands on the ladder of a groove. The document holds ladder and standing, which are only read whole.
create table ladder (
  person_id   uuid not null,
  groove_id   uuid not null,
  workshop_id uuid not null references workshop,
  -- The tempo stood on: asked about when it is said who has got how far.
  tempo       numeric(6, 3) not null check (tempo between 20 and 300),
  document    jsonb not null,
  changed_at  timestamptz not null default now(),
  primary key (person_id, groove_id),
  foreign key (person_id, workshop_id) references person (id, workshop_id),
  foreign key (groove_id, workshop_id) references groove (id, workshop_id)
);
alter table ladder enable row level security;
grant select, insert on ladder to mochila_web;
grant update (tempo, document, changed_at) on ladder to mochila_web;

-- One's own, of grooves one may see; a teacher reads the workshop's.
create policy see_ladders on ladder for select to mochila_web using (
  person_id = (select signed_in_person())
  or ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
);
create policy keep_own_ladder on ladder for insert to mochila_web with check (
  person_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
  and exists (select from groove g where g.id = groove_id)
);
create policy climb_own_ladder on ladder for update to mochila_web
  using (person_id = (select signed_in_person()))
  with check (person_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop()));
