/**
 * How well strokes are heard: on kits, in rooms and with voices that nothing was learnt from. `KITS=40` measures more.
 * Every figure has its row in docs/hearing.md.
 */
import type { Surface } from '../src/core/groove/limbs';
import { RATE } from '../src/core/hearing/dsp/bands';
import { isAudible, findStrokes, learnKit, LiveHearing, type HeardStroke, type Kit } from '../src/core/hearing/index';
import { madeLine, madeGroove, recordedTake, type TrueStroke } from '../src/core/testing/recordedTakes';
import { withClick } from './heard/clicked';
import { firstBands, measuring, recordedGroove, type Recorded } from './heard/corpus';
import { heardOnsets, onsetsOf, paired, Tally } from './heard/score';
import { printTable } from './table';

const KITS = Number(process.env.KITS ?? 12);
const NOISES_DB = [40, 25, 15];
const LIMB_MS = 20;
const ONSET_MS = 10;
/** Strokes within so much of each other are one moment. */
const TOGETHER_MS = 12;

const near = (a: { ms: number }, b: { ms: number }, within: number) => Math.abs(a.ms - b.ms) < within;

lines();
kits();
clicks();
speed();

/** Lines on one surface: nothing known of kit or notes. */
function lines(): void {
  const rows = NOISES_DB.map((noiseDb) => {
    const tally = new Tally();
    for (let seed = 0; seed < 3 * KITS; seed++) {
      const surface: Surface = seed % 2 ? 'snare' : 'pad';
      const setting = { ...measuring(seed, noiseDb, ['pad', 'snare']) };
      const take = recordedTake(madeLine(seed, surface, 12), setting, firstBands);
      const heard = findStrokes(take.samples, RATE);
      // What nobody could have heard in that noise is no miss.
      const pairs = paired(take.strokes, heard, ONSET_MS, false);
      const judged = take.strokes.filter((stroke) => stroke.isAudible || pairs.has(stroke));
      tally.match('all', pairs.size, take.strokes.length, heard.length);
      tally.match('F', pairs.size, judged.length, heard.length);
      for (const stroke of judged) {
        if (stroke.role !== 'main') tally.one(stroke.role, pairs.has(stroke));
        else if (stroke.height === 'ghost') tally.one('ghost', pairs.has(stroke));
      }
      for (const [stroke, one] of pairs) tally.add('off', Math.abs(one.ms - stroke.ms));
    }
    return [
      noiseDb,
      tally.share('all'),
      tally.share('F'),
      tally.at('off', 0.5),
      tally.at('off', 0.95),
      tally.share('grace'),
      tally.share('second'),
      tally.share('ghost'),
    ].map((value) => Number(value.toFixed(3)));
  });
  printTable(
    'pad or snare alone, nothing known',
    [
      'noise, dB under',
      'F ±10 of all',
      'F ±10 of audible',
      'median ms',
      'p95 ms',
      'graces',
      'second strokes',
      'ghosts',
    ],
    rows,
  );
}

type How = 'blind' | 'informed' | 'live' | 'live, informed';

function heardHow(take: Recorded, how: How): HeardStroke[] {
  const options = {
    kit: learnKit(take.calibration),
    ...(how.includes('informed') && { expected: take.expected }),
  };
  if (!how.startsWith('live')) return findStrokes(take.samples, RATE, options);
  const live = new LiveHearing(RATE, options);
  const told: HeardStroke[] = [];
  for (let from = 0; from < take.samples.length; from += 480)
    told.push(...live.feed(take.samples.subarray(from, from + 480)));
  return told;
}

