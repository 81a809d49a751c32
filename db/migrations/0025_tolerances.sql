-- How many times what can be heard was tolerated when a take was judged, where a workshop has set another than is usual for the level:
-- what was judged keeps its verdict when the workshop changes its mind, and is judged anew the same.
alter table take add column tolerance_factor double precision check (tolerance_factor between 1 and 8);
