import { notFound } from 'next/navigation';
import { z } from 'zod';
import { BesideView } from '@/features/takes/BesideView';
import { TakeView } from '@/features/takes/TakeView';
import type { Db } from '@/server/database';
import { recordingOf } from '@/server/recordings';
import { asPerson, requirePerson } from '@/server/session';
import { takeOfDayBefore, takesBeside } from '@/server/takeFigures';
import { notesOf } from '@/server/takeNotes';
import { take } from '@/server/takes';
import { askedOnce } from '@/ui/asked';
import { Page } from '@/ui/Page';
import { readerOf, type Reader } from '@/ui/reader';
import { Unreadable } from '@/ui/Unreadable';

export const metadata = { title: 'Take' };

interface TakePageProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ beside?: string }>;
}

export default async function TakePage({ params, searchParams }: TakePageProps) {
  const [who, id] = [await requirePerson(), z.uuid().safeParse((await params).id)];
  const beside = z.uuid().safeParse((await askedOnce(searchParams)).beside);
  // Another's take and one that never was are answered alike.
  if (!id.success) notFound();
  const shown = await asPerson((db) => shownOf(db, id.data, readerOf(who), beside.data));
  if (!shown) notFound();
  const { now, other, others, ...more } = shown;
  const [own, its] = [read(now), other && read(other)];
  if ('problem' in own) return own.problem;
  if (its && 'problem' in its) return its.problem;
  if (its) return <BesideView now={own} before={its} others={others} reader={readerOf(who)} />;
  return <TakeView {...own} {...more} others={others} reader={readerOf(who)} readerId={who.id} />;
}

type Found = NonNullable<Awaited<ReturnType<typeof take>>>;

/** A take with its row, or a page that says why it cannot be read. */
function read({ take: found, ...row }: Found) {
  if (found.ok) return { row, take: found.value };
  return {
    problem: (
      <Page title={row.title || 'Take'}>
        <Unreadable what="This take" problem={found.problems[0]!} />
      </Page>
    ),
  };
}

/** What the page shows of a take; beside it another one of the same player and groove, and nothing else. */
async function shownOf(db: Db, id: string, { clock: { timeZone } }: Reader, besideId?: string) {
  const now = await take(db, id);
  if (!now) return undefined;
  const other = besideId ? await take(db, besideId) : undefined;
  if (besideId && (other?.player_id !== now.player_id || other.groove_id !== now.groove_id)) return undefined;
  return {
    now,
    other,
    notes: await notesOf(db, id),
    recording: await recordingOf(db, id),
    before:
      now.struck_by === 'player' && now.input !== 'nothing' ? await takeOfDayBefore(db, now, timeZone) : undefined,
    others: await takesBeside(db, now),
  };
}
