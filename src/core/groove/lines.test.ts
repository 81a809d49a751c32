import { expect, test } from 'vitest';
import { oneLine, together } from '../testing/arbitrary';
import { code, done, inOrder, refusal, said } from '../testing/transforms';
import type { Groove } from './groove';
import {
  accentPattern,
  keepLimbs,
  leanLimb,
  mirrorHands,
  moveLine,
  openHanded,
  setTechnique,
  techniqueAt,
  turnKit,
} from './lines';
import { strokesOf } from './place';
import { exact } from '../time/fraction';

test('accents 2 in 3 walk over the line; lines move and are dropped', () => {
  const groove = together(oneLine('tttttttt'), oneLine('A...A...', 'right foot'));
  const accented = done(accentPattern(groove, 'right hand', [true, false, true]));
  expect(
    strokesOf(accented)
      .filter(({ limb }) => limb === 'right hand')
      .map(({ height }) => height[0]),
  ).toEqual(['a', 't', 'a', 'a', 't', 'a', 'a', 't']);
  expect(refusal(accentPattern(groove, 'left foot', [true]))).toContain('plays nothing');
  expect(keepLimbs(groove, ['right foot']).groove.bars[0]!.strokes).toHaveLength(2);
  expect(new Set(moveLine(groove, 'right hand', 'ride').groove.bars[0]!.strokes.map(({ surface }) => surface))).toEqual(
    new Set(['ride', 'kick']),
  );
});

test('open-handed only where the hands cross; leaning, and back onto the beat', () => {
  const crossed = together(oneLine('tttttttt'), oneLine('..A...A.', 'left hand'));
  const open = done(openHanded({ ...crossed, lean: { 'left hand': 12 } }));
  expect(open.bars[0]!.strokes.filter(({ limb }) => limb === 'left hand')).toHaveLength(8);
  expect(said(openHanded(moveLine(crossed, 'right hand', 'ride').groove))).toContain('do not cross');
  const behind = done(leanLimb(crossed, 'left hand', 18));
  expect(behind.lean).toEqual({ 'left hand': 18 });
  expect(mirrorHands(behind).groove.lean).toEqual({ 'right hand': 18 });
  expect(done(leanLimb(behind, 'left hand', 0))).toEqual(crossed);
  expect(said(leanLimb(crossed, 'left hand', 41))).toContain('no lean');
});

test('hands alone, and hands and feet, change sides with their leans and techniques', () => {
  const groove: Groove = {
    ...together(oneLine('tttt'), oneLine('A...', 'right foot')),
    lean: { 'right hand': 5, 'right foot': -5 },
    technique: { 'right foot': { word: 'heel down' } },
  };
  const limbs = ({ bars }: Groove) => bars[0]!.strokes.map(({ limb }) => limb);
  const [mirrored, turned] = [mirrorHands(groove), turnKit(groove)];
  expect(limbs(mirrored.groove)).toEqual([...Array<string>(4).fill('left hand'), 'right foot']);
  expect(mirrored.groove.lean).toEqual({ 'left hand': 5, 'right foot': -5 });
  expect(mirrored.say).toBe('Right and left hand have changed lines.');
  expect(limbs(turned.groove)).toEqual([...Array<string>(4).fill('left hand'), 'left foot']);
  expect(turned.groove.technique).toEqual({ 'left foot': { word: 'heel down' } });
  expect(turned.say).toContain('as on a left-handed kit');
  expect(mirrorHands(oneLine('tttt')).groove).not.toHaveProperty('lean');
});

test('open-handed in the bars where the hands cross, on either kind of hat, and no others', () => {
  const hat = together(oneLine('tttt'), oneLine('.A.A', 'left hand'));
  const ride = moveLine(hat, 'right hand', 'ride').groove;
  const open = moveLine(hat, 'right hand', 'open hat').groove;
  const groove: Groove = { ...hat, bars: [hat.bars[0]!, ride.bars[0]!, open.bars[0]!] };
  const hands = done(openHanded(groove)).bars.map(
    ({ strokes }) => strokes.filter(({ limb }) => limb === 'left hand').length,
  );
  expect(hands).toEqual([4, 2, 4]);
  expect(said(openHanded(groove))).toContain('the left hand is on the hat');
  expect(code(openHanded(oneLine('tttt', 'left hand')))).toBe('hands-uncrossed');
});

