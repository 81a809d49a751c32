-- Whether the bars of a take are those of its groove, as they stood when it was kept; one that changed them is a take of its own.
alter table take add column as_written boolean not null default true;
create index take_by_arrival on take (player_id, received_at desc);

-- What this database is and how the web server reaches it. Every Mochila that is started on the database finds the same
-- here, so that none locks out another and none fills a workshop with the demo by mistake.
create table installation (
  is_only       boolean primary key default true check (is_only),
  kind          text check (kind in ('demo', 'own')),
  web_password  text not null,
  door_password text not null,
  -- Written whenever somebody asks whether all is well.
  beat          timestamptz,
  backed_up_at  timestamptz
);
alter table installation enable row level security;

-- Whether what is written is kept: a row, and when `thorough` 256 KB of new room, since a full disk still has room in
-- the pages it has.
create function door_beat(thorough boolean) returns void
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      update installation set beat = now();
      if thorough then
        create temporary table beat_room on commit drop as
          select md5(n::text) as filling from generate_series(1, 4000) n;
      end if;
    end
  $$;

-- For the teacher, who is told when a backup is older than the workshop wants.
create function last_backup() returns timestamptz
  language sql stable security definer set search_path = public, pg_temp
  as $$ select backed_up_at from installation where signed_in_teacher() $$;

-- Archived people sign in no more; what they played stays.
alter table person add column archived_at timestamptz check (role = 'student' or archived_at is null);
grant update (archived_at) on person to mochila_web;
create index person_by_workshop_there on person (workshop_id, name) where archived_at is null;

-- Names are compared as they are kept: brought into one form before they come here.
update person set sign_in_name = lower(normalize(sign_in_name, nfkc))
  where sign_in_name <> lower(normalize(sign_in_name, nfkc))
    and not exists (select from person other where other.sign_in_name = lower(normalize(person.sign_in_name, nfkc)));

create or replace function signed_in_person() returns uuid
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select session.person_id from session join person on person.id = session.person_id
    where session.token_hash = sha256(convert_to(current_setting('mochila.session', true), 'UTF8'))
      and session.expires_at > now() and person.archived_at is null
  $$;

create or replace function door_credential(name_given text) returns table (person_id uuid, password_hash text)
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select p.id, c.password_hash from person p join credential c on c.person_id = p.id
    where p.sign_in_name = name_given and p.archived_at is null
  $$;

-- A new password ends every session but the one that sets it.
create or replace function set_password(of_person uuid, new_hash text) returns void
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
      delete from session where person_id = of_person
        and token_hash is distinct from sha256(convert_to(current_setting('mochila.session', true), 'UTF8'));
    end
  $$;

create function sign_out_everywhere() returns void
  language sql security definer set search_path = public, pg_temp
  as $$ delete from session where person_id = signed_in_person() $$;

-- Archiving ends a student's sessions at once.
create function end_sessions_of_archived() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      delete from session where person_id = new.id;
      return null;
    end
  $$;
create trigger archived_signs_out after update of archived_at on person
  for each row when (new.archived_at is not null) execute function end_sessions_of_archived();

-- Browsers a person has signed in with: they are not kept out by what others try.
create table device (
  token_hash bytea not null check (length(token_hash) = 32),
  person_id  uuid not null references person on delete cascade,
  seen_at    timestamptz not null default now(),
  primary key (token_hash, person_id)
);
create index device_by_seen on device (seen_at);
alter table device enable row level security;

-- Opening a session clears away what has run out: sessions, and tries that are forgotten.
create or replace function door_open_session(for_person uuid, hash bytea, lasts interval) returns void
  language sql security definer set search_path = public, pg_temp
  as $$
    delete from session where expires_at < now();
    delete from sign_in_failure where expire < extract(epoch from now()) * 1000;
    insert into session (token_hash, person_id, expires_at) values (hash, for_person, now() + lasts)
  $$;

