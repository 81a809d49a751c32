import { clockOf } from '@/core/documents/settings';
import { MailPage } from '@/features/mail/MailPage';
import { mailLeaves, mails } from '@/server/mail';
import { asPerson, requireTeacher } from '@/server/session';

export const metadata = { title: 'Mail' };

export default async function Mail() {
  const { settings } = await requireTeacher();
  return <MailPage mails={await asPerson(mails)} leaves={mailLeaves()} clock={clockOf(settings)} />;
}
