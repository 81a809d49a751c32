-- A groove is saved by itself while it is edited. Each save names the one it started from, so that the
-- second of two windows is told instead of overwriting the first.
alter table groove add column save_number integer not null default 1;
alter table groove add column saved_at timestamptz not null default now();

grant update (title, meter, level, tempo, document_version, document, save_number, saved_at) on groove to mochila_web;
create policy teacher_saves on groove for update to mochila_web
  using ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()))
  with check ((select signed_in_teacher()) and workshop_id = (select signed_in_workshop()));
