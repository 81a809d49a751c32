-- Whom a name means at the door: "ada@boathouse", or "ada" alone; where a few of several workshops are called so, the password says who.
-- So nobody has to write more than before because somebody elsewhere chose the same name.
create or replace function door_named(name_given text) returns setof person
  language sql stable security definer set search_path = public, pg_temp
  as $$
    with meant as (
      select p.* from person p join workshop w on w.id = p.workshop_id
      where p.sign_in_name || '@' || w.handle = name_given and p.archived_at is null),
    alone as (select p.* from person p where p.sign_in_name = name_given and p.archived_at is null limit 5)
    select * from meant
    union all
    select * from alone where not exists (select from meant) and (select count(*) from alone) < 5
  $$;
