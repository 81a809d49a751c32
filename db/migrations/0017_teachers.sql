-- Several teachers in a workshop, each with students of their own, shared where they wish; an owner who manages them. And
-- several workshops in one installation, whose sign-in names are apart.

alter table person add column is_owner boolean not null default false check (role = 'teacher' or not is_owner);
-- Up to now a workshop had one teacher, whose it is.
update person set is_owner = true where role = 'teacher';
-- Teachers leave too; an owner is one no more first.
do $$
  declare
    old text;
  begin
    select conname into old from pg_constraint
      where conrelid = 'person'::regclass and contype = 'c' and pg_get_constraintdef(oid) like '%archived_at%';
    execute format('alter table person drop constraint %I', old);
  end
$$;
alter table person add constraint owner_is_there check (archived_at is null or not is_owner);

create table teaching (
  student_id  uuid not null,
  teacher_id  uuid not null,
  workshop_id uuid not null references workshop,
  primary key (student_id, teacher_id),
  foreign key (student_id, workshop_id) references person (id, workshop_id) on delete cascade,
  foreign key (teacher_id, workshop_id) references person (id, workshop_id) on delete cascade
);
comment on table teaching is 'Whose student somebody is: of one teacher, or of several who share them. An owner has them all.';
create index teaching_by_teacher on teaching (teacher_id, student_id);
alter table teaching enable row level security;

create function signed_in_owner() returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$ select coalesce((select is_owner from person where id = signed_in_person()), false) $$;

-- The students the signed-in teacher has: an owner those of the workshop.
create function students_taught() returns setof uuid
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select p.id from person me join person p on p.workshop_id = me.workshop_id and p.role = 'student'
    where me.id = signed_in_person() and me.role = 'teacher'
      and (me.is_owner or exists (select from teaching t where t.student_id = p.id and t.teacher_id = me.id))
  $$;

-- Whoever adds a student has them.
create function take_on_student() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      insert into teaching (student_id, teacher_id, workshop_id)
        select new.id, me.id, new.workshop_id from person me
        where me.id = signed_in_person() and me.role = 'teacher' and me.workshop_id = new.workshop_id;
      return null;
    end
  $$;
create trigger student_taken_on after insert on person
  for each row when (new.role = 'student') execute function take_on_student();
insert into teaching (student_id, teacher_id, workshop_id)
  select s.id, t.id, s.workshop_id from person s join person t on t.workshop_id = s.workshop_id and t.role = 'teacher'
  where s.role = 'student';

-- Who has whom: a teacher their own students', a student theirs. Shared by a teacher who has the student.
grant select, insert, delete on teaching to mochila_web;
create policy see_teaching on teaching for select to mochila_web using (
  student_id = (select signed_in_person()) or student_id in (select students_taught())
);
create policy share_student on teaching for insert to mochila_web with check (
  workshop_id = (select signed_in_workshop()) and student_id in (select students_taught())
  and exists (select from person p where p.id = teacher_id and p.role = 'teacher' and p.archived_at is null)
);
create policy unshare_student on teaching for delete to mochila_web using (student_id in (select students_taught()));

-- What a teacher sees and does goes by the students they have ------------------------------------------

drop policy see_people on person;
create policy see_people on person for select to mochila_web using (
  workshop_id = (select signed_in_workshop())
  and (id = (select signed_in_person()) or role = 'teacher' or id in (select students_taught()))
);
drop policy teacher_changes_people on person;
create policy teacher_changes_people on person for update to mochila_web
  using (
    (id = (select signed_in_person()) and (select signed_in_teacher())) or id in (select students_taught())
    or (role = 'teacher' and (select signed_in_owner()) and workshop_id = (select signed_in_workshop())))
  with check (workshop_id = (select signed_in_workshop()));
create policy owner_adds_teachers on person for insert to mochila_web with check (
  (select signed_in_owner()) and role = 'teacher' and workshop_id = (select signed_in_workshop())
);

drop policy see_assignments on assignment;
create policy see_assignments on assignment for select to mochila_web using (
  student_id = (select signed_in_person()) or student_id in (select students_taught())
);
drop policy teacher_sets on assignment;
create policy teacher_sets on assignment for insert to mochila_web with check (
  workshop_id = (select signed_in_workshop()) and set_by = (select signed_in_person())
  and student_id in (select students_taught())
  and exists (select from person p where p.id = student_id and p.archived_at is null)
  and can_be_set(groove_id)
);
drop policy teacher_ends on assignment;
create policy teacher_ends on assignment for update to mochila_web
  using (student_id in (select students_taught())) with check (student_id in (select students_taught()));

