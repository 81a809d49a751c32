-- Charts: the form of a tune, written out to be played. Like a drill it lies beside the groove that holds its bars, so that it is
-- practised, set and logged as a groove is.
alter table groove add column chart jsonb;
alter table groove add column chart_bars integer generated always as (
  case when chart ->> 'bars' ~ '^\d{1,5}$' then (chart ->> 'bars')::integer end) stored;
alter table groove add constraint one_of_drill_and_chart check (drill is null or chart is null);

grant update (chart) on groove to mochila_web;

-- The chart of a tune.
alter table tune add column chart_id uuid;
alter table tune add constraint tune_chart foreign key (chart_id, workshop_id) references groove (id, workshop_id);
create unique index tune_by_chart on tune (chart_id);
grant update (chart_id) on tune to mochila_web;
