-- A workshop as one file, and a workshop from one: through the screens, by its owner. And the demo, left for a workshop of one's own.

-- An owner's own backup counts as one that whoever runs the server makes.
alter table workshop add column backed_up_at timestamptz;

create or replace function last_backup() returns timestamptz
  language sql stable security definer set search_path = public, pg_temp
  as $$
    select greatest((select backed_up_at from installation), (select backed_up_at from workshop where id = signed_in_workshop()))
    where signed_in_teacher()
  $$;

-- The tables of a workshop, each after those it points at. Left out is what holds for the moment or opens a door: sessions,
-- browsers, invitations, addresses of calendars, tries at the door; and what is the installation's.
create function backup_tables() returns text[]
  language sql immutable
  as $$
    select array['workshop', 'person', 'credential', 'teaching', 'groove', 'drill', 'favourite', 'assignment', 'ladder', 'take', 'take_place',
      'take_note', 'recording', 'listening', 'ears', 'holiday', 'lesson_time', 'lesson_time_student', 'lesson', 'lesson_student', 'lesson_plan',
      'lesson_template', 'lesson_screen', 'lesson_groove', 'path', 'path_step', 'path_student', 'refused', 'day_plan', 'tune', 'tune_groove',
      'mail_address', 'mail', 'event']
  $$;

-- Which rows of a table, called r, are those of workshop $1.
create function rows_of_workshop(of_table text) returns text
  language sql immutable
  as $$
    select case of_table
      when 'workshop' then 'r.id = $1'
      when 'credential' then 'exists (select from person p where p.id = r.person_id and p.workshop_id = $1)'
      when 'take_place' then 'exists (select from take t where t.id = r.take_id and t.workshop_id = $1)'
      else 'r.workshop_id = $1'
    end
  $$;

-- In how many pieces a table is read: 64 of its blocks each, so that years of takes are never held at once. Changes are read in
-- their order instead, which is theirs by number alone.
create function backup_pieces(of_table text) returns integer
  language plpgsql stable security definer set search_path = public, pg_temp
  as $$
    begin
      if not signed_in_owner() or not of_table = any (backup_tables()) then
        return 0;
      end if;
      if of_table = 'event' then
        return (select coalesce(max(id), 0) / 5000 + 1 from event);
      end if;
      return pg_relation_size(format('%I', of_table)::regclass) / (64 * current_setting('block_size')::bigint) + 1;
    end
  $$;

create function backup_rows(of_table text, piece integer) returns setof text
  language plpgsql stable security definer set search_path = public, pg_temp
  as $$
    begin
      if not signed_in_owner() or not of_table = any (backup_tables()) then
        return;
      end if;
      return query execute format('select to_jsonb(r)::text from %I r where ', of_table) || rows_of_workshop(of_table)
        || case when of_table = 'event' then format(' and r.id >= %s and r.id < %s order by r.id', piece * 5000, (piece + 1) * 5000)
           else format(' and r.ctid >= ''(%s,0)'' and r.ctid < ''(%s,0)''', piece * 64, (piece + 1) * 64) end
        using signed_in_workshop();
    end
  $$;

-- Written once the whole file was given.
create function backup_made() returns void
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      if signed_in_owner() then
        update workshop set backed_up_at = now() where id = signed_in_workshop();
        insert into event (workshop_id, by_person, kind) values (signed_in_workshop(), signed_in_person(), 'backup made');
      end if;
    end
  $$;

-- A workshop that is being restored, by the one transaction that does it.
create table restoring (
  workshop_id    uuid primary key references workshop on delete cascade,
  transaction_id xid8 not null,
  -- Whether the changes of the file have begun to come: until then, what is noted is the restoring itself.
  has_changes    boolean not null default false
);
alter table restoring enable row level security;

-- Begins to restore into a workshop where nobody is but its owner, and nothing was made but the grooves every new one has, by their
-- titles, as they were: these make room. Gives the table that holds something already, or nothing.
create function restore_begin(starters text[]) returns text
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      home uuid := signed_in_workshop();
      of_table text;
      is_there boolean;
    begin
      if not signed_in_owner() then
        raise insufficient_privilege using message = 'a workshop is its owner''s to restore';
      end if;
      perform from workshop where id = home for update;
      if (select count(*) from person where workshop_id = home) > 1 then
        return 'person';
      end if;
      foreach of_table in array backup_tables() loop
        if not of_table = any ('{workshop,person,credential,event,groove}') then
          execute format('select exists (select from %I r where ', of_table) || rows_of_workshop(of_table) || ')' into is_there using home;
          if is_there then
            return of_table;
          end if;
        end if;
      end loop;
      if exists (select from groove where workshop_id = home and not (save_number = 1 and title = any (starters))) then
        return 'groove';
      end if;
      delete from groove where workshop_id = home;
      insert into restoring (workshop_id, transaction_id) values (home, pg_current_xact_id())
        on conflict (workshop_id) do update set transaction_id = excluded.transaction_id, has_changes = false;
      return null;
    end
  $$;

