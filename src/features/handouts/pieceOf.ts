import { turnFor } from '@/core/groove/kit';
import type { Setup } from '@/core/groove/limbs';
import { firstClimb, rungsOf } from '@/core/plan/ladder';
import type { Bpm } from '@/core/time/units';
import type { Assignment } from '@/server/assignments';
import type { StoredGroove } from '@/server/grooves';
import { chartFactsInWords } from '@/ui/words/charts';
import { tempoInWords } from '@/ui/words/figures';
import { drillFactsOf, drillInWords, factsOf, grooveInWords } from '@/ui/words/grooves';
import { setInWords } from '@/ui/words/homework';
import type { HandoutPiece } from './piece';

/**
 * A groove, drill or chart as it stands on a handout for somebody's kit, as it is set for them; undefined where it
 * cannot be read.
 */
export function pieceOf(stored: StoredGroove, setup: Setup, set?: Assignment): HandoutPiece | undefined {
  if ('unreadable' in stored.content) return undefined;
  const { drill, chart, groove } = stored.content;
  const turned = turnFor(groove, setup);
  // Of a groove only the bars that are set.
  const isPart = !drill && !chart && set && set.bar_from !== null && set.bar_to !== null;
  const bars = isPart ? turned.bars.slice(set.bar_from!, set.bar_to! + 1) : turned.bars;
  const written = { ...turned, bars };
  return {
    title: stored.title,
    facts: factsIn(stored, written),
    groove: written,
    ...(drill && { drill: { ...drill, groove: turned } }),
    ...(chart && { chart: { ...chart, groove: turned } }),
    tempos: temposOf(stored, set),
    ...(set && { set: setInWords(set), reason: set.reason }),
    href: `/room/${stored.id}${set ? `?set=${set.id}` : ''}`,
  };
}

function factsIn({ content }: StoredGroove, groove: HandoutPiece['groove']): string {
  if ('unreadable' in content) return '';
  const { drill, chart } = content;
  if (chart) return chartFactsInWords(chart);
  const facts = drill ? drillInWords(drillFactsOf(drill)) : grooveInWords(factsOf(groove));
  return `${facts} · ${tempoInWords(groove.tempo)} bpm`;
}

/**
 * The tempos of the ladder that is set, else of the drill's own or of the usual one up to its tempo; a chart has its
 * own.
 */
function temposOf({ content }: StoredGroove, set: Assignment | undefined): Bpm[] {
  if ('unreadable' in content || (content.chart && !set)) return [];
  if (set && set.ladder_start !== null && set.ladder_step !== null)
    return rungsOf({ start: set.ladder_start, goal: set.tempo, step: set.ladder_step });
  return rungsOf(firstClimb(content.drill?.rule.ladder, set?.tempo ?? content.groove.tempo).ladder);
}
