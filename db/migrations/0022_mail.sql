-- Mail: an address where a person gave one, and what was written to it. Of children none is kept.

create table mail_address (
  person_id     uuid primary key,
  workshop_id   uuid not null references workshop,
  address       text not null check (address ~ '^[^\s@]+@[^\s@]+$' and length(address) <= 254),
  -- Whether a summary of the week is wanted.
  wants_summary boolean not null default false,
  foreign key (person_id, workshop_id) references person (id, workshop_id) on delete cascade
);
create table mail (
  id          uuid primary key,
  workshop_id uuid not null references workshop,
  written_by  uuid not null,
  -- Whom it is about, and who gets it unless somebody else does.
  about       uuid,
  kind        text not null check (kind in ('invitation', 'lesson', 'summary')),
  address     text not null check (address ~ '^[^\s@]+@[^\s@]+$' and length(address) <= 254),
  subject     text not null check (length(subject) between 1 and 200),
  body        text not null check (length(body) <= 8000),
  written_at  timestamptz not null default now(),
  -- When a server took it, or why none did; neither where it only lies in the simulated mailbox.
  sent_at     timestamptz,
  failed      text check (length(failed) <= 400),
  foreign key (written_by, workshop_id) references person (id, workshop_id),
  foreign key (about, workshop_id) references person (id, workshop_id) on delete cascade
);
create index mail_by_workshop on mail (workshop_id, written_at desc);

alter table mail_address enable row level security;
alter table mail enable row level security;
grant select, insert, update (address, wants_summary), delete on mail_address to mochila_web;
grant select, insert, update (sent_at, failed, body), delete on mail to mochila_web;

-- One's own to give; the teachers of a student write to it.
create policy see_address on mail_address for select to mochila_web using (
  person_id = (select signed_in_person()) or person_id in (select students_taught())
);
create policy give_address on mail_address for insert to mochila_web with check (
  person_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
  and exists (select from person p where p.id = person_id and p.age is distinct from 'under 12')
);
create policy change_address on mail_address for update to mochila_web using (person_id = (select signed_in_person()));
create policy take_address_back on mail_address for delete to mochila_web using (person_id = (select signed_in_person()));

-- Who wrote it sees it, and an owner.
create policy see_mail on mail for select to mochila_web using (
  written_by = (select signed_in_person()) or ((select signed_in_owner()) and workshop_id = (select signed_in_workshop()))
);
create policy write_mail on mail for insert to mochila_web with check (
  (select signed_in_teacher()) and written_by = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
  and (about is null or may_invite(about) or about in (select students_taught()))
);
create policy mark_mail on mail for update to mochila_web using (written_by = (select signed_in_person()));
create policy drop_mail on mail for delete to mochila_web using (
  written_by = (select signed_in_person()) or ((select signed_in_owner()) and workshop_id = (select signed_in_workshop()))
);
