import { randomInt } from 'node:crypto';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { limbsIn, turnFor } from '@/core/groove/kit';
import { Room } from '@/features/room/Room';
import { settingsAsked } from '@/features/room/settings';
import { MOST_SEED } from '@/core/limits';
import { freshSeed } from '@/core/practice/atSight';
import { firstClimb } from '@/core/plan/ladder';
import { ladderOf } from '@/server/ladders';
import { homework } from '@/server/assignments';
import { groove } from '@/server/grooves';
import { seedsRead } from '@/server/keepTake';
import { toleranceOfPerson } from '@/server/people';
import { asPerson, requirePerson } from '@/server/session';
import { sentence } from '@/core/result';
import { askedOnce } from '@/ui/asked';
import { Page } from '@/ui/Page';
import { Unreadable } from '@/ui/Unreadable';

export const metadata = { title: 'Room' };

interface RoomPageProps {
  params: Promise<{ groove: string }>;
  searchParams: Promise<{ bpm?: string; click?: string; limbs?: string; bars?: string; set?: string }>;
}

export default async function RoomPage({ params, searchParams }: RoomPageProps) {
  const [who, id, given] = [
    await requirePerson(),
    z.uuid().safeParse((await params).groove),
    await askedOnce(searchParams),
  ];
  if (!id.success) notFound();
  const { found, set, kept, spent } = await asPerson(async (db) => {
    const open = (await homework(db, [who.id], { timeZone: who.settings.timeZone })).filter(
      (one) => one.groove_id === id.data,
    );
    const item = await groove(db, id.data);
    return {
      found: item,
      spent: item?.at_sight ? await seedsRead(db, who.id, id.data) : [],
      kept: await ladderOf(db, who.id, id.data, new Date()),
      // The same groove may be set twice, at two tempos: the one that was opened, else the newest.
      set: open.find((one) => one.id === given.set) ?? open[0],
    };
  });
  if (!found) notFound();
  const { content } = found;
  if ('unreadable' in content)
    return (
      <Page title={found.title}>
        <Unreadable what="This groove" problem={content.unreadable} />
      </Page>
    );
  const { drill, chart, sight } = content;
  const turned = turnFor(content.groove, who.setup);
  const usual = firstClimb(drill?.rule.ladder, set?.tempo ?? content.groove.tempo);
  // A ladder that was set goes before the drill's own and the usual one; its goal is the tempo that is set.
  const ladder =
    set && set.ladder_start !== null && set.ladder_step !== null
      ? { start: set.ladder_start, step: set.ladder_step, goal: set.tempo }
      : undefined;
  const first = ladder ? { ...usual, ladder: { ...usual.ladder, ...ladder } } : usual;
  const bars =
    set && set.bar_from !== null && set.bar_to !== null ? `${set.bar_from + 1}-${set.bar_to + 1}` : undefined;
  const asked = settingsAsked({ bars, ...given }, limbsIn(turned), turned.bars.length - 1);
  return (
    <Room
      key={set?.id}
      playerId={who.id}
      tolerance={toleranceOfPerson(who)}
      school={who.school}
      report={who.report}
      grooveId={found.id}
      groove={turned}
      limits={who.limits ?? who.settings.limits}
      drill={drill && { ...drill, groove: turned }}
      chart={chart && { ...chart, groove: turned }}
      sight={
        sight && { plan: sight, setup: who.setup, spent, first: freshSeed(sight, spent, () => randomInt(MOST_SEED)) }
      }
      assignment={
        set && {
          id: set.id,
          tempo: set.tempo,
          click: set.click,
          reason: set.reason,
          minutes: set.minutes,
          todayMs: set.today_ms,
        }
      }
      climb={kept?.climb.ok ? kept.climb.value : first}
      step={kept?.step ?? 0}
      said={
        kept?.climb.ok === false
          ? `The ladder that was kept cannot be read, so the usual one stands here. ${sentence(kept.climb.problems[0]!)}`
          : undefined
      }
      asked={{ ...asked, ...(ladder && !sight && !given.bpm && { way: 'ladder' as const }) }}
    />
  );
}
