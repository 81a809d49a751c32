-- More plans have names now; which ones there are is the application's to say.
alter table assignment drop constraint assignment_click_check;
alter table assignment add constraint assignment_click_check check (length(click) between 1 and 60);
