import { schedule, type Run, type Schedule, type TimedBar } from './schedule/schedule';

/** A bar of several runs played one after another, and which of them it belongs to. */
export interface PassageBar extends TimedBar {
  run: number;
}

export interface Passage extends Omit<Schedule, 'bars'> {
  bars: PassageBar[];
}

/** Runs played one after another on the bar line, without a gap: straight and swung, plain and accented, limb by limb. Each run brings its own tempo. */
export function backToBack(runs: readonly Run[]): Passage {
  const passage: Passage = { sounds: [], bars: [], countsMs: [], unspoken: 0, startMs: 0, endMs: 0 };
  for (const [run, one] of runs.entries()) {
    const timed = schedule(one);
    // The end of the one before is the start of this one, its count-in included.
    const shift = run === 0 ? 0 : passage.endMs - timed.startMs;
    const barsBefore = passage.bars.filter(({ barInRun }) => barInRun >= 0).length;
    passage.sounds.push(
      ...timed.sounds.map((sound) => ({ ...sound, ms: sound.ms + shift, barInRun: sound.barInRun + barsBefore })),
    );
    passage.bars.push(
      ...timed.bars.map((bar) => ({
        ...bar,
        startMs: bar.startMs + shift,
        endMs: bar.endMs + shift,
        barInRun: bar.barInRun + barsBefore,
        run,
      })),
    );
    passage.countsMs.push(...timed.countsMs.map((ms) => ms + shift));
    passage.unspoken += timed.unspoken;
    if (run === 0) passage.startMs = timed.startMs;
    passage.endMs = timed.endMs + shift;
  }
  passage.sounds.sort((a, b) => a.ms - b.ms);
  return passage;
}
