import { schoolNamesIn } from '@/core/documents/settings';
import { signOutAction } from '@/features/door/actions';
import { OwnMail } from '@/features/mail/OwnMail';
import { YouPage } from '@/features/you/YouPage';
import { feedMade } from '@/server/calendar';
import { addressesOf } from '@/server/mail';
import { ownSessions } from '@/server/ownSessions';
import { asPerson, requirePerson } from '@/server/session';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'You' };

export default async function You() {
  const who = await requirePerson();
  const { id, name, sign_in_name, workshop } = who;
  return (
    <YouPage
      name={name}
      signInName={sign_in_name}
      workshop={workshop}
      id={id}
      clock={readerOf(who).clock}
      sessions={await asPerson(ownSessions)}
      isDemo={who.is_demo}
      feedMade={await asPerson((db) => feedMade(db, who))}
      mail={
        who.role === 'student' &&
        who.age !== 'under 12' && <OwnMail given={(await asPerson((db) => addressesOf(db, [who.id])))[0]} />
      }
      signOut={signOutAction}
      ways={{ setup: who.setup, school: who.school.name, schools: schoolNamesIn(who.settings), report: who.report }}
    />
  );
}
