-- Strokes a second of a student's own hands and feet, in place of the workshop's; and a sign-in name is corrected.
alter table person add column limits jsonb check (limits is null or jsonb_typeof(limits) = 'object');
grant update (limits, sign_in_name) on person to mochila_web;

create function note_person_more() returns trigger
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    begin
      insert into event (workshop_id, by_person, about, kind, detail)
        select new.workshop_id, signed_in_person(), new.id, 'person changed', string_agg(what, ', ')
        from (values
          ('strokes a second', new.limits is distinct from old.limits),
          (format('sign-in name: %s → %s', old.sign_in_name, new.sign_in_name), new.sign_in_name <> old.sign_in_name)
        ) as changed (what, is_changed) where is_changed;
      return null;
    end
  $$;
create trigger person_more_noted after update of limits, sign_in_name on person for each row
  when (new.limits is distinct from old.limits or new.sign_in_name <> old.sign_in_name) execute function note_person_more();
revoke execute on function note_person_more() from public;
