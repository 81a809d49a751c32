-- What a teacher has open in a lesson that runs, for the students' devices to follow. What is said meanwhile, as each stroke
-- that falls, is kept nowhere: it goes by NOTIFY to every web server, and from there to who is in the lesson.
create table lesson_screen (
  lesson_id   uuid primary key,
  workshop_id uuid not null references workshop,
  groove_id   uuid not null,
  document    jsonb not null,
  -- Let go: the students' devices stay where they are.
  is_let_go   boolean not null default false,
  foreign key (lesson_id, workshop_id) references lesson (id, workshop_id) on delete cascade,
  foreign key (groove_id, workshop_id) references groove (id, workshop_id)
);
-- The grooves that were open in it: who was there may practise them from then on.
create table lesson_groove (
  lesson_id   uuid not null,
  groove_id   uuid not null,
  workshop_id uuid not null references workshop,
  primary key (lesson_id, groove_id),
  foreign key (lesson_id, workshop_id) references lesson (id, workshop_id) on delete cascade,
  foreign key (groove_id, workshop_id) references groove (id, workshop_id)
);
alter table lesson_screen enable row level security;
alter table lesson_groove enable row level security;
grant select, insert, update (groove_id, document, is_let_go) on lesson_screen to mochila_web;
grant select on lesson_groove to mochila_web;

create policy see_screen on lesson_screen for select to mochila_web using (
  gives_lesson(lesson_id) or lesson_id in (select lesson_id from lesson_student where student_id = (select signed_in_person()))
);
create function runs(one uuid) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$ select exists (select from lesson where id = one and state = 'running') $$;
create policy open_screen on lesson_screen for insert to mochila_web with check (
  workshop_id = (select signed_in_workshop()) and gives_lesson(lesson_id) and runs(lesson_id)
);
create policy change_screen on lesson_screen for update to mochila_web
  using (gives_lesson(lesson_id) and runs(lesson_id)) with check (gives_lesson(lesson_id));
create policy see_grooves_of_lesson on lesson_groove for select to mochila_web using (
  gives_lesson(lesson_id) or lesson_id in (select lesson_id from lesson_student where student_id = (select signed_in_person()))
);
drop policy see_grooves on groove;
create policy see_grooves on groove for select to mochila_web using (
  ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
  or exists (select from assignment a where a.groove_id = groove.id and a.student_id = (select signed_in_person()))
  or id in (select g.groove_id from lesson_groove g)
);

create function note_screen() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      insert into lesson_groove (lesson_id, groove_id, workshop_id) values (new.lesson_id, new.groove_id, new.workshop_id)
        on conflict do nothing;
      perform pg_notify('lesson', json_build_object('lesson', new.lesson_id, 'about', 'screen')::text);
      return null;
    end
  $$;
create trigger screen_noted after insert or update on lesson_screen for each row execute function note_screen();
create function note_lesson_over() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      perform pg_notify('lesson', json_build_object('lesson', new.id, 'about', 'over')::text);
      return null;
    end
  $$;
create trigger lesson_over_noted after update of state on lesson
  for each row when (old.state = 'running' and new.state <> 'running') execute function note_lesson_over();

-- Says something to everybody else in a lesson that runs: false where one is not in it. NOTIFY takes no more than 8,000 bytes.
create function say_in_lesson(one uuid, what text) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      if length(what) > 6000 or not runs(one) or not (gives_lesson(one) or exists (
        select from lesson_student s where s.lesson_id = one and s.student_id = signed_in_person())) then
        return false;
      end if;
      perform pg_notify('lesson', json_build_object('lesson', one, 'about', 'said', 'by', signed_in_person(), 'what', what::json)::text);
      return true;
    end
  $$;
revoke execute on function runs(uuid), note_screen(), note_lesson_over(), say_in_lesson(uuid, text) from public;
grant execute on function runs(uuid), say_in_lesson(uuid, text) to mochila_web;