drop policy see_takes on take;
create policy see_takes on take for select to mochila_web using (
  player_id = (select signed_in_person()) or player_id in (select students_taught())
);
drop policy set_aside on take;
create policy set_aside on take for update to mochila_web
  using (player_id = (select signed_in_person()) or player_id in (select students_taught()))
  with check (set_aside_by is null or set_aside_by = (select signed_in_person()));
drop policy see_ladders on ladder;
create policy see_ladders on ladder for select to mochila_web using (
  person_id = (select signed_in_person()) or person_id in (select students_taught())
);
drop policy see_listening on listening;
create policy see_listening on listening for select to mochila_web using (
  player_id = (select signed_in_person()) or player_id in (select students_taught())
);
drop policy teacher_sees_invitations on invitation;
drop policy teacher_invites on invitation;
drop policy teacher_takes_back on invitation;
create function may_invite(whom uuid) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select whom in (select students_taught()) or (signed_in_owner() and whom <> signed_in_person() and exists (
      select from person where id = whom and role = 'teacher' and workshop_id = signed_in_workshop()))
  $$;
create policy see_invitations on invitation for select to mochila_web using (may_invite(person_id));
create policy invite on invitation for insert to mochila_web with check (
  workshop_id = (select signed_in_workshop()) and may_invite(person_id)
  and exists (select from person p where p.id = person_id and p.archived_at is null)
);
create policy take_invitation_back on invitation for delete to mochila_web using (may_invite(person_id));

drop policy teacher_sets_workshop on workshop;
create policy owner_sets_workshop on workshop for update to mochila_web
  using ((select signed_in_owner()) and id = (select signed_in_workshop()))
  with check ((select signed_in_owner()) and id = (select signed_in_workshop()));
drop policy teacher_reads_events on event;
create policy read_events on event for select to mochila_web using (
  workshop_id = (select signed_in_workshop())
  and ((select signed_in_owner())
    or ((select signed_in_teacher()) and (by_person = (select signed_in_person()) or about in (select students_taught()))))
);
create or replace function last_backup() returns timestamptz
  language sql stable security definer set search_path = public, pg_temp
  as $$ select backed_up_at from installation where signed_in_owner() $$;

create or replace function set_password(of_person uuid, new_hash text) returns void
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      if of_person is distinct from signed_in_person() and of_person not in (select students_taught()) then
        raise insufficient_privilege using message = 'not your password to set';
      end if;
      insert into credential (person_id, password_hash) values (of_person, new_hash)
        on conflict (person_id) do update set password_hash = excluded.password_hash, changed_at = now();
      delete from session where person_id = of_person
        and token_hash is distinct from sha256(convert_to(current_setting('mochila.session', true), 'UTF8'));
    end
  $$;

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
      -- What was noted of them by name goes too; that somebody was deleted stays.
      delete from event where about = of_person or by_person = of_person;
      delete from person where id = of_person;
      insert into event (workshop_id, by_person, kind) values (signed_in_workshop(), signed_in_person(), 'deleted');
      return true;
    end
  $$;

-- How one counts, sits and reads reports is one's own to settle.
create function set_own_ways(new_setup text, new_school text, new_report text) returns void
  language sql security definer set search_path = public, pg_temp
  as $$
    update person set setup = coalesce(new_setup, setup), school = coalesce(new_school, school), report = coalesce(new_report, report)
    where id = signed_in_person()
  $$;

-- The owner makes a teacher an owner too, or no longer one; the last one stays.
create function set_owner(of_person uuid, owns boolean) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      home uuid := signed_in_workshop();
    begin
      -- Two owners who drop one another at once come one after the other.
      perform from workshop where id = home for update;
      if not signed_in_owner() or not exists (
        select from person where id = of_person and workshop_id = home and role = 'teacher' and archived_at is null
      ) or (not owns and not exists (select from person where workshop_id = home and is_owner and id <> of_person)) then
        return false;
      end if;
      update person set is_owner = owns where id = of_person and is_owner <> owns;
      if found then
        insert into event (workshop_id, by_person, about, kind)
          values (home, signed_in_person(), of_person, case when owns then 'owner made' else 'owner ended' end);
      end if;
      return true;
    end
  $$;

