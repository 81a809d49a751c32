-- What comes next: paths of a teacher's own, what a teacher refused, the plan of a student's day, tunes, and a calendar to follow.

create table path (
  id          uuid primary key,
  workshop_id uuid not null references workshop,
  made_by     uuid not null,
  name        text not null check (length(trim(name)) between 1 and 120),
  made_at     timestamptz not null default now(),
  archived_at timestamptz,
  save_number integer not null default 1,
  unique (id, workshop_id),
  foreign key (made_by, workshop_id) references person (id, workshop_id)
);
create index path_by_workshop on path (workshop_id, name);
create table path_step (
  path_id     uuid not null,
  place       smallint not null check (place between 0 and 59),
  workshop_id uuid not null references workshop,
  groove_id   uuid not null,
  tempo       numeric(6, 3) not null check (tempo between 20 and 300),
  pass_takes  smallint not null check (pass_takes between 1 and 10),
  primary key (path_id, place),
  foreign key (path_id, workshop_id) references path (id, workshop_id) on delete cascade,
  foreign key (groove_id, workshop_id) references groove (id, workshop_id)
);
create index path_step_by_groove on path_step (groove_id);
-- Who walks a path, and who put them on it.
create table path_student (
  path_id     uuid not null,
  student_id  uuid not null,
  workshop_id uuid not null references workshop,
  put_by      uuid not null,
  put_at      timestamptz not null default now(),
  primary key (path_id, student_id),
  foreign key (path_id, workshop_id) references path (id, workshop_id) on delete cascade,
  foreign key (student_id, workshop_id) references person (id, workshop_id) on delete cascade,
  foreign key (put_by, workshop_id) references person (id, workshop_id)
);
create index path_student_by_student on path_student (student_id);

-- What a teacher did not want suggested for a student, until a day.
create table refused (
  student_id  uuid not null,
  key         text not null check (length(key) between 1 and 120),
  workshop_id uuid not null references workshop,
  refused_by  uuid not null,
  until       date not null,
  primary key (student_id, key),
  foreign key (student_id, workshop_id) references person (id, workshop_id) on delete cascade,
  foreign key (refused_by, workshop_id) references person (id, workshop_id)
);

-- A student's practice of a day, as it was planned and changed.
create table day_plan (
  student_id  uuid not null,
  day         date not null,
  workshop_id uuid not null references workshop,
  document    jsonb not null,
  changed_at  timestamptz not null default now(),
  primary key (student_id, day),
  foreign key (student_id, workshop_id) references person (id, workshop_id) on delete cascade
);

-- Music to be played: the teachers' own list.
create table tune (
  id          uuid primary key,
  workshop_id uuid not null references workshop,
  title       text not null check (length(trim(title)) between 1 and 120),
  tempo       numeric(6, 3) not null check (tempo between 20 and 300),
  meter       text not null check (length(meter) between 3 and 12),
  feel        text not null check (feel in ('straight', 'swing', 'shuffle', '16th swing', 'half-time shuffle')),
  -- What is asked of the drums, in words.
  part        text not null default '' check (length(part) <= 400),
  unique (id, workshop_id),
  unique (workshop_id, title)
);
create table tune_groove (
  tune_id     uuid not null,
  groove_id   uuid not null,
  workshop_id uuid not null references workshop,
  primary key (tune_id, groove_id),
  foreign key (tune_id, workshop_id) references tune (id, workshop_id) on delete cascade,
  foreign key (groove_id, workshop_id) references groove (id, workshop_id)
);
create index tune_groove_by_groove on tune_groove (groove_id);

-- The address of a person's calendar: who has it reads, so that it can be taken back.
create table feed (
  person_id   uuid primary key,
  workshop_id uuid not null references workshop,
  token_hash  bytea not null unique check (length(token_hash) = 32),
  made_at     timestamptz not null default now(),
  foreign key (person_id, workshop_id) references person (id, workshop_id) on delete cascade
);

-- The log is looked through by what was played.
create index take_by_groove on take (workshop_id, groove_id, played_at desc);
create index take_by_input on take (workshop_id, input, played_at desc);

alter table path enable row level security;
alter table path_step enable row level security;
alter table path_student enable row level security;
alter table refused enable row level security;
alter table day_plan enable row level security;
alter table tune enable row level security;
alter table tune_groove enable row level security;
alter table feed enable row level security;

grant select, insert, update (name, archived_at, save_number) on path to mochila_web;
grant select, insert, delete on path_step, path_student, tune_groove to mochila_web;
grant select, insert, update (until, refused_by), delete on refused to mochila_web;
grant select, insert, update (document, changed_at) on day_plan to mochila_web;
grant select, insert, update (title, tempo, meter, feel, part), delete on tune to mochila_web;
grant select (person_id, workshop_id, made_at), insert, delete on feed to mochila_web;

-- A path is the workshop's teachers' to see, and that of who walks it; who made it changes it, and an owner.
create function walks(one uuid) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$ select exists (select from path_student s where s.path_id = one and s.student_id = signed_in_person()) $$;
create function changes_path(one uuid) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select signed_in_teacher() and exists (select from path p where p.id = one and p.workshop_id = signed_in_workshop()
      and (p.made_by = signed_in_person() or signed_in_owner()))
  $$;
