import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { anyGroove, meterOf, oneLine, together } from '../testing/arbitrary';
import { exact, format } from '../time/fraction';
import { motionLine } from './motion';
import { check } from '../schedule/speeds';
import { readGroove, writeGroove } from '../documents/groove';
import { MOST_BARS } from '../limits';
import { type Groove } from './groove';
import {
  copyBar,
  deleteBar,
  insertBar,
  moveHeight,
  placeStroke,
  removeStroke,
  setDivision,
  setDivisions,
  setMeter,
  setOrnament,
  setSurface,
  setTuplet,
  type Place,
  type Regridded,
} from './edit';
import { slotsOfBar } from '../grid/cells';
import { HEIGHTS, LIMBS, ORNAMENTS, SURFACES } from './limbs';
import { runs } from '../testing/runs';

const isValid = (groove: Groove) => readGroove(JSON.parse(JSON.stringify(writeGroove(groove))));
const at = (place: string, limb: Place['limb'] = 'right hand', bar = 0): Place => ({ bar, limb, at: exact(place) });

/** One edit chosen by numbers, somewhere in the groove. */
function edited(groove: Groove, [kind, where, which]: [number, number, number]): Groove {
  const bar = where % groove.bars.length;
  const slots = slotsOfBar(groove.bars[bar]!.meter, groove.reading, groove.bars[bar]!.cells);
  const place: Place = { bar, limb: LIMBS[which % 4]!, at: slots[where % slots.length]!.at };
  const counts = groove.bars[bar]!.cells.reduce((total, cell) => total + cell.counts, 0);
  const taken = (result: { ok: true; value: Groove } | { ok: false }) => (result.ok ? result.value : groove);
  const edits: (() => Groove)[] = [
    () => placeStroke(groove, place, { height: HEIGHTS[which % 3] }),
    () => removeStroke(groove, place),
    () => moveHeight(groove, place, which % 2 ? 1 : -1),
    () => setOrnament(groove, place, [...ORNAMENTS, undefined][which % 5]),
    () => setSurface(groove, place, SURFACES[which % SURFACES.length]!),
    () => setDivision(groove, bar, 1 + (which % counts), 1 + (where % 8)).groove,
    () => setMeter(groove, bar, meterOf(['4/4', '7/8', '3/4', '15/16'][which % 4]!)).groove,
    () => {
      const tuplet = setTuplet(groove, bar, 1 + (which % counts), 2, 3);
      return tuplet.ok ? tuplet.value.groove : groove;
    },
    () => taken(insertBar(groove, bar)),
    () => taken(copyBar(groove, bar)),
    () => taken(deleteBar(groove, bar)),
  ];
  return edits[kind % edits.length]!();
}

test('any sequence of edits keeps the document valid and leaves every step before it as it was', () => {
  const step = fc.tuple(fc.nat(10), fc.nat(999), fc.nat(999));
  fc.assert(
    fc.property(anyGroove(), fc.array(step, { maxLength: 25 }), (start, steps) => {
      const history = [start];
      const written = [JSON.stringify(start)];
      for (const one of steps) {
        history.push(edited(history.at(-1)!, one));
        written.push(JSON.stringify(history.at(-1)));
      }
      expect(isValid(history.at(-1)!)).toMatchObject({ ok: true });
      // Undo goes back through these very documents.
      expect(history.map((groove) => JSON.stringify(groove))).toEqual(written);
    }),
    runs(60),
  );
});

test('a stroke is placed as the limb usually plays, changed, raised and taken out', () => {
  let groove = placeStroke(oneLine('.... ....'), at('1/8', 'right foot'));
  expect(groove.bars[0]!.strokes).toEqual([{ limb: 'right foot', surface: 'kick', at: exact('1/8'), height: 'tap' }]);
  groove = moveHeight(moveHeight(groove, at('1/8', 'right foot'), 1), at('1/8', 'right foot'), 1);
  expect(groove.bars[0]!.strokes[0]!.height).toBe('accent');
  groove = setOrnament(groove, at('1/8', 'right foot'), 'double');
  expect(setOrnament(groove, at('1/8', 'right foot'), undefined).bars[0]!.strokes[0]).not.toHaveProperty('ornament');
  expect(removeStroke(groove, at('1/8', 'right foot')).bars[0]!.strokes).toEqual([]);
  expect(() => placeStroke(groove, at('1/7'))).toThrow('no slot');
});

