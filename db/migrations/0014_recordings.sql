-- The sound of a take, where its player keeps it: heard by them and their teachers, let go after 90 days unless pinned.
create table recording (
  take_id     uuid primary key references take on delete cascade,
  workshop_id uuid not null references workshop,
  player_id   uuid not null,
  kept_at     timestamptz not null default now(),
  is_pinned   boolean not null default false,
  kind        text not null check (kind in ('audio/webm', 'audio/wav')),
  length_ms   integer not null check (length_ms between 1 and 315000),
  zero_ms     double precision not null check (zero_ms between -60000 and 375000),
  sound       bytea not null check (octet_length(sound) between 1 and 10000000),
  bytes       integer not null generated always as (octet_length(sound)) stored,
  foreign key (player_id, workshop_id) references person (id, workshop_id)
);
comment on column recording.zero_ms is 'Where in the sound a stroke on the first count lies.';
-- Sound is compressed already, and a part of it is read without the rest.
alter table recording alter column sound set storage external;
create index recording_by_player on recording (player_id);
create index recording_by_age on recording (kept_at) where not is_pinned;
alter table recording enable row level security;
grant select, insert, delete on recording to mochila_web;
grant update (is_pinned) on recording to mochila_web;
-- Heard with its take, as long as it is kept; kept and dropped by whoever played it; pinned by whoever hears it.
create policy hear_recording on recording for select to mochila_web using (
  (is_pinned or kept_at > now() - interval '90 days') and exists (select from take t where t.id = take_id)
);
create policy keep_own_recording on recording for insert to mochila_web with check (
  player_id = (select signed_in_person()) and workshop_id = (select signed_in_workshop())
  and exists (select from take t where t.id = take_id and t.player_id = (select signed_in_person()))
);
create policy pin_recording on recording for update to mochila_web using (exists (select from take t where t.id = take_id));
create policy drop_own_recording on recording for delete to mochila_web using (player_id = (select signed_in_person()));

-- Lets go what is past its days, whoever's it is: nobody sees it any more.
create function drop_old_recordings() returns integer
  language sql security definer set search_path = public, pg_temp
  as $$
    with gone as (delete from recording where not is_pinned and kept_at <= now() - interval '90 days' returning 1)
    select count(*)::integer from gone
  $$;
revoke execute on function drop_old_recordings() from public;
grant execute on function drop_old_recordings() to mochila_web;
