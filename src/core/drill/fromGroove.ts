import { writeGroove } from '../documents/groove';
import { type Groove } from '../groove/groove';
import { type Limb } from '../groove/limbs';
import { limbsIn } from '../groove/kit';
import { formatMeter } from '../grid/meter';
import { accents } from './families/accents';
import { buildUp } from './families/buildUp';
import { displacement } from './families/displacement';
import { hardBar } from './families/hardBar';
import { reRate } from './families/reRate';
import type { Family } from './family';
import { usualRule } from './rule';
import { type Rule } from '../documents/rule';

/** What can be made of a groove, in plain words. */
export const MADE_OF_GROOVE = {
  'displace it': displacement,
  'write it in other notes': reRate,
  'build it up limb by limb': buildUp,
  'move its accents': accents,
  'its hardest bar alone': hardBar,
} as unknown as Readonly<Record<string, Family>>;
export type MadeOfGroove = keyof typeof MADE_OF_GROOVE;

/** The usual drill of that kind of a groove: in its meter, grid, feel and tempo, with nothing else under it. */
export const drillOf = (groove: Groove, what: MadeOfGroove): Rule =>
  usualRule(MADE_OF_GROOVE[what]!, {
    ...settingsLike(groove),
    params: { figure: writeGroove(groove) },
    ostinato: '',
  });

/** What a drill takes over from a groove that it is made of, or made over. */
export const settingsLike = (groove: Groove): Pick<Rule, 'meter' | 'parts' | 'reading' | 'goal' | 'swing'> => ({
  ...gridOf(groove, 0),
  reading: groove.reading,
  goal: groove.tempo,
  swing: groove.swing,
});

/** The limbs of a groove that go on under a drill: all but the one it trains, or all when none is left. */
export function limbsUnder(groove: Groove, trained: Limb | undefined): Limb[] {
  const limbs = limbsIn(groove);
  const others = limbs.filter((limb) => limb !== trained);
  return others.length ? others : limbs;
}

/** The meter of a bar and the parts of its most divided count. */
export function gridOf({ bars }: Pick<Groove, 'bars'>, bar: number): { meter: string; parts: number } {
  const { meter, cells } = bars[bar]!;
  const grouped = meter.grouping ? ` (${meter.grouping.join('+')})` : '';
  return {
    meter: `${formatMeter(meter)}${grouped}`,
    parts: Math.max(...cells.filter(({ counts }) => counts === 1).map(({ parts }) => parts), 1),
  };
}