describe('another grid', () => {
  test('8ths to 16ths keeps all; 16ths to triplets keeps what has the same time and names the rest', () => {
    const groove = oneLine('t.t.t.t.');
    expect(setDivision(groove, 0, 2, 4)).toMatchObject({ lost: [] });
    const { groove: triplets, lost } = setDivision(oneLine('tttt tttt tttt tttt'), 0, 1, 3);
    expect(lost.map(({ at: place }) => format(place))).toEqual(['1/16', '1/8', '3/16']);
    expect(triplets.bars[0]!.strokes).toHaveLength(13);
  });

  test('a quarter triplet over counts 3 and 4, not over the bar line, and parted again by a division inside it', () => {
    const groove = oneLine('t...t...');
    const answer = setTuplet(groove, 0, 3, 2, 3);
    expect(answer.ok && answer.value.groove.bars[0]!.cells.at(-1)).toEqual({ counts: 2, parts: 3 });
    expect(setTuplet(groove, 0, 4, 2, 3)).toMatchObject({
      ok: false,
      problems: [{ where: 'bar 1, count 4', remedy: 'Start it on count 3 or before.' }],
    });
    expect(answer.ok && setDivision(answer.value.groove, 0, 4, 4).groove.bars[0]!.cells.slice(2)).toEqual([
      { counts: 1, parts: 1 },
      { counts: 1, parts: 4 },
    ]);
  });

  test('4/4 to 5/4 keeps every stroke and grid; to 3/4 names those of the fourth count', () => {
    const groove = oneLine('tttttttt');
    expect(setMeter(groove, 0, meterOf('5/4'))).toMatchObject({
      lost: [],
      groove: { bars: [{ cells: [{ parts: 2 }, { parts: 2 }, { parts: 2 }, { parts: 2 }, { parts: 2 }] }] },
    });
    expect(setMeter(groove, 0, meterOf('3/4')).lost.map(({ at: place }) => format(place))).toEqual(['3/4', '7/8']);
    expect(setMeter(groove, 0, meterOf('8/8')).lost).toEqual([]);
  });

  test('the last bar cannot be deleted, one more than a groove holds not added', () => {
    expect(deleteBar(oneLine('t...'), 0)).toMatchObject({ ok: false });
    const full = { ...oneLine('t...'), bars: Array.from({ length: MOST_BARS }, () => oneLine('t...').bars[0]!) };
    expect(copyBar(full, 3)).toMatchObject({
      ok: false,
      problems: [{ say: `A groove has at most ${MOST_BARS} bars.` }],
    });
  });
});

describe('checks', () => {
  test('a flam while the other hand is busy, with the touch that frees it', () => {
    const groove = together(oneLine('A...A...'), oneLine('....A...', 'left hand'));
    groove.bars[0]!.strokes.find(({ limb }) => limb === 'left hand')!.ornament = 'flam';
    const [finding] = check(groove, 60);
    const place = at('1/2', 'left hand');
    expect(finding).toMatchObject({ kind: 'conflict', place, fix: { take: 'ornament', place } });
    expect(check(setOrnament(groove, place, undefined), 60)).toEqual([]);
  });

  test('an open hat over its pedal', () => {
    const groove = together(setSurface(oneLine('..t.....'), at('1/4'), 'open hat'), oneLine('..t.....', 'left foot'));
    expect(check(groove, 60)).toMatchObject([{ place: at('1/4', 'left foot'), fix: { take: 'stroke' } }]);
  });

  test('the motion line of a hand goes round the loop', () => {
    expect(motionLine(oneLine('AttA'), 'right hand').map(({ motion }) => motion)).toEqual([
      'down',
      'tap',
      'up',
      'full',
    ]);
  });
});

