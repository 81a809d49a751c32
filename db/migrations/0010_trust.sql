-- Whether the bars of a take are those of its groove, as they stood when it was kept; one that changed them is a take of its own.
alter table take add column as_written boolean not null default true;
create index take_by_arrival on take (player_id, received_at desc);
