-- An owner takes over what a teacher who is archived leaves behind: students who would have nobody, the times they come at, and what is planned.
-- What was held stays theirs who held it.
create function take_over(from_teacher uuid) returns boolean
  language plpgsql security definer set search_path = public, pg_temp
  as $$
    declare
      home uuid := signed_in_workshop();
      me uuid := signed_in_person();
    begin
      if not signed_in_owner() or not exists (
        select from person where id = from_teacher and workshop_id = home and role = 'teacher' and archived_at is not null
      ) then
        return false;
      end if;
      insert into teaching (student_id, teacher_id, workshop_id)
        select t.student_id, me, home from teaching t
        where t.teacher_id = from_teacher and not exists (
          select from teaching o join person p on p.id = o.teacher_id
          where o.student_id = t.student_id and o.teacher_id <> from_teacher and p.archived_at is null)
        on conflict do nothing;
      delete from teaching where teacher_id = from_teacher;
      update lesson_time set teacher_id = me where teacher_id = from_teacher;
      update lesson set teacher_id = me where teacher_id = from_teacher and state = 'planned';
      return true;
    end
  $$;
revoke execute on function take_over(uuid) from public;
grant execute on function take_over(uuid) to mochila_web;