test('every count that a stretch touches is divided at once; what no grid holds is named with its bar', () => {
  const groove = { ...oneLine('tttttttt'), bars: [oneLine('tttttttt').bars[0]!, oneLine('t.t.t.t.').bars[0]!] };
  const parts = ({ groove: { bars } }: Regridded) => bars.map(({ cells }) => cells.map((cell) => cell.parts).join(''));
  const some = setDivisions(groove, { from: exact('3/4'), to: exact('5/4') }, 4);
  expect([parts(some), some.lost]).toEqual([['2224', '4222'], []]);
  const all = setDivisions(groove, { from: exact('3/4'), to: exact('2') }, 3);
  expect([parts(all), all.lost.map(({ bar, at }) => `${bar} ${format(at)}`)]).toEqual([['2223', '3333'], ['0 7/8']]);
  // A tuplet over two counts is held by the grid of both.
  const over = setTuplet(oneLine('t...'), 0, 1, 2, 3);
  if (!over.ok) throw new Error();
  const struck = placeStroke(over.value.groove, { bar: 0, limb: 'right hand', at: exact('1/3') });
  expect(setDivisions(struck, { from: exact('0'), to: exact('1/2') }, 3).lost).toEqual([]);
});

describe('a stroke', () => {
  test('takes on what is given, and keeps the rest of what was there', () => {
    const there = placeStroke(oneLine('....'), at('0'), { surface: 'ride', height: 'accent', ornament: 'flam' });
    expect(there.bars[0]!.strokes).toEqual([
      { limb: 'right hand', at: exact('0'), surface: 'ride', height: 'accent', ornament: 'flam' },
    ]);
    expect(placeStroke(there, at('0')).bars[0]!.strokes).toEqual(there.bars[0]!.strokes);
    expect(placeStroke(there, at('0'), { surface: 'crash' }).bars[0]!.strokes[0]).toMatchObject({
      surface: 'crash',
      height: 'accent',
      ornament: 'flam',
    });
    expect(placeStroke(there, at('0'), { height: 'ghost' }).bars[0]!.strokes[0]!.height).toBe('ghost');
    expect(placeStroke(there, at('0'), { ornament: 'drag' }).bars[0]!.strokes[0]!.ornament).toBe('drag');
    expect(placeStroke(oneLine('....'), at('0')).bars[0]!.strokes[0]).not.toHaveProperty('ornament');
  });

  test('stands in the order of playing, beside those of other limbs and places', () => {
    const groove = together(oneLine('t.t.'), oneLine('A...', 'left hand'));
    const more = placeStroke(placeStroke(groove, at('1/4')), at('1/4', 'left hand'));
    expect(more.bars[0]!.strokes.map((one) => `${format(one.at)} ${one.limb}`)).toEqual([
      '0 right hand',
      '0 left hand',
      '1/4 right hand',
      '1/4 left hand',
      '1/2 right hand',
    ]);
    expect(removeStroke(more, at('1/4')).bars[0]!.strokes.map((one) => `${format(one.at)} ${one.limb}`)).toEqual([
      '0 right hand',
      '0 left hand',
      '1/4 left hand',
      '1/2 right hand',
    ]);
  });

  test('on a slot and in a bar that are there', () => {
    expect(() => placeStroke(oneLine('t...'), at('1/8', 'right hand', 0))).toThrow('1/8 is no slot of bar 1');
    expect(() => removeStroke(oneLine('t...'), at('0', 'right hand', 1))).toThrow('There is no bar 2');
  });
});

