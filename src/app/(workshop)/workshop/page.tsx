import { clockOf } from '@/core/documents/settings';
import { PersonForm } from '@/features/people/PersonForm';
import { TeachersSection } from '@/features/people/TeachersSection';
import { WorkshopPage } from '@/features/workshop/WorkshopPage';
import { invitationOf } from '@/server/invitations';
import { teachers } from '@/server/teachers';
import { asPerson, requireTeacher } from '@/server/session';
import { lastBackup } from '@/server/workshop';

export const metadata = { title: 'Workshop' };

export default async function Workshop() {
  const teacher = await requireTeacher();
  return asPerson(async (db) => {
    const all = await teachers(db);
    const open: Record<string, Date> = {};
    for (const { id } of teacher.is_owner ? all : []) {
      const invitation = await invitationOf(db, id);
      if (invitation) open[id] = invitation.expires_at;
    }
    return (
      <WorkshopPage
        name={teacher.workshop}
        settings={teacher.settings}
        number={teacher.settings_number}
        unread={teacher.settings_problems}
        lastBackup={await lastBackup(db)}
        isDemo={teacher.is_demo}
        isOwner={teacher.is_owner}
        teachers={
          <TeachersSection
            teachers={all}
            me={teacher.id}
            isOwner={teacher.is_owner}
            openUntil={open}
            clock={clockOf(teacher.settings)}
          />
        }
      >
        <PersonForm person={teacher} />
      </WorkshopPage>
    );
  });
}
