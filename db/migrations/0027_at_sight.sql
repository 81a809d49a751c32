-- What is read at sight: the plan by which a line or a short chart is drawn anew each time. The row's own bars are one of them, as an example.
alter table groove add column at_sight jsonb;
alter table groove add constraint at_sight_alone check (at_sight is null or (drill is null and chart is null));

-- The seed of the line that was read: from it and the plan its bars can be drawn again, and the next line is another.
alter table take add column sight_seed integer check (sight_seed >= 0);
create index take_at_sight on take (player_id, groove_id, played_at desc) where sight_seed is not null;