create function door_knows_device(name_given text, hash bytea) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select exists (
      select from device d join person p on p.id = d.person_id where d.token_hash = hash and p.sign_in_name = name_given
    )
  $$;

create function door_remember_device(of_person uuid, hash bytea) returns void
  language sql security definer set search_path = public, pg_temp
  as $$
    delete from device where seen_at < now() - interval '400 days';
    insert into device (token_hash, person_id) values (hash, of_person)
      on conflict (token_hash, person_id) do update set seen_at = now()
  $$;

-- A save of the settings names the one it started from, as a groove's does.
alter table workshop add column settings_number integer not null default 1;
grant update (settings_number) on workshop to mochila_web;

-- An archived groove is not set, and nothing is set for an archived student.
create function can_be_set(groove_id uuid) returns boolean
  language sql stable security definer set search_path = public, pg_temp
  as $$ select exists (select from groove g where g.id = groove_id and g.archived_at is null) $$;
drop policy teacher_sets on assignment;
create policy teacher_sets on assignment for insert to mochila_web with check (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop()) and set_by = (select signed_in_person())
  and exists (select from person p where p.id = student_id and p.role = 'student' and p.archived_at is null)
  and can_be_set(groove_id)
);

-- Sign-ins and changes, written by the database itself. The web server may read them and do nothing else.
create table event (
  id          bigint generated always as identity primary key,
  workshop_id uuid not null references workshop,
  happened_at timestamptz not null default now(),
  -- Who did it; nobody where it was done at the server itself.
  by_person   uuid references person on delete set null,
  -- Whom it is about, where it is about a person.
  about       uuid references person on delete set null,
  kind        text not null,
  detail      text not null default ''
);
create index event_by_workshop on event (workshop_id, id desc);
alter table event enable row level security;
grant select on event to mochila_web;
create policy teacher_reads_events on event for select to mochila_web using (
  (select signed_in_teacher()) and workshop_id = (select signed_in_workshop())
);

create function note_event() returns trigger
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
          whom := new.student_id;
          kind := case when tg_op = 'INSERT' then 'homework set' else 'homework ended' end;
          select title into detail from groove where id = new.groove_id;
        when 'workshop' then
          kind := 'settings changed';
          insert into event (workshop_id, by_person, kind) values (new.id, actor, kind);
          return null;
        when 'person' then
          whom := new.id;
          if tg_op = 'INSERT' then
            kind := 'person added';
          elsif new.archived_at is distinct from old.archived_at then
            kind := case when new.archived_at is null then 'brought back' else 'archived' end;
          else
            kind := 'person changed';
            select string_agg(format('%s: %s → %s', field, before, after), ', ') into detail
            from (values ('level', old.level, new.level), ('kit', old.setup, new.setup), ('counting', old.school, new.school),
                         ('name', old.name, new.name)) as changed (field, before, after)
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
create trigger session_noted after insert on session for each row execute function note_event();
create trigger credential_noted after insert or update of password_hash on credential for each row execute function note_event();
create trigger assignment_noted after insert or update of ended_at on assignment for each row execute function note_event();
create trigger workshop_noted after update of settings, name, place on workshop for each row execute function note_event();
create trigger person_noted after insert or update on person for each row execute function note_event();

revoke execute on function last_backup(), can_be_set(uuid), door_beat(boolean), sign_out_everywhere(), end_sessions_of_archived(), door_knows_device(text, bytea),
  door_remember_device(uuid, bytea), note_event() from public;
grant execute on function door_beat(boolean), door_knows_device(text, bytea), door_remember_device(uuid, bytea) to mochila_door;
grant execute on function sign_out_everywhere(), can_be_set(uuid), last_backup() to mochila_web;

-- Marks that turn the direction of what stands beside a name are taken out, as they are of every text from now on.
update person set name = regexp_replace(name, '[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]', '', 'g')
  where name ~ '[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]'
    and regexp_replace(name, '[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]', '', 'g') <> '';
