import { schoolNamesIn } from '@/core/documents/settings';
import { ImportPeople } from '@/features/people/ImportPeople';
import { StudentForm } from '@/features/people/StudentForm';
import { requireTeacher } from '@/server/session';
import { Page } from '@/ui/Page';

export const metadata = { title: 'Add a student' };

export default async function NewStudentPage() {
  const teacher = await requireTeacher();
  return (
    <Page title="Add a student">
      <StudentForm school={teacher.school.name} schools={schoolNamesIn(teacher.settings)} />
      <ImportPeople school={teacher.school.name} />
    </Page>
  );
}
