-- Lessons: the times they come round, each one that was planned, moved, skipped or held, and what was done in it.

-- When somebody comes, week after week: days and times are those of the workshop's clock, whatever that clock does.
create table lesson_time (
  id          uuid primary key,
  workshop_id uuid not null references workshop,
  teacher_id  uuid not null,
  -- An RRULE of RFC 5545, as "FREQ=WEEKLY;INTERVAL=2".
  rule        text not null check (rule ~ '^FREQ=WEEKLY;INTERVAL=[1-4]$'),
  starts_on   date not null,
  ends_on     date check (ends_on >= starts_on),
  at          time not null,
  minutes     smallint not null check (minutes between 10 and 240),
  unique (id, workshop_id),
  foreign key (teacher_id, workshop_id) references person (id, workshop_id)
);
create index lesson_time_by_teacher on lesson_time (teacher_id);
-- Who comes: one, or a group that comes together.
create table lesson_time_student (
  lesson_time_id uuid not null,
  student_id     uuid not null,
  workshop_id    uuid not null references workshop,
  primary key (lesson_time_id, student_id),
  foreign key (lesson_time_id, workshop_id) references lesson_time (id, workshop_id) on delete cascade,
  foreign key (student_id, workshop_id) references person (id, workshop_id) on delete cascade
);
create index lesson_time_student_by_student on lesson_time_student (student_id);

-- Days on which no lesson comes round.
create table holiday (
  id          uuid primary key,
  workshop_id uuid not null references workshop,
  name        text not null check (length(trim(name)) between 1 and 120),
  from_on     date not null,
  to_on       date not null check (to_on >= from_on and to_on - from_on <= 200)
);
create index holiday_by_workshop on holiday (workshop_id, from_on);

-- A lesson that is more than a time that comes round: planned, moved, skipped, running or held.
create table lesson (
  id             uuid primary key,
  workshop_id    uuid not null references workshop,
  teacher_id     uuid not null,
  lesson_time_id uuid references lesson_time on delete set null,
  -- The day its time would have come round on.
  of_day         date,
  starts_at      timestamptz not null,
  minutes        smallint not null check (minutes between 10 and 240),
  state          text not null default 'planned' check (state in ('planned', 'running', 'held', 'skipped')),
  began_at       timestamptz,
  ended_at       timestamptz,
  -- What the student takes home, in the teacher's words.
  words          text not null default '' check (length(words) <= 2000),
  unique (id, workshop_id),
  unique (lesson_time_id, of_day),
  foreign key (teacher_id, workshop_id) references person (id, workshop_id),
  check (state not in ('running', 'held') or began_at is not null),
  check (state <> 'held' or ended_at is not null)
);
create index lesson_by_teacher on lesson (teacher_id, starts_at desc);
-- A teacher gives one lesson at a time.
create unique index lesson_running on lesson (teacher_id) where state = 'running';
create table lesson_student (
  lesson_id   uuid not null,
  student_id  uuid not null,
  workshop_id uuid not null references workshop,
  primary key (lesson_id, student_id),
  foreign key (lesson_id, workshop_id) references lesson (id, workshop_id) on delete cascade,
  foreign key (student_id, workshop_id) references person (id, workshop_id) on delete cascade
);
create index lesson_student_by_student on lesson_student (student_id);

-- The steps of a lesson with the teacher's notes: no student reads them.
create table lesson_plan (
  lesson_id   uuid primary key,
  workshop_id uuid not null references workshop,
  save_number integer not null default 1,
  document    jsonb not null,
  foreign key (lesson_id, workshop_id) references lesson (id, workshop_id) on delete cascade
);
-- Steps a teacher plans lessons from.
create table lesson_template (
  id          uuid primary key,
  workshop_id uuid not null references workshop,
  made_by     uuid not null,
  name        text not null check (length(trim(name)) between 1 and 120),
  document    jsonb not null,
  unique (made_by, name),
  foreign key (made_by, workshop_id) references person (id, workshop_id)
);

alter table lesson_time enable row level security;
alter table lesson_time_student enable row level security;
alter table holiday enable row level security;
alter table lesson enable row level security;
alter table lesson_student enable row level security;
alter table lesson_plan enable row level security;
alter table lesson_template enable row level security;

grant select, insert, delete on lesson_time_student, lesson_student to mochila_web;
grant select, insert, update (starts_on, ends_on, at, minutes, rule), delete on lesson_time to mochila_web;
grant select, insert, delete on holiday to mochila_web;
grant select, insert, update (starts_at, minutes, state, began_at, ended_at, words), delete on lesson to mochila_web;
grant select, insert, update (document, save_number) on lesson_plan to mochila_web;
grant select, insert, update (document), delete on lesson_template to mochila_web;

