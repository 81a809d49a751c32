import { describe, expect, test } from 'vitest';
import * as core from './index';

const [school] = core.SCHOOLS;
const TAB = ['HH|x-x-x-x-x-x-x-x-|', 'SD|----o-------o---|', 'BD|o-------o-------|'].join('\n');

const valueOf = <T>(result: core.Result<T>): T => {
  if (!result.ok) throw new Error(core.sentence(result.problems[0]!));
  return result.value;
};
const groove = valueOf(core.readGrooveFile('backbeat.txt', new TextEncoder().encode(TAB))).groove;
const plan: core.Plan = { groove, rounds: 4, bpm: 90, click: core.CLICK_PLANS.counts, countIn: 1 };

/** A take of that plan as a player strikes it whose right foot is 40 ms late. */
function takePlayed(): core.Take {
  const form = core.formOf(plan);
  const timed = core.schedule(form);
  const task = ['right hand', 'left hand', 'right foot'] as const;
  const hits = core.simulateKit({ form, timed }, task, { spreadMs: 6, limbMs: { 'right foot': 40 } }, 7);
  return valueOf(
    core.readTake({
      version: 2,
      groove: core.writeGroove(groove),
      passages: [{ from: 0, bars: 1, times: 4 }],
      rounds: 4,
      bpm: 90,
      click: plan.click,
      countIn: 1,
      task,
      input: 'keys',
      struckBy: 'player',
      playedMs: Math.round(timed.endMs),
      hits,
    }),
  );
}

/** A second with a burst at each of these moments. */
function bursts(...atMs: number[]): Float32Array {
  const samples = new Float32Array(48_000);
  for (const ms of atMs)
    for (let at = 0; at < 2400; at++)
      samples[48 * ms + at]! += 0.5 * Math.exp(-at / 400) * Math.sin(at * at * 0.37 + at);
  return samples;
}

describe('the core by its face', () => {
  test('a stored groove is read, or what is wrong with it is said', () => {
    expect(core.readGroove(core.writeGroove(groove))).toEqual({ ok: true, value: groove });
    const none = core.readGroove({ version: 1 });
    expect(!none.ok && core.sentence(none.problems[0]!)).toMatch(/\w/);
  });

  test('a phrase is placed, and said back', () => {
    const answer = core.sayOn(groove, 'kick on the & of 3', { limb: 'right foot', school });
    expect(answer.ok && answer.changed).toBe(1);
    expect(core.sayOn(groove, 'kick on the moon', { limb: 'right foot', school }).ok).toBe(false);
  });

  test('a figure is moved, and written in other notes', () => {
    const moved = valueOf(core.displace(groove, { n: 1, d: 8 }, ['left hand']));
    expect(moved.groove.bars[0]!.strokes.flatMap(({ limb, at }) => (limb === 'left hand' ? [at] : []))).toEqual([
      { n: 3, d: 8 },
      { n: 7, d: 8 },
    ]);
    const slower = valueOf(core.rerate(groove, [{ value: 'quarter', notes: 8 }]));
    expect(slower.groove.bars).toHaveLength(2);
  });

  test('a plan is scheduled: exact places and milliseconds', () => {
    const { sounds } = core.schedule(core.formOf(plan));
    const kick = sounds.find((one) => one.kind === 'stroke' && one.surface === 'kick' && one.ms > 0);
    expect(kick && Math.round(kick.ms)).toBe(Math.round((60_000 / 90) * 2));
  });

  test('a chart is typed, unrolled and told', () => {
    const chart = core.readChartText('4/4 at 120, intro 4, A 8, 2 times');
    if (!chart.ok) throw new Error(chart.problems[0].say);
    const played = valueOf(core.unroll(chart.value));
    expect(played).toHaveLength(20);
    expect(core.barsInWords(played)).toContain('20 bars');
  });

  test('a drill is made of a rule', () => {
    const drill = valueOf(core.makeDrill(core.usualRule(core.familyNamed('placement')!)));
    expect(drill.exercises.length).toBeGreaterThan(0);
    expect(core.FAMILIES.length).toBeGreaterThan(10);
  });

  test('a take is judged, and what was played in is a groove', () => {
    const take = takePlayed();
    const judgement = core.judge(take, 'advanced');
    expect(judgement.verdict).toMatchObject({ about: 'limb', limb: 'right foot' });
    expect(core.verdictInWords(judgement.verdict, school).say).toMatch(/foot/i);
    expect(core.grooveFromPlaying({ groove, rounds: 4, hits: take.hits }).ok).toBe(true);
  });

  test('strokes are found in a recording, with a kit that was learnt or without', () => {
    const samples = bursts(200, 500, 800);
    const found = core.findStrokes(samples, 48_000).map(({ ms }) => Math.round(ms / 10));
    expect(found).toEqual([20, 50, 80]);
    const kit = core.learnKit([{ surface: 'snare', samples, sampleRate: 48_000 }]);
    expect(kit.surfaces.map(({ surface }) => surface)).toEqual(['snare']);
    const { take } = core.transcribeTake(
      takePlayed(),
      { samples, sampleRate: 48_000, firstBarMs: 0 },
      { kit, delayMs: 0 },
    );
    expect(take.hits.length).toBeGreaterThan(0);
  });

  test('a practice is planned, never longer than there is time', () => {
    expect(core.planDay(15, []).pieces).toEqual([]);
  });

  test('a groove goes out in each kind of file, and as MIDI with its click', () => {
    for (const kind of Object.keys(core.GROOVE_FILES) as core.GrooveFile[])
      expect(core.grooveFile(groove, kind, school).length).toBeGreaterThan(50);
    expect([...core.midiOf(plan).slice(0, 4)]).toEqual([0x4d, 0x54, 0x68, 0x64]);
  });
});
