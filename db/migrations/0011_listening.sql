-- What was listened to and answered: a take of its own kind, which nobody changes afterwards. The columns are what lists
-- ask about; the document holds every question and answer, and is only read whole.
create table listening (
  id          uuid primary key,
  workshop_id uuid not null references workshop,
  player_id   uuid not null,
  subject     text not null check (subject in (
    'straight or swung', 'which rate', 'where the kick is', 'flam', 'which limb is late', 'double-time or half-time',
    'where the 1 is')),
  asked       integer not null check (asked between 1 and 60),
  answered    integer not null check (answered between 0 and asked),
  rung        smallint not null check (rung between 0 and 4),
  document    jsonb not null,
  received_at timestamptz not null default now(),
  foreign key (player_id, workshop_id) references person (id, workshop_id)
);
comment on column listening.answered is 'How many of those asked were answered right.';
create index listening_by_player on listening (player_id, received_at desc);
alter table listening enable row level security;
grant select, insert on listening to mochila_web;

create policy see_listening on listening for select to mochila_web using (
  player_id = (select signed_in_person())
  or ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
);
create policy keep_own_listening on listening for insert to mochila_web with check (
  player_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
);
