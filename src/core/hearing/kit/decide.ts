import type { Surface } from '../../groove/limbs';
import { HOP } from '../dsp/bands';
import type { Expected, SurfaceScore } from './scoreSurfaces';
import { confidence, type Network } from '../dsp/network';
import type { Decide } from './surfaces';
import weights from './weights.json';
import { withWritten } from './written';

/**
 * What `bench/heard/train` made, see docs/hearing.md: at the first look, at the second from what is heard alone, and
 * with what is written.
 */
const { first, blind, informed } = weights as Record<'first' | 'blind' | 'informed', Network> & { version: number };

/** As likely as this at the first look, a surface is looked at again. */
const PLAUSIBLE = 0.05;
export const isPlausible = ({ facts }: SurfaceScore): boolean => confidence(first, facts) >= PLAUSIBLE;

export const DECIDE_BLIND: Decide = ({ facts }) => confidence(blind, facts);

/** So sure one must be of a stroke that is not written where what is written is what is played, and where it is not. */
const SURE_ALONE = { 'as written': 0.93, otherwise: 0.6 };
/** What is played is what is written where so much of what is heard alone lies near its written place. */
const AS_WRITTEN = 0.6;
const NEAR_MS = 20;
/** Written strokes so far from a look are known of there. */
const ABOUT_MS = 90;

/** The written strokes of a span, by halving: they are in order. */
function writtenAbout(written: readonly Expected[], ms: number, reach: number): readonly Expected[] {
  let [from, to] = [0, written.length];
  while (from < to) {
    const middle = (from + to) >> 1;
    if (written[middle]!.ms < ms - reach) from = middle + 1;
    else to = middle;
  }
  while (to < written.length && written[to]!.ms <= ms + reach) to++;
  return written.slice(from, to);
}

/**
 * With what is written, in order, on the clock of the looks, and what was `heard` alone. What is heard alone may be
 * enough: notes that are not those that were played must not make anybody deaf.
 */
export function decideInformed(
  written: readonly Expected[],
  heard: readonly { sample: number; surface: Surface }[],
): Decide {
  const isWritten = ({ sample, surface }: (typeof heard)[number]) =>
    writtenAbout(written, sample / HOP, NEAR_MS).some((one) => one.surface === surface);
  const share = heard.length ? heard.filter(isWritten).length / heard.length : 1;
  const alone = SURE_ALONE[share >= AS_WRITTEN ? 'as written' : 'otherwise'];
  return (look, candidate) => {
    const sure = confidence(informed, withWritten(look, writtenAbout(written, look.sample / HOP, ABOUT_MS)));
    const blind = DECIDE_BLIND(look, candidate);
    return blind >= alone ? Math.max(sure, blind) : sure;
  };
}