create function note_teaching() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      row teaching := coalesce(new, old);
    begin
      -- Nothing is noted of one who is being deleted.
      insert into event (workshop_id, by_person, about, kind, detail)
        select s.workshop_id, signed_in_person(), s.id, case when tg_op = 'INSERT' then 'shared' else 'shared no more' end, t.name
        from person s, person t where s.id = row.student_id and t.id = row.teacher_id and t.id is distinct from signed_in_person();
      return null;
    end
  $$;
create trigger teaching_noted after insert or delete on teaching for each row execute function note_teaching();

-- Sign-in names are apart by workshop -------------------------------------------------------------------

alter table workshop add column handle text;
update workshop set handle = coalesce(nullif(trim(both '-' from left(regexp_replace(lower(name), '[^a-z0-9]+', '-', 'g'), 24)), ''), 'workshop');
-- Two that would be alike are told apart by a number.
update workshop w set handle = w.handle || '-' || n.number
  from (select id, row_number() over (partition by handle order by created_at, id) as number from workshop) n
  where n.id = w.id and n.number > 1;
alter table workshop alter column handle set not null,
  add constraint workshop_handle check (handle ~ '^[a-z0-9]([a-z0-9-]{0,28}[a-z0-9])?$'),
  add constraint workshop_by_handle unique (handle);
alter table person drop constraint person_sign_in_name_key;
alter table person add constraint person_by_sign_in_name unique (workshop_id, sign_in_name);
create index person_by_name_alone on person (sign_in_name);

-- A free handle made from a name.
create function handle_for(workshop_name text) returns text
  language plpgsql stable security definer set search_path = public, pg_temp
  as $$
    declare
      plain text := coalesce(
        nullif(trim(both '-' from left(regexp_replace(lower(workshop_name), '[^a-z0-9]+', '-', 'g'), 24)), ''), 'workshop');
      free text := plain;
      number integer := 1;
    begin
      while exists (select from workshop where handle = free) loop
        number := number + 1;
        free := plain || '-' || number;
      end loop;
      return free;
    end
  $$;
create function give_handle() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      new.handle := coalesce(new.handle, handle_for(new.name));
      return new;
    end
  $$;
create trigger workshop_has_handle before insert on workshop for each row execute function give_handle();

-- Whom a name means at the door: "ada@boathouse", or "ada" alone where one person only is called so.
create function door_named(name_given text) returns setof person
  language sql stable security definer set search_path = public, pg_temp
  as $$
    with meant as (
      select p.* from person p join workshop w on w.id = p.workshop_id
      where p.sign_in_name || '@' || w.handle = name_given and p.archived_at is null),
    alone as (select p.* from person p where p.sign_in_name = name_given and p.archived_at is null)
    select * from meant
    union all
    select * from alone where not exists (select from meant) and (select count(*) from alone) = 1
  $$;
create or replace function door_credential(name_given text) returns table (person_id uuid, password_hash text)
  language sql stable security definer set search_path = public, pg_temp
  as $$ select p.id, c.password_hash from door_named(name_given) p join credential c on c.person_id = p.id $$;
create or replace function door_knows_device(name_given text, hash bytea) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select exists (select from device d join door_named(name_given) p on p.id = d.person_id where d.token_hash = hash)
  $$;

create or replace function door_set_up(workshop_name text, teacher_name text, teacher_sign_in text, hash text, school_name text)
  returns uuid
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      new_workshop uuid;
      new_teacher uuid;
    begin
      lock table workshop in exclusive mode;
      if exists (select from workshop) then
        return null;
      end if;
      insert into workshop (name) values (workshop_name) returning id into new_workshop;
      insert into person (workshop_id, role, is_owner, name, sign_in_name, level, school)
        values (new_workshop, 'teacher', true, teacher_name, lower(teacher_sign_in), 'concert', school_name)
        returning id into new_teacher;
      insert into credential (person_id, password_hash) values (new_teacher, hash);
      return new_teacher;
    end
  $$;

-- What stands behind a sign-in name: nothing where the installation has one workshop.
create function sign_in_ending() returns text
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select case when (select count(*) from workshop) > 1 then '@' || handle else '' end from workshop where id = signed_in_workshop()
  $$;

revoke execute on function sign_in_ending(), signed_in_owner(), students_taught(), may_invite(uuid), take_on_student(), set_own_ways(text, text, text),
  set_owner(uuid, boolean), note_teaching(), handle_for(text), give_handle(), door_named(text) from public;
grant execute on function sign_in_ending(), signed_in_owner(), students_taught(), may_invite(uuid), set_own_ways(text, text, text),
  set_owner(uuid, boolean) to mochila_web;
