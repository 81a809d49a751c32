-- Grooves, what is set to be practised, and takes. What is asked about is a column; the documents that
-- are only read whole are jsonb, with the version of their shape inside and beside them.

create table groove (
  id               uuid primary key default gen_random_uuid(),
  workshop_id      uuid not null references workshop,
  made_by          uuid not null,
  title            text not null check (length(title) between 1 and 120),
  meter            text not null,
  level            text not null check (level in ('first year', 'second year', 'advanced', 'concert')),
  tempo            numeric(6, 3) not null check (tempo between 20 and 300),
  document_version integer not null,
  document         jsonb not null,
  created_at       timestamptz not null default now(),
  unique (id, workshop_id),
  foreign key (made_by, workshop_id) references person (id, workshop_id)
);
create index groove_by_workshop on groove (workshop_id, title);

create table assignment (
  id          uuid primary key default gen_random_uuid(),
  workshop_id uuid not null references workshop,
  student_id  uuid not null,
  groove_id   uuid not null,
  set_by      uuid not null,
  set_at      timestamptz not null default now(),
  tempo       numeric(6, 3) not null check (tempo between 20 and 300),
  click       text not null check (click in ('every slot', '8ths', 'counts', '2 and 4', '1 only')),
  minutes     smallint not null check (minutes between 1 and 120),
  reason      text not null check (length(reason) between 1 and 400),
  ended_at    timestamptz,
  unique (id, workshop_id),
  foreign key (student_id, workshop_id) references person (id, workshop_id),
  foreign key (groove_id, workshop_id) references groove (id, workshop_id),
  foreign key (set_by, workshop_id) references person (id, workshop_id)
);
create index assignment_by_student on assignment (student_id, set_at desc);

-- The id is made where the take is played, so that sending it again cannot keep it twice.
create table take (
  id                  uuid primary key,
  workshop_id         uuid not null references workshop,
  player_id           uuid not null,
  groove_id           uuid not null,
  assignment_id       uuid,
  played_at           timestamptz not null,
  played_ms           integer not null check (played_ms >= 0),
  tempo               numeric(6, 3) not null check (tempo between 20 and 300),
  click               text not null check (length(click) <= 60),
  input               text not null check (input in ('keys', 'simulated kit')),
  level               text not null check (level in ('first year', 'second year', 'advanced', 'concert')),
  matched             integer not null check (matched >= 0),
  missed              integer not null check (missed >= 0),
  extra               integer not null check (extra >= 0),
  mean_error_ms       double precision,
  sd_error_ms         double precision,
  sd_around_trend_ms  double precision,
  tempo_drift_percent double precision,
  tolerance_ms        double precision not null,
  -- Which judging these figures and the verdict come from; older ones are drawn up anew at the next start.
  judge_version       integer not null,
  verdict_about       text not null,
  verdict             text not null,
  document_version    integer not null,
  document            jsonb not null,
  received_at         timestamptz not null default now(),
  foreign key (player_id, workshop_id) references person (id, workshop_id),
  foreign key (groove_id, workshop_id) references groove (id, workshop_id),
  foreign key (assignment_id, workshop_id) references assignment (id, workshop_id)
);
create index take_by_player on take (player_id, played_at desc);
create index take_by_workshop on take (workshop_id, played_at desc);

alter table groove enable row level security;
alter table assignment enable row level security;
alter table take enable row level security;

grant select, insert on groove to mochila_web;
grant select, insert on assignment to mochila_web;
grant update (ended_at) on assignment to mochila_web;
grant select, insert on take to mochila_web;

-- Assignments: a student's own; a teacher's workshop's.
create policy see_assignments on assignment for select to mochila_web using (
  student_id = (select signed_in_person())
  or ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
);
create policy teacher_sets on assignment for insert to mochila_web with check (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop()) and set_by = (select signed_in_person())
  -- The same workshop is held by the foreign keys; that it is a student, here.
  and exists (select from person p where p.id = student_id and p.role = 'student')
);
create policy teacher_ends on assignment for update to mochila_web
  using ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
  with check ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()));

-- Grooves: a student sees those she was ever set; a teacher the workshop's.
create policy see_grooves on groove for select to mochila_web using (
  ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
  or exists (select from assignment a where a.groove_id = groove.id and a.student_id = (select signed_in_person()))
);
create policy teacher_makes on groove for insert to mochila_web with check (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop()) and made_by = (select signed_in_person())
);

-- Takes: a player's own; a teacher's workshop's. Only one's own are kept, of a groove one may see, and
-- nobody changes a take afterwards.
create policy see_takes on take for select to mochila_web using (
  player_id = (select signed_in_person())
  or ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
);
create policy keep_own on take for insert to mochila_web with check (
  player_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
  and exists (select from groove g where g.id = groove_id)
  and (assignment_id is null or exists (
    select from assignment a
    where a.id = assignment_id and a.student_id = (select signed_in_person()) and a.groove_id = take.groove_id))
);