revoke execute on function walks(uuid), changes_path(uuid) from public;
grant execute on function walks(uuid), changes_path(uuid) to mochila_web;
create policy see_paths on path for select to mochila_web using (
  workshop_id = (select signed_in_workshop()) and ((select signed_in_teacher()) or walks(id))
);
create policy make_path on path for insert to mochila_web with check (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop()) and made_by = (select signed_in_person())
);
create policy change_path on path for update to mochila_web using (changes_path(id));
create policy see_steps on path_step for select to mochila_web using (
  workshop_id = (select signed_in_workshop()) and ((select signed_in_teacher()) or walks(path_id))
);
create policy make_step on path_step for insert to mochila_web with check (
  workshop_id = (select signed_in_workshop()) and changes_path(path_id) and can_be_set(groove_id)
);
create policy drop_step on path_step for delete to mochila_web using (changes_path(path_id));
create policy see_who_walks on path_student for select to mochila_web using (
  student_id = (select signed_in_person()) or student_id in (select students_taught())
);
create policy put_on_path on path_student for insert to mochila_web with check (
  student_id in (select students_taught()) and put_by = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
);
create policy take_off_path on path_student for delete to mochila_web using (student_id in (select students_taught()));

create policy refusals on refused to mochila_web using (student_id in (select students_taught()))
  with check (
    student_id in (select students_taught()) and refused_by = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
  );

create policy see_day_plans on day_plan for select to mochila_web using (
  student_id = (select signed_in_person()) or student_id in (select students_taught())
);
create policy plan_day on day_plan for insert to mochila_web with check (
  student_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
);
create policy change_day on day_plan for update to mochila_web using (student_id = (select signed_in_person()));

create policy see_tunes on tune for select to mochila_web using (workshop_id = (select signed_in_workshop()));
create policy make_tune on tune for insert to mochila_web with check (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop())
);
create policy change_tune on tune for update to mochila_web using (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop())
);
create policy drop_tune on tune for delete to mochila_web using (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop())
);
create policy see_tune_grooves on tune_groove for select to mochila_web using (workshop_id = (select signed_in_workshop()));
create policy fit_groove on tune_groove for insert to mochila_web with check (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop()) and can_be_set(groove_id)
);
create policy unfit_groove on tune_groove for delete to mochila_web using (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop())
);

create policy own_feed on feed to mochila_web using (person_id = (select signed_in_person()))
  with check (person_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop()));

-- A student may play what is a step of a path they walk.
drop policy see_grooves on groove;
create policy see_grooves on groove for select to mochila_web using (
  ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
  or exists (select from assignment a where a.groove_id = groove.id and a.student_id = (select signed_in_person()))
  or id in (select g.groove_id from lesson_groove g)
  or id in (select s.groove_id from path_step s)
);

-- What a calendar shows of whoever made its address: lessons and what is due, as columns of names and times alone. Nothing where the
-- address is taken back, or the person archived.
create function door_calendar(token text) returns jsonb
  language sql stable security definer set search_path = public, pg_temp
  as $$
    with me as (
      select p.*, w.name as workshop, w.settings from feed f join person p on p.id = f.person_id join workshop w on w.id = p.workshop_id
      where f.token_hash = sha256(convert_to(token, 'UTF8')) and p.archived_at is null),
    times as (
      select t.id, t.rule, to_char(t.starts_on, 'YYYY-MM-DD') as "startsOn", to_char(t.ends_on, 'YYYY-MM-DD') as "endsOn",
        to_char(t.at, 'HH24:MI') as at, t.minutes, g.name as teacher,
        (select coalesce(jsonb_agg(p.name order by p.name), '[]') from lesson_time_student s join person p on p.id = s.student_id
          where s.lesson_time_id = t.id and p.archived_at is null) as students
      from me join lesson_time t on t.workshop_id = me.workshop_id
        and (t.teacher_id = me.id or exists (select from lesson_time_student s where s.lesson_time_id = t.id and s.student_id = me.id))
      join person g on g.id = t.teacher_id where t.ends_on is null or t.ends_on > now() - interval '60 days'),
    lessons as (
      select l.id, l.lesson_time_id as "timeId", to_char(l.of_day, 'YYYY-MM-DD') as "ofDay", l.starts_at as "startsAt", l.minutes, l.state, g.name as teacher,
        (select coalesce(jsonb_agg(p.name order by p.name), '[]') from lesson_student s join person p on p.id = s.student_id where s.lesson_id = l.id) as students
      from me join lesson l on l.workshop_id = me.workshop_id
        and (l.teacher_id = me.id or exists (select from lesson_student s where s.lesson_id = l.id and s.student_id = me.id))
      join person g on g.id = l.teacher_id where greatest(l.starts_at, l.of_day) > now() - interval '60 days'),
    due as (
      select a.id, a.due_at as "dueAt", coalesce(g.title, 'By ear: ' || a.subject) as title, s.name as student
      from me join assignment a on a.workshop_id = me.workshop_id and a.ended_at is null and a.due_at > now() - interval '60 days'
        and (a.student_id = me.id or exists (select from teaching t where t.student_id = a.student_id and t.teacher_id = me.id))
      join person s on s.id = a.student_id left join groove g on g.id = a.groove_id)
    select jsonb_build_object('role', me.role, 'workshop', me.workshop, 'settings', me.settings,
      'times', (select coalesce(jsonb_agg(to_jsonb(times)), '[]') from times),
      'lessons', (select coalesce(jsonb_agg(to_jsonb(lessons)), '[]') from lessons),
      'due', (select coalesce(jsonb_agg(to_jsonb(due)), '[]') from due),
      'holidays', (select coalesce(jsonb_agg(jsonb_build_object('name', h.name, 'from', to_char(h.from_on, 'YYYY-MM-DD'), 'to', to_char(h.to_on, 'YYYY-MM-DD'))), '[]')
        from holiday h where h.workshop_id = me.workshop_id))
    from me
  $$;
revoke execute on function door_calendar(text) from public;
grant execute on function door_calendar(text) to mochila_door;
