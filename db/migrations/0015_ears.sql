-- What was learnt on a device by getting heard, for the person's other sessions there: nobody else's business.
create table ears (
  person_id   uuid not null,
  device_id   uuid not null,
  workshop_id uuid not null references workshop,
  name        text not null check (length(name) between 1 and 120),
  document    jsonb not null,
  kept_at     timestamptz not null default now(),
  primary key (person_id, device_id),
  foreign key (person_id, workshop_id) references person (id, workshop_id) on delete cascade
);
alter table ears enable row level security;
grant select, insert, delete on ears to mochila_web;
grant update (name, document, kept_at) on ears to mochila_web;
create policy own_ears on ears to mochila_web using (person_id = (select signed_in_person()))
  with check (person_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop()));