/** Whole kits, heard once before, from one microphone. */
function kits(): void {
  const hows: How[] = ['blind', 'informed', 'live', 'live, informed'];
  const tallies = new Map(hows.map((how) => [how, new Tally()]));
  for (let seed = 0; seed < KITS; seed++)
    for (const noiseDb of NOISES_DB) {
      const take = recordedGroove(measuring(seed, noiseDb), seed, 14);
      for (const how of hows) tallied(tallies.get(how)!, take, heardHow(take, how), seed);
    }
  const row = (name: string, of: (tally: Tally) => number) => [
    name,
    ...hows.map((how) => {
      const value = of(tallies.get(how)!);
      return Number.isNaN(value) ? '–' : value.toFixed(3);
    }),
  ];
  printTable(
    `whole kits (${KITS} kits, three noises)`,
    ['', ...hows],
    [
      row('onset F ±10 ms', (t) => t.share('onset')),
      row('limb F ±20 ms, of all', (t) => t.share('limb')),
      row('limb F ±20 ms, of audible', (t) => t.share('limb, audible')),
      row('limb precision', (t) => t.share('precision')),
      row('recall of audible', (t) => t.share('recall')),
      row('coincident and audible: the right set', (t) => t.share('right set')),
      row('coincident: a wrong limb', (t) => t.share('wrong limb')),
      row('left out and yet heard', (t) => t.share('made up')),
      ...NOISES_DB.map((noiseDb) => row(`audible ghosts, noise ${noiseDb}`, (t) => t.share(`ghosts ${noiseDb}`))),
      row('loudness within 2 dB', loudnessWithin),
      row('time, median ms', (t) => t.at('off', 0.5)),
      row('time, p95 ms', (t) => t.at('off', 0.95)),
      row('time in a coincidence, median ms', (t) => t.at('off together', 0.5)),
      row('time in a coincidence, p95 ms', (t) => t.at('off together', 0.95)),
      row('played, unheard, and said so', (t) => t.share('cannot tell')),
      row('left out, and said so', (t) => t.share('missed')),
    ],
  );
}

function tallied(tally: Tally, take: Recorded, heard: HeardStroke[], seed: number): void {
  const { strokes, expected, noiseDb } = take;
  const onsets = onsetsOf(strokes);
  const found = heardOnsets(heard);
  tally.match('onset', paired(onsets, found, ONSET_MS, false).size, onsets.length, found.length);
  const pairs = paired(strokes, heard, LIMB_MS, true);
  const used = new Set(pairs.values());
  const audible = strokes.filter((stroke) => stroke.isAudible || pairs.has(stroke));
  tally.match('limb', pairs.size, strokes.length, heard.length);
  tally.match('limb, audible', pairs.size, audible.length, heard.length);
  for (const one of heard) tally.one('precision', used.has(one));
  for (const stroke of strokes) {
    const one = pairs.get(stroke);
    if (stroke.isAudible) tally.one('recall', Boolean(one));
    if (stroke.isAudible && stroke.height === 'ghost') tally.one(`ghosts ${noiseDb}`, Boolean(one));
    if (!one) continue;
    const off = Math.abs(one.ms - stroke.ms);
    tally.add('off', off);
    if (strokes.some((other) => other !== stroke && near(other, stroke, TOGETHER_MS))) tally.add('off together', off);
    tally.add(`level ${stroke.surface} ${seed} ${noiseDb}`, one.levelDb - stroke.db);
  }
  for (const group of momentsOf(strokes)) {
    if (group.length < 2 || !group.every(({ isAudible }) => isAudible)) continue;
    const written = new Set<string>(group.map(({ surface }) => surface));
    const about = heard.filter((one) => group.some((stroke) => near(one, stroke, LIMB_MS)));
    const wrong = about.filter((one) => !written.has(one.surface!) && !used.has(one));
    const right = group.every((stroke) => about.some((one) => one.surface === stroke.surface));
    tally.one('right set', right && !wrong.length);
    tally.one('wrong limb', wrong.length > 0);
  }
  const could = isAudible(take.samples, RATE, learnKit(take.calibration), expected);
  for (const [index, one] of expected.entries()) {
    const isHeard = heard.some(
      (each) => each.surface === one.surface && near(each, one, LIMB_MS) && (one.isPlayed || !used.has(each)),
    );
    if (!one.isPlayed) tally.one('made up', isHeard);
    if (!isHeard) tally.one(one.isPlayed ? 'cannot tell' : 'missed', one.isPlayed ? !could[index] : could[index]!);
  }
}