test('a lean is whole milliseconds up to forty, either way, and stays beside others', () => {
  const groove = { ...oneLine('tttt'), lean: { 'right foot': 7 } } as Groove;
  const behind = leanLimb(groove, 'right hand', 40);
  expect([done(behind).lean, said(behind)]).toEqual([
    { 'right foot': 7, 'right hand': 40 },
    'The right hand is laid 40 ms behind.',
  ]);
  expect(said(leanLimb(groove, 'right hand', -40))).toBe('The right hand is pushed 40 ms ahead.');
  expect(said(leanLimb(groove, 'right foot', 0))).toBe('The right foot plays on the beat.');
  expect(done(leanLimb(groove, 'right foot', 0))).not.toHaveProperty('lean');
  expect(done(leanLimb(groove, 'right foot', 3)).lean).toEqual({ 'right foot': 3 });
  for (const ms of [41, -41, 0.5]) {
    const answer = leanLimb(groove, 'right hand', ms);
    expect([code(answer), !answer.ok && answer.problems[0]!.numbers]).toEqual(['no-lean', { ms, most: 40 }]);
  }
});

test('what is left is said, of one limb and of two', () => {
  const groove = together(oneLine('tttt'), oneLine('A...', 'right foot'));
  expect(keepLimbs(groove, ['right hand']).say).toBe('Only the right hand is left.');
  expect(keepLimbs(groove, ['right hand', 'right foot']).say).toBe('Only the right hand and the right foot are left.');
  expect(moveLine(groove, 'right hand', 'ride').say).toBe('The right hand plays its line on the ride.');
});

test('accents are counted through all bars, in the order of playing, or within a stretch', () => {
  const line = oneLine('tgtg');
  const groove: Groove = {
    ...line,
    bars: [{ ...line.bars[0]!, strokes: line.bars[0]!.strokes.toReversed() }, line.bars[0]!],
  };
  const heights = (of: Groove) => of.bars.map(({ strokes }) => strokes.map(({ height }) => height[0]).join(''));
  const all = accentPattern(groove, 'right hand', [true, false, false]);
  expect([heights(done(all)), inOrder(done(all))[0]]).toEqual([
    ['atta', 'ttat'],
    ['0', '1/4', '1/2', '3/4'],
  ]);
  expect(said(all)).toBe('The right hand accents 1 in 3.');
  const within = { from: exact('1/4'), to: exact('3/4') };
  expect(heights(done(accentPattern(groove, 'right hand', [false, true], within)))).toEqual(['ttag', 'tgtg']);
  const second = { from: exact('1'), to: exact('3/2') };
  expect(heights(done(accentPattern(groove, 'right hand', [true], second)))).toEqual(['tgtg', 'aatg']);
  for (const pattern of [[], [false, false]])
    expect(code(accentPattern(groove, 'right hand', pattern))).toBe('no-accents');
  expect(code(accentPattern(groove, 'right hand', [true], { from: exact('2'), to: exact('3') }))).toBe('limb-silent');
});

test('a technique holds for its limb, and a faster one above its tempo alone', () => {
  const heel = setTechnique(oneLine('tttt'), 'right foot', {
    word: 'heel down',
    faster: { above: 120, word: 'heel up' },
  });
  const both = setTechnique(heel, 'left foot', { word: 'rock' });
  expect(both.technique).toEqual({ ...heel.technique, 'left foot': { word: 'rock' } });
  expect([100, 120, 121].map((bpm) => techniqueAt(both, 'right foot', bpm))).toEqual([
    'heel down',
    'heel down',
    'heel up',
  ]);
  expect([techniqueAt(both, 'left foot', 300), techniqueAt(both, 'left hand', 60)]).toEqual(['rock', undefined]);
  expect(setTechnique(both, 'left foot', undefined)).toEqual(heel);
  expect(setTechnique(heel, 'right foot', undefined)).not.toHaveProperty('technique');
  expect(techniqueAt(oneLine('tttt'), 'right foot', 60)).toBeUndefined();
});
