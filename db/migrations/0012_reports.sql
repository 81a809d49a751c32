-- The figures of a take beside those by place, each with its interval: what reports, progress and charts ask for. Nothing
-- until the take was judged by the version that draws them up.
alter table take add column figures jsonb;

-- A bad take can be set aside, with why: it stays, and counts for nobody.
alter table take
  add column set_aside_at timestamptz,
  add column set_aside_by uuid references person on delete set null,
  add column set_aside_why text check (length(trim(set_aside_why)) between 1 and 300),
  add constraint set_aside_whole check ((set_aside_at is null) = (set_aside_why is null));
grant update (set_aside_at, set_aside_by, set_aside_why) on take to mochila_web;
create policy set_aside on take for update to mochila_web
  using (
    player_id = (select signed_in_person())
    or ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop())))
  with check (set_aside_by is null or set_aside_by = (select signed_in_person()));
-- Progress and charts look at what a player played of a groove, and that counts.
create index take_that_counts on take (player_id, groove_id, played_at desc) where struck_by = 'player' and set_aside_at is null;

-- Words on a take, of whoever played it or of the teacher; on one bar of it, where one is named.
create table take_note (
  id          uuid primary key,
  take_id     uuid not null references take on delete cascade,
  workshop_id uuid not null references workshop,
  author_id   uuid not null,
  bar         smallint check (bar >= 0),
  words       text not null check (length(trim(words)) between 1 and 500),
  written_at  timestamptz not null default now(),
  foreign key (author_id, workshop_id) references person (id, workshop_id)
);
comment on column take_note.bar is 'Of the run, from 0.';
create index take_note_by_take on take_note (take_id, written_at);
alter table take_note enable row level security;
grant select, insert, delete on take_note to mochila_web;
-- Seen with its take; written to a take one sees, in one's own name, and taken back by whoever wrote it.
create policy see_notes on take_note for select to mochila_web using (exists (select from take t where t.id = take_id));
create policy write_note on take_note for insert to mochila_web with check (
  author_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
  and exists (select from take t where t.id = take_id)
);
create policy take_note_back on take_note for delete to mochila_web using (author_id = (select signed_in_person()));

-- Whether somebody reads of milliseconds, or of late and early in plain words, as children do.
alter table person add column report text not null default 'figures' check (report in ('plain words', 'figures'));
grant update (report), insert (report) on person to mochila_web;

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