/** Strokes that are struck together. */
function momentsOf(strokes: readonly TrueStroke[]): TrueStroke[][] {
  const moments: TrueStroke[][] = [];
  for (const stroke of strokes.toSorted((a, b) => a.ms - b.ms)) {
    const last = moments.at(-1);
    if (last && near(last[0]!, stroke, TOGETHER_MS)) last.push(stroke);
    else moments.push([stroke]);
  }
  return moments;
}

/** Against the middle of its surface in that recording: what a level is counted from is nobody's to say. */
function loudnessWithin(tally: Tally): number {
  let [within, all] = [0, 0];
  for (const values of tally.groups('level ')) {
    const middle = values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
    if (values.length < 4) continue;
    all += values.length;
    within += values.filter((value) => Math.abs(value - middle) <= 2).length;
  }
  return within / all;
}

/** A click from a loudspeaker in the room, counted in. */
function clicks(): void {
  const hows = ['not taken out', 'taken out', 'taken out, informed'] as const;
  const tallies = new Map(hows.map((how) => [how, new Tally()]));
  for (let seed = 0; seed < KITS; seed++)
    for (const bleedDb of [6, 18]) {
      const { take, clicks: sent, echoSample } = withClick(seed, bleedDb, madeGroove(seed, 12));
      const kit = learnKit(take.calibration);
      for (const how of hows) {
        const tally = tallies.get(how)!;
        const heard = findStrokes(take.samples, RATE, {
          kit,
          ...(how !== 'not taken out' && { clicks: sent }),
          ...(how === 'taken out, informed' && { expected: take.expected }),
        });
        for (const ms of echoSample)
          if (!take.strokes.some((stroke) => near(stroke, { ms }, 60)))
            tally.one(
              'lone',
              heard.some((one) => near(one, { ms }, 25)),
            );
        for (const stroke of take.strokes)
          if (stroke.isAudible && echoSample.some((ms) => near(stroke, { ms }, 30)))
            tally.one(
              'on',
              heard.some((one) => one.surface === stroke.surface && near(one, stroke, LIMB_MS)),
            );
      }
    }
  printTable(
    'a click that comes back',
    ['', ...hows],
    [
      ['lone clicks taken for strokes', ...hows.map((how) => tallies.get(how)!.share('lone').toFixed(3))],
      ['strokes on a click found', ...hows.map((how) => tallies.get(how)!.share('on').toFixed(3))],
    ],
  );
}

/** Twenty minutes, and what they cost; the recording itself is 230 MB. */
function speed(): void {
  const take = recordedGroove(measuring(1, 25), 1, 60);
  const minutes = Number(process.env.MINUTES ?? 20);
  const samples = new Float32Array(minutes * 60 * RATE);
  for (let from = 0; from < samples.length; from += take.samples.length)
    samples.set(take.samples.subarray(0, Math.min(take.samples.length, samples.length - from)), from);
  const kit = learnKit(take.calibration);
  const rows = (['alone', 'with a kit', 'with a kit, informed'] as const).map((how) => {
    globalThis.gc?.();
    const before = process.memoryUsage().rss;
    let most = before;
    const start = performance.now();
    findStrokes(samples, RATE, {
      ...(how !== 'alone' && { kit }),
      ...(how === 'with a kit, informed' && { expected: take.expected }),
      onShare: () => (most = Math.max(most, process.memoryUsage().rss)),
    });
    return [how, (60_000 * minutes) / (performance.now() - start), (most - before) / 1e6];
  });
  printTable('twenty minutes', ['', '× real time', 'MB beside the recording'], rows);
  printTable('live', ['', '% of a core'], liveShares(take, kit));
}

/** How much of one core listening takes while it is recorded: all of a take in blocks as a page gets them. */
function liveShares(take: Recorded, kit: Kit): [string, number][] {
  return (['alone', 'with a kit, informed'] as const).map((how) => {
    const live = new LiveHearing(RATE, how === 'alone' ? {} : { kit, expected: take.expected });
    const start = performance.now();
    for (let from = 0; from < take.samples.length; from += 512) live.feed(take.samples.subarray(from, from + 512));
    return [how, (100 * (performance.now() - start)) / ((1000 * take.samples.length) / RATE)];
  });
}
