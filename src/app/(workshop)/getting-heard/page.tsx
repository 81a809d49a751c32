import { InputSetup } from '@/features/ears/InputSetup';
import { earsKept } from '@/server/ears';
import { asPerson, requirePerson } from '@/server/session';
import { readerOf } from '@/ui/reader';

export const metadata = { title: 'Getting heard' };

export default async function GettingHeardPage() {
  const who = await requirePerson();
  const kept = await asPerson((db) => earsKept(db, who));
  return <InputSetup kept={kept} clock={readerOf(who).clock} />;
}
