-- Workshops, their people, and how a person is known to be signed in.
--
-- Two roles reach the database for the web server, and own nothing in it:
--   mochila_door  signs people in and out; it sees passwords and sessions through functions only.
--   mochila_web   does everything else. It is nobody until a transaction names a session's token
--                 (set_config 'mochila.session'), and then sees what that person may see. It cannot
--                 make a session or read one, so it cannot become somebody else.

create table workshop (
  id         uuid primary key default gen_random_uuid(),
  name       text not null check (length(name) between 1 and 120),
  place      text not null default '' check (length(place) <= 200),
  is_demo    boolean not null default false,
  created_at timestamptz not null default now()
);

create table person (
  id           uuid primary key default gen_random_uuid(),
  workshop_id  uuid not null references workshop,
  role         text not null check (role in ('teacher', 'student')),
  name         text not null check (length(name) between 1 and 120),
  sign_in_name text not null unique check (sign_in_name = lower(sign_in_name) and length(sign_in_name) between 2 and 60),
  birth_year   smallint check (birth_year between 1900 and 2100),
  level        text not null check (level in ('first year', 'second year', 'advanced', 'concert')),
  setup        text not null default 'crossed' check (setup in ('crossed', 'open-handed', 'left-handed')),
  school       text not null check (length(school) between 1 and 60),
  created_at   timestamptz not null default now(),
  unique (id, workshop_id)
);
create index person_by_workshop on person (workshop_id, role, name);

create table credential (
  person_id     uuid primary key references person on delete cascade,
  password_hash text not null,
  changed_at    timestamptz not null default now()
);

create table session (
  token_hash bytea primary key check (length(token_hash) = 32),
  person_id  uuid not null references person on delete cascade,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null
);
create index session_by_expiry on session (expires_at);

-- Failed sign-ins, in the shape rate-limiter-flexible keeps.
create table sign_in_failure (
  key    varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);

alter table workshop enable row level security;
alter table person enable row level security;
alter table credential enable row level security;
alter table session enable row level security;
alter table sign_in_failure enable row level security;

-- Who is signed in ---------------------------------------------------------------------------------

create function signed_in_person() returns uuid
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select person_id from session
    where token_hash = sha256(convert_to(current_setting('mochila.session', true), 'UTF8'))
      and expires_at > now()
  $$;

create function signed_in_workshop() returns uuid
  language sql stable security definer set search_path = public, pg_temp
  as $$ select workshop_id from person where id = signed_in_person() $$;

create function signed_in_teacher() returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$ select coalesce((select role = 'teacher' from person where id = signed_in_person()), false) $$;

-- A student's new password is set by the teacher; everybody sets their own.
create function set_password(of_person uuid, new_hash text) returns void
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      if of_person is distinct from signed_in_person() and not exists (
        select from person
        where id = of_person and role = 'student' and workshop_id = signed_in_workshop() and signed_in_teacher()
      ) then
        raise insufficient_privilege using message = 'not your password to set';
      end if;
      insert into credential (person_id, password_hash) values (of_person, new_hash)
        on conflict (person_id) do update set password_hash = excluded.password_hash, changed_at = now();
      delete from session where person_id = of_person and person_id is distinct from signed_in_person();
    end
  $$;

-- The door -----------------------------------------------------------------------------------------

create function door_state() returns table (has_workshop boolean, is_demo boolean)
  language sql stable security definer set search_path = public, pg_temp
  as $$ select exists (select from workshop), coalesce((select bool_and(w.is_demo) from workshop w), false) $$;

create function door_credential(name_given text) returns table (person_id uuid, password_hash text)
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select p.id, c.password_hash from person p join credential c on c.person_id = p.id
    where p.sign_in_name = lower(name_given)
  $$;

-- People of a demo workshop come in with one touch; of any other, nobody is listed.
create function door_demo_people()
  returns table (id uuid, name text, role text, level text, setup text, birth_year smallint)
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select p.id, p.name, p.role, p.level, p.setup, p.birth_year
    from person p join workshop w on w.id = p.workshop_id
    where w.is_demo order by p.role desc, p.birth_year desc
  $$;

create function door_open_session(for_person uuid, hash bytea, lasts interval) returns void
  language sql security definer set search_path = public, pg_temp
  as $$
    delete from session where expires_at < now();
    insert into session (token_hash, person_id, expires_at) values (hash, for_person, now() + lasts)
  $$;

create function door_close_session(hash bytea) returns void
  language sql security definer set search_path = public, pg_temp
  as $$ delete from session where token_hash = hash $$;

-- The first visitor of an empty installation sets up the workshop and its teacher; nobody after.
create function door_set_up(workshop_name text, teacher_name text, teacher_sign_in text, hash text, school_name text)
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
      insert into person (workshop_id, role, name, sign_in_name, level, school)
        values (new_workshop, 'teacher', teacher_name, lower(teacher_sign_in), 'concert', school_name)
        returning id into new_teacher;
      insert into credential (person_id, password_hash) values (new_teacher, hash);
      return new_teacher;
    end
  $$;

revoke execute on all functions in schema public from public;
grant execute on function signed_in_person(), signed_in_workshop(), signed_in_teacher(), set_password(uuid, text) to mochila_web;
grant execute on function door_state(), door_credential(text), door_demo_people(),
  door_open_session(uuid, bytea, interval), door_close_session(bytea),
  door_set_up(text, text, text, text, text) to mochila_door;

-- What a signed-in person may see --------------------------------------------------------------------

grant select on workshop to mochila_web;
create policy own_workshop on workshop for select to mochila_web using (id = (select signed_in_workshop()));

-- A student sees herself and her teachers; a teacher everybody in the workshop.
grant select on person to mochila_web;
create policy see_people on person for select to mochila_web using (
  workshop_id = (select signed_in_workshop())
  and (id = (select signed_in_person()) or role = 'teacher' or (select signed_in_teacher()))
);

grant insert (id, workshop_id, role, name, sign_in_name, birth_year, level, setup, school) on person to mochila_web;
create policy teacher_adds_students on person for insert to mochila_web with check (
  (select signed_in_teacher()) and role = 'student' and workshop_id = (select signed_in_workshop())
);

grant select, insert, update, delete on sign_in_failure to mochila_door;
create policy door_counts_failures on sign_in_failure to mochila_door using (true) with check (true);