-- Keeps rows of a table as they were, all in the one workshop; each may point at rows of this workshop alone. What the owner who
-- restores has set for signing in stays.
create function restore_rows(of_table text, given text[]) returns void
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      home uuid := signed_in_workshop();
      me uuid := signed_in_person();
      rows jsonb;
      columns text;
      unknown text;
      points record;
      is_foreign boolean;
    begin
      if not exists (select from restoring where workshop_id = home and transaction_id = pg_current_xact_id())
        or not signed_in_owner() or not of_table = any (backup_tables()) then
        raise insufficient_privilege using message = 'nothing is being restored';
      end if;
      select jsonb_agg(one::jsonb || case when exists (select from pg_attribute where attrelid = of_table::regclass and attname = 'workshop_id')
          then jsonb_build_object('workshop_id', home) else '{}' end)
        into rows from unnest(given) one;
      if of_table = 'workshop' then
        update workshop set name = w.name, place = w.place, settings = w.settings, settings_number = w.settings_number, created_at = w.created_at
          from jsonb_populate_recordset(null::public.workshop, rows) w where workshop.id = home;
        return;
      end if;

      select string_agg(distinct key, ', ') into unknown
        from jsonb_array_elements(rows) one, jsonb_object_keys(one) key
        where not exists (select from pg_attribute where attrelid = of_table::regclass and attname = key and attnum > 0 and not attisdropped);
      if unknown is not null then
        raise undefined_column using message = unknown;
      end if;
      -- Most references hold the workshop too and cannot leave it; these do not.
      for points in
        select a.attname as by_column, c.confrelid::regclass as to_table
        from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
        where c.conrelid = of_table::regclass and c.contype = 'f' and array_length(c.conkey, 1) = 1 and c.confrelid <> 'workshop'::regclass
      loop
        execute format('select exists (select from jsonb_array_elements($1) one join %s there on there.id = (one->>%L)::uuid where there.workshop_id <> $2)',
          points.to_table, points.by_column) into is_foreign using rows, home;
        if is_foreign then
          raise foreign_key_violation using message = 'points out of the workshop';
        end if;
      end loop;

      if of_table = 'event' then
        update restoring set has_changes = true where workshop_id = home and not has_changes;
        if found then
          delete from event where workshop_id = home;
        end if;
      end if;
      if of_table = 'credential' then
        select coalesce(jsonb_agg(one), '[]') into rows from jsonb_array_elements(rows) one where (one->>'person_id')::uuid <> me;
      end if;
      -- What the database works out by itself is not written, and changes are numbered anew in their order.
      select string_agg(quote_ident(attname), ', ') into columns from pg_attribute
        where attrelid = of_table::regclass and attnum > 0 and not attisdropped and attgenerated = '' and attidentity = '' and rows->0 ? attname;
      if of_table = 'person' then
        execute format('update person set (%1$s) = (select %1$s from jsonb_populate_recordset(null::public.person, $1) r where r.id = $2) where id = $2
          and exists (select from jsonb_populate_recordset(null::public.person, $1) r where r.id = $2)', columns) using rows, me;
        select coalesce(jsonb_agg(one), '[]') into rows from jsonb_array_elements(rows) one where (one->>'id')::uuid <> me;
      end if;
      execute format('insert into %1$I (%2$s) select %2$s from jsonb_populate_recordset(null::public.%1$I, $1) r', of_table, columns)
        || case when of_table = 'event' then ' order by r.id' else '' end using rows;
      -- What the database notes by itself as these come stands in the file, and comes later.
      if of_table = 'person' then
        delete from teaching where workshop_id = home;
      elsif of_table = 'lesson_screen' then
        delete from lesson_groove where workshop_id = home;
      end if;
    end
  $$;

create function restore_end() returns void
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      home uuid := signed_in_workshop();
    begin
      delete from event where workshop_id = home
        and exists (select from restoring where workshop_id = home and transaction_id = pg_current_xact_id() and not has_changes);
      delete from restoring where workshop_id = home and transaction_id = pg_current_xact_id();
      if found then
        insert into event (workshop_id, by_person, kind) values (home, signed_in_person(), 'restored');
      end if;
    end
  $$;

-- Takes the demo away: its people, what they played and what was set; the owner who does it begins a workshop of their own there,
-- with the demo's grooves and drills if they wish.
create function leave_demo(workshop_name text, owner_name text, owner_sign_in text, hash text, keeps_grooves boolean) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      home uuid := signed_in_workshop();
      me uuid := signed_in_person();
      every text[] := backup_tables();
    begin
      perform from workshop where id = home and is_demo for update;
      if not found or not signed_in_owner() then
        return false;
      end if;
      for at in reverse array_length(every, 1)..1 loop
        if every[at] <> 'workshop' and every[at] <> 'person' and not (keeps_grooves and every[at] in ('groove', 'drill')) then
          execute format('delete from %I r where ', every[at]) || rows_of_workshop(every[at]) using home;
        end if;
      end loop;
      update groove set made_by = me where workshop_id = home;
      update drill set made_by = me where workshop_id = home;
      delete from feed where workshop_id = home;
      delete from device where person_id = me;
      delete from session where person_id = me
        and token_hash is distinct from sha256(convert_to(current_setting('mochila.session', true), 'UTF8'));
      delete from person where workshop_id = home and id <> me;
      update person set name = owner_name, sign_in_name = lower(owner_sign_in), age = null, goals = '', limits = null where id = me;
      insert into credential (person_id, password_hash) values (me, hash);
      update workshop set name = workshop_name, place = '', is_demo = false, handle = handle_for(workshop_name),
          settings = jsonb_strip_nulls(jsonb_build_object('version', 1, 'timeZone', settings->'timeZone')), settings_number = settings_number + 1
        where id = home;
      update installation set kind = 'own' where not exists (select from workshop where is_demo);
      delete from event where workshop_id = home;
      insert into event (workshop_id, by_person, kind) values (home, me, 'demo removed');
      return true;
    end
  $$;

revoke execute on function backup_tables(), rows_of_workshop(text), backup_pieces(text), backup_rows(text, integer), backup_made(), restore_begin(text[]),
  restore_rows(text, text[]), restore_end(), leave_demo(text, text, text, text, boolean) from public;
grant execute on function backup_tables(), backup_pieces(text), backup_rows(text, integer), backup_made(), restore_begin(text[]),
  restore_rows(text, text[]), restore_end(), leave_demo(text, text, text, text, boolean) to mochila_web;