describe('what is in the way, by its code, its numbers and its place', () => {
  test('a tuplet past the bar line, and one that lies across another, from either side', () => {
    expect(setTuplet(oneLine('t...'), 0, 4, 2, 3)).toMatchObject({
      problems: [{ code: 'past-bar-line', numbers: { counts: 2 }, path: ['bars', 0, 'cells'] }],
    });
    const middle = setTuplet(oneLine('t...'), 0, 2, 2, 3);
    if (!middle.ok) throw new Error();
    for (const [count, first] of [
      [1, 2],
      [3, 2],
    ] as const)
      expect(setTuplet(middle.value.groove, 0, count, 2, 5)).toMatchObject({
        problems: [
          {
            code: 'tuplet-across',
            numbers: { first },
            where: 'bar 1, count 2',
            remedy: 'Divide count 2 by itself first.',
          },
        ],
      });
    const same = setTuplet(middle.value.groove, 0, 2, 2, 5);
    expect(same.ok && same.value.groove.bars[0]!.cells).toEqual([
      { counts: 1, parts: 1 },
      { counts: 2, parts: 5 },
      { counts: 1, parts: 1 },
    ]);
  });

  test('a bar too many, and the last one', () => {
    const full = { ...oneLine('t...'), bars: Array.from({ length: MOST_BARS }, () => oneLine('t...').bars[0]!) };
    expect(insertBar(full, 0)).toMatchObject({ problems: [{ numbers: { most: MOST_BARS }, path: ['bars'] }] });
    expect(deleteBar(oneLine('t...'), 0)).toMatchObject({ problems: [{ code: 'last-bar', path: ['bars', 0] }] });
  });
});

test('bars are put in, copied and taken out where they are wanted', () => {
  const [one, other] = [oneLine('t...'), oneLine('..t.')];
  const two = { ...one, bars: [one.bars[0]!, other.bars[0]!] };
  const strokes = (answer: { ok: boolean; value?: Groove }) =>
    answer.value?.bars.map((bar) => bar.strokes.map((stroke) => format(stroke.at)).join());
  expect(strokes(insertBar(two, -1))).toEqual(['', '0', '1/2']);
  expect(strokes(insertBar(two, 0))).toEqual(['0', '', '1/2']);
  expect(strokes(insertBar(two, 1))).toEqual(['0', '1/2', '']);
  expect(strokes(copyBar(two, 1))).toEqual(['0', '1/2', '1/2']);
  expect(strokes(copyBar(two, 0))).toEqual(['0', '0', '1/2']);
  expect(strokes(deleteBar(two, 0))).toEqual(['1/2']);
  // In front a bar is like the first, behind one like the one before it.
  const meters = { ...one, bars: [one.bars[0]!, oneLine('ttt', 'right hand', 60, '3/4').bars[0]!] };
  const beats = (answer: ReturnType<typeof insertBar>) =>
    answer.ok && answer.value.bars.map(({ meter }) => meter.beats);
  expect([beats(insertBar(meters, -1)), beats(insertBar(meters, 1))]).toEqual([
    [4, 4, 3],
    [4, 3, 3],
  ]);
});

test('another meter keeps whole cells, and divides new counts as the last one, or by what its counts were', () => {
  const parts = (groove: Groove, meter: string) =>
    setMeter(groove, 0, meterOf(meter)).groove.bars[0]!.cells.map((cell) => `${cell.counts}:${cell.parts}`);
  const mixed = setDivision(oneLine('t.t.t.t.'), 0, 4, 3).groove;
  expect(parts(mixed, '6/4')).toEqual(['1:2', '1:2', '1:2', '1:3', '1:3', '1:3']);
  expect(parts(mixed, '3/4')).toEqual(['1:2', '1:2', '1:2']);
  expect(parts(mixed, '6/8')).toEqual(Array(6).fill('1:2'));
  const over = setTuplet(mixed, 0, 2, 2, 3);
  if (!over.ok) throw new Error();
  // A tuplet that no longer fits goes, and with it what came after.
  expect(parts(over.value.groove, '2/4')).toEqual(['1:2', '1:2']);
  expect(parts(over.value.groove, '5/4')).toEqual(['1:2', '2:3', '1:3', '1:3']);
  const whole = setTuplet(oneLine('t...'), 0, 1, 4, 3);
  if (!whole.ok) throw new Error();
  expect(parts(whole.value.groove, '5/4')).toEqual(['4:3', '1:2']);
  expect(parts(oneLine('tttt tttt tttt tttt'), '8/8')).toEqual(Array(8).fill('1:2'));
  expect(parts(oneLine('tttttttt', 'right hand', 60, '8/8'), '4/4')).toEqual(Array(4).fill('1:2'));
  expect(parts(oneLine('t....... t....... t....... t.......'), '2/2')).toEqual(Array(2).fill('1:8'));
});
