-- Of a child only what teaching needs: an age band in place of the year of birth. What a student is after, in words.
alter table person
  add column age text check (age in ('under 12', '12 to 17', 'grown-up')),
  add column goals text not null default '' check (length(goals) <= 400);
update person set age = case
    when extract(year from now()) - birth_year < 12 then 'under 12'
    when extract(year from now()) - birth_year < 18 then '12 to 17'
    else 'grown-up' end
  where birth_year is not null;
drop function door_demo_people();
alter table person drop column birth_year;
grant insert (age, goals), update (name, age, goals) on person to mochila_web;

create function door_demo_people() returns table (id uuid, name text, role text, level text, setup text, age text)
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select p.id, p.name, p.role, p.level, p.setup, p.age
    from person p join workshop w on w.id = p.workshop_id
    where w.is_demo
    order by p.role desc, array_position(array['under 12', '12 to 17', 'grown-up'], p.age), p.name
  $$;

-- A link by which a student comes in for the first time, or again after a password is forgotten: once, for seven days, until
-- it is taken back. Only the hash of what stands in the link is kept.
create table invitation (
  person_id   uuid primary key,
  workshop_id uuid not null references workshop,
  token_hash  bytea not null unique check (length(token_hash) = 32),
  made_at     timestamptz not null default now(),
  expires_at  timestamptz not null default now() + interval '7 days',
  foreign key (person_id, workshop_id) references person (id, workshop_id) on delete cascade
);
alter table invitation enable row level security;
grant select (person_id, workshop_id, made_at, expires_at), insert (person_id, workshop_id, token_hash), delete on invitation to mochila_web;
create policy teacher_sees_invitations on invitation for select to mochila_web using (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop())
);
create policy teacher_invites on invitation for insert to mochila_web with check (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop())
  and exists (select from person p where p.id = person_id and p.role = 'student' and p.archived_at is null)
);
create policy teacher_takes_back on invitation for delete to mochila_web using (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop())
);

create function note_invitation() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      insert into event (workshop_id, by_person, about, kind)
        values (new.workshop_id, signed_in_person(), new.person_id, 'invited');
      return null;
    end
  $$;
create trigger invitation_noted after insert on invitation for each row execute function note_invitation();

-- Whom an invitation is for; nothing where it was used, taken back or has run out.
create function door_invitation(hash bytea)
  returns table (person_id uuid, name text, workshop text, sign_in_name text, has_password boolean)
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select p.id, p.name, w.name, p.sign_in_name, exists (select from credential c where c.person_id = p.id)
    from invitation i join person p on p.id = i.person_id join workshop w on w.id = p.workshop_id
    where i.token_hash = hash and i.expires_at > now() and p.archived_at is null
  $$;

-- Uses an invitation up: the name and sign-in name where they are given, and the password. Null where there is none;
-- an error where the sign-in name is somebody else's. Sessions of before end.
create function door_join(hash bytea, new_name text, new_sign_in text, new_hash text) returns uuid
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      who uuid;
    begin
      delete from invitation i using person p
        where i.token_hash = hash and i.expires_at > now() and p.id = i.person_id and p.archived_at is null
        returning i.person_id into who;
      if who is null then
        return null;
      end if;
      update person set name = coalesce(new_name, name), sign_in_name = coalesce(lower(new_sign_in), sign_in_name)
        where id = who;
      insert into credential (person_id, password_hash) values (who, new_hash)
        on conflict (person_id) do update set password_hash = excluded.password_hash, changed_at = now();
      delete from session where person_id = who;
      return who;
    end
  $$;

-- Where a session was opened, as the browser says, and when it was opened: what its person knows it by.
alter table session add column opened_with text not null default '' check (length(opened_with) <= 120);
drop function door_open_session(uuid, bytea, interval);
create function door_open_session(for_person uuid, hash bytea, lasts interval, with_what text default '') returns void
  language sql security definer set search_path = public, pg_temp
  as $$
    delete from session where expires_at < now();
    delete from sign_in_failure where expire < extract(epoch from now()) * 1000;
    insert into session (token_hash, person_id, expires_at, opened_with)
      values (hash, for_person, now() + lasts, left(with_what, 120))
  $$;
create function own_sessions() returns table (id text, opened_at timestamptz, opened_with text, is_this boolean)
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select encode(token_hash, 'hex'), created_at, opened_with,
      token_hash = sha256(convert_to(current_setting('mochila.session', true), 'UTF8'))
    from session where person_id = signed_in_person() and expires_at > now() order by created_at desc
  $$;
create function end_own_session(one text) returns boolean
  language sql security definer set search_path = public, pg_temp
  as $$
    with ended as (
      delete from session where person_id = signed_in_person() and encode(token_hash, 'hex') = one returning 1
    )
    select exists (select from ended)
  $$;

-- Deletes a student for good, with everything of theirs. Only one who is archived, so that it takes two steps. False where the
-- teacher has no such student.
create function delete_student(of_person uuid) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      if not signed_in_teacher() or not exists (
        select from person where id = of_person and role = 'student' and workshop_id = signed_in_workshop()
          and archived_at is not null
      ) then
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

revoke execute on function door_demo_people(), door_invitation(bytea), door_join(bytea, text, text, text),
  door_open_session(uuid, bytea, interval, text), own_sessions(), end_own_session(text), delete_student(uuid), note_invitation() from public;
grant execute on function door_demo_people(), door_invitation(bytea), door_join(bytea, text, text, text),
  door_open_session(uuid, bytea, interval, text) to mochila_door;
grant execute on function own_sessions(), end_own_session(text), delete_student(uuid) to mochila_web;
