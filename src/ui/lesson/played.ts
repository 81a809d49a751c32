import type { Told } from '@/core/documents/lessonScreen';
import type { PlayedElsewhere } from './lessonLive';

/** So many strokes stay on the strip. */
const MOST_SHOWN = 200;

/** What is known of another device's playing after it has told something more. */
export function playedAfter(before: PlayedElsewhere | undefined, by: string, told: Told): PlayedElsewhere {
  const { grooveId } = told;
  // Another groove, or another student, begins anew; so does a take.
  const isSame = before?.grooveId === grooveId && before.by === by && told.tells !== 'begun';
  const beads = isSame ? before.beads : [];
  if (told.tells === 'beads') {
    const number = beads.length ? Number(beads.at(-1)!.key) + 1 : 0;
    const more = told.beads.map((bead, at) => ({ ...bead, key: String(number + at) }));
    // The last round fades under this one, those before it are gone.
    const round = more.at(-1)!.round;
    return {
      by,
      grooveId,
      isPlaying: true,
      beads: [...beads.filter((bead) => bead.round >= round - 1), ...more].slice(-MOST_SHOWN),
    };
  }
  if (told.tells === 'begun') return { by, grooveId, isPlaying: true, beads: [] };
  return { by, grooveId, isPlaying: false, beads, ...(told.take && { take: told.take }) };
}