-- Asked by functions, since the tables ask one another.
create function gives_time(one uuid) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select signed_in_teacher() and exists (select from lesson_time t where t.id = one and (t.teacher_id = signed_in_person()
      or exists (select from lesson_time_student s where s.lesson_time_id = one and s.student_id in (select students_taught()))))
  $$;
create function gives_lesson(one uuid) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select signed_in_teacher() and exists (select from lesson l where l.id = one and (l.teacher_id = signed_in_person()
      or exists (select from lesson_student s where s.lesson_id = one and s.student_id in (select students_taught()))))
  $$;
revoke execute on function gives_time(uuid), gives_lesson(uuid) from public;
grant execute on function gives_time(uuid), gives_lesson(uuid) to mochila_web;

-- Times and lessons are seen by who gives them, who comes, and every teacher of one who comes; written by those teachers.
create policy see_who_comes on lesson_time_student for select to mochila_web using (
  student_id = (select signed_in_person()) or student_id in (select students_taught())
);
create policy see_times on lesson_time for select to mochila_web using (
  teacher_id = (select signed_in_person()) or id in (select lesson_time_id from lesson_time_student)
);
create policy make_time on lesson_time for insert to mochila_web with check (
  (select signed_in_teacher()) and teacher_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
);
create policy change_time on lesson_time for update to mochila_web using (gives_time(id));
create policy drop_time on lesson_time for delete to mochila_web using (gives_time(id));
create policy add_who_comes on lesson_time_student for insert to mochila_web with check (
  student_id in (select students_taught()) and gives_time(lesson_time_id)
);
create policy drop_who_comes on lesson_time_student for delete to mochila_web using (student_id in (select students_taught()));

create policy see_holidays on holiday for select to mochila_web using (workshop_id = (select signed_in_workshop()));
create policy make_holiday on holiday for insert to mochila_web with check (
  (select signed_in_owner()) and workshop_id = (select signed_in_workshop())
);
create policy drop_holiday on holiday for delete to mochila_web using (
  (select signed_in_owner()) and workshop_id = (select signed_in_workshop())
);

create policy see_who_came on lesson_student for select to mochila_web using (
  student_id = (select signed_in_person()) or student_id in (select students_taught())
);
create policy see_lessons on lesson for select to mochila_web using (
  teacher_id = (select signed_in_person()) or id in (select lesson_id from lesson_student)
);
create policy make_lesson on lesson for insert to mochila_web with check (
  (select signed_in_teacher()) and teacher_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
);
create policy change_lesson on lesson for update to mochila_web using (gives_lesson(id));
-- What was held stays in the log.
create policy drop_lesson on lesson for delete to mochila_web using (
  (select signed_in_teacher()) and teacher_id = (select signed_in_person()) and state in ('planned', 'skipped')
);
create policy add_who_came on lesson_student for insert to mochila_web with check (
  student_id in (select students_taught()) and gives_lesson(lesson_id)
);
create policy drop_who_came on lesson_student for delete to mochila_web using (student_id in (select students_taught()));

create policy see_plans on lesson_plan for select to mochila_web using (gives_lesson(lesson_id));
create policy make_plan on lesson_plan for insert to mochila_web with check (gives_lesson(lesson_id));
create policy change_plan on lesson_plan for update to mochila_web using (gives_lesson(lesson_id));
create policy own_templates on lesson_template to mochila_web
  using (made_by = (select signed_in_person()))
  with check (made_by = (select signed_in_person()) and workshop_id = (select signed_in_workshop()) and (select signed_in_teacher()));

-- Homework: a groove or drill, some bars of it, or a listening drill; with a ladder, when it is passed, and by when.
alter table assignment
  alter column groove_id drop not null,
  add column subject text check (subject in (
    'straight or swung', 'which rate', 'where the kick is', 'flam', 'which limb is late', 'double-time or half-time',
    'where the 1 is')),
  -- Bars of the groove, from 0, both played.
  add column bar_from smallint check (bar_from >= 0),
  add column bar_to smallint,
  -- Where the ladder begins and its step; the goal is the tempo that is set.
  add column ladder_start numeric(6, 3) check (ladder_start between 20 and 300),
  add column ladder_step numeric(6, 3) check (ladder_step between 1 and 40),
  -- So many clean takes at the goal and it is passed.
  add column pass_takes smallint check (pass_takes between 1 and 10),
  add column due_at timestamptz,
  add constraint assignment_of_one check (num_nonnulls(groove_id, subject) = 1),
  add constraint assignment_bars check ((bar_from is null) = (bar_to is null) and bar_to >= bar_from),
  add constraint assignment_ladder check ((ladder_start is null) = (ladder_step is null));
