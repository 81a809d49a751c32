-- Lists ask for columns, never for documents: what they show of a document is kept beside it by the database itself.
alter table groove
  add column reading text generated always as (coalesce(document ->> 'reading', 'numbers')) stored,
  add column swing jsonb generated always as (document -> 'swing') stored,
  add column bars integer generated always as (
    case jsonb_typeof(document -> 'bars') when 'array' then jsonb_array_length(document -> 'bars') else 0 end) stored,
  add column drill_exercises integer generated always as (
    case when jsonb_typeof(drill -> 'exercises') = 'array' then jsonb_array_length(drill -> 'exercises')
         when jsonb_typeof(drill -> 'parts') = 'array' then jsonb_array_length(drill -> 'parts') end) stored,
  add column drill_repeats integer generated always as (
    case when drill #>> '{rule,repeats}' ~ '^\d{1,3}$' then (drill #>> '{rule,repeats}')::integer end) stored,
  add column drill_pace integer generated always as (
    case when drill #>> '{rule,caller,pace}' ~ '^\d{1,3}$' then (drill #>> '{rule,caller,pace}')::integer end) stored;

alter table drill
  add column goal numeric generated always as (
    case when rule ->> 'goal' ~ '^\d{1,3}(\.\d{1,3})?$' then (rule ->> 'goal')::numeric end) stored,
  add column click text generated always as (rule ->> 'click') stored;

-- Who struck: what the simulated kit plays is shown, and counts for nobody.
alter table take
  add column title text generated always as (coalesce(document #>> '{groove,title}', '')) stored,
  add column struck_by text generated always as (
    case when document ->> 'struckBy' in ('player', 'kit') then document ->> 'struckBy'
         when document ->> 'input' = 'simulated kit' then 'kit' else 'player' end) stored,
  add column not_judgeable integer not null default 0 check (not_judgeable >= 0);
alter table take drop constraint take_input_check;
alter table take add constraint take_input_check
  check (input in ('keys', 'pads', 'MIDI', 'microphone', 'file', 'simulated kit'));

-- A verdict is kept as what it rests on; it is worded for whoever reads it. Those kept as a sentence are judged anew.
alter table take drop column verdict;
alter table take add column verdict jsonb;
create index take_by_judging on take (judge_version);
create index take_by_struck on take (player_id, played_at desc) where struck_by = 'player';

-- The figures of each place of a take, as it is counted: what charts and the next lesson ask for.
create table take_place (
  take_id       uuid not null references take on delete cascade,
  limb          text not null check (limb in ('right hand', 'left hand', 'right foot', 'left foot')),
  bar           smallint not null,
  exercise      smallint,
  count         smallint not null,
  part          smallint not null,
  parts         smallint not null,
  counts        smallint not null,
  matched       integer not null check (matched >= 0),
  missed        integer not null check (missed >= 0),
  mean_error_ms double precision,
  sd_error_ms   double precision,
  primary key (take_id, limb, bar, count, part)
);
alter table take_place enable row level security;
grant select, insert on take_place to mochila_web;
-- Seen with its take, and kept with one's own.
create policy see_places on take_place for select to mochila_web using (
  exists (select from take t where t.id = take_id)
);
create policy keep_own_places on take_place for insert to mochila_web with check (
  exists (select from take t where t.id = take_id and t.player_id = (select signed_in_person()))
);

-- A reason may be left out.
alter table assignment drop constraint assignment_reason_check;
alter table assignment add constraint assignment_reason_check check (length(reason) <= 400);

-- A ladder goes on from the step a window has seen, so that an old window does not overwrite a newer rung.
alter table ladder add column step integer not null default 1;
grant update (step) on ladder to mochila_web;