grant update (tempo, click, minutes, reason, bar_from, bar_to, ladder_start, ladder_step, pass_takes, due_at) on assignment to mochila_web;
grant delete on assignment to mochila_web;
drop policy teacher_sets on assignment;
create policy teacher_sets on assignment for insert to mochila_web with check (
  workshop_id = (select signed_in_workshop()) and set_by = (select signed_in_person())
  and student_id in (select students_taught())
  and exists (select from person p where p.id = student_id and p.archived_at is null)
  and (groove_id is null or can_be_set(groove_id))
);
-- Set by mistake, and nothing played yet: it never was. A take names it, and the database holds that.
create policy teacher_undoes on assignment for delete to mochila_web using (student_id in (select students_taught()));
create index take_by_assignment on take (assignment_id) where assignment_id is not null;
create index assignment_open on assignment (student_id) where ended_at is null;
create index assignment_by_due on assignment (due_at) where ended_at is null;

create or replace function note_event() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      actor uuid := signed_in_person();
      whom uuid;
      kind text;
      detail text := '';
    begin
      case tg_table_name
        when 'session' then
          actor := new.person_id;
          whom := new.person_id;
          kind := 'signed in';
        when 'credential' then
          whom := new.person_id;
          kind := 'password set';
        when 'assignment' then
          if tg_op = 'DELETE' then
            whom := old.student_id;
            kind := 'homework undone';
            select coalesce(old.subject, (select title from groove where id = old.groove_id)) into detail;
          else
            whom := new.student_id;
            kind := case when tg_op = 'INSERT' then 'homework set'
              when new.ended_at is not distinct from old.ended_at then 'homework changed'
              when new.ended_at is null then 'homework set again' else 'homework ended' end;
            select coalesce(new.subject, (select title from groove where id = new.groove_id)) into detail;
          end if;
        when 'workshop' then
          kind := 'settings changed';
          insert into event (workshop_id, by_person, kind) values (new.id, actor, kind);
          return null;
        when 'person' then
          whom := new.id;
          if tg_op = 'INSERT' then
            kind := case new.role when 'teacher' then 'teacher added' else 'person added' end;
          elsif new.archived_at is distinct from old.archived_at then
            kind := case when new.archived_at is null then 'brought back' else 'archived' end;
          else
            kind := 'person changed';
            select string_agg(format('%s: %s → %s', field, before, after), ', ') into detail
            from (values ('level', old.level, new.level), ('kit', old.setup, new.setup), ('counting', old.school, new.school),
                         ('report', old.report, new.report), ('name', old.name, new.name)) as changed (field, before, after)
            where before is distinct from after;
            if detail is null then
              return null;
            end if;
          end if;
      end case;
      insert into event (workshop_id, by_person, about, kind, detail)
        select p.workshop_id, actor, p.id, kind, coalesce(detail, '') from person p where p.id = whom;
      return null;
    end
  $$;
drop trigger assignment_noted on assignment;
create trigger assignment_noted after insert or delete or
  update of ended_at, tempo, click, minutes, reason, bar_from, bar_to, ladder_start, ladder_step, pass_takes, due_at on assignment
  for each row execute function note_event();

create or replace function delete_student(of_person uuid) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      if of_person not in (select students_taught())
        or not exists (select from person where id = of_person and archived_at is not null) then
        return false;
      end if;
      delete from take_note where author_id = of_person;
      delete from take where player_id = of_person;
      delete from listening where player_id = of_person;
      delete from ladder where person_id = of_person;
      delete from favourite where person_id = of_person;
      delete from assignment where student_id = of_person;
      -- Lessons and times that were theirs alone; of those they shared, their part.
      delete from lesson l where exists (select from lesson_student s where s.lesson_id = l.id and s.student_id = of_person)
        and not exists (select from lesson_student s where s.lesson_id = l.id and s.student_id <> of_person);
      delete from lesson_time t where exists (select from lesson_time_student s where s.lesson_time_id = t.id and s.student_id = of_person)
        and not exists (select from lesson_time_student s where s.lesson_time_id = t.id and s.student_id <> of_person);
      -- What was noted of them by name goes too; that somebody was deleted stays.
      delete from event where about = of_person or by_person = of_person;
      delete from person where id = of_person;
      insert into event (workshop_id, by_person, kind) values (signed_in_workshop(), signed_in_person(), 'deleted');
      return true;
    end
  $$;
