import { expect, test } from 'vitest';
import { readSpoken } from '@/core/count/reader';
import { SCHOOLS } from '@/core/count/schools';
import { oneLine } from '@/core/testing/arbitrary';
import { format } from '@/core/time/fraction';
import { placeSpoken, previewOf } from './placeSpoken';

const empty = oneLine('.... .... .... ....');
const spoken = (text: string) =>
  readSpoken(
    text,
    empty.bars.map(({ meter, cells }) => ({ meter, reading: 'numbers', cells })),
    SCHOOLS[0],
  ).places;
const unsaid = { limb: 'right foot', height: 'ghost' } as const;
const strokes = (groove: typeof empty) =>
  groove.bars[0]!.strokes.map(({ limb, surface, at, height, ornament }) =>
    [limb, surface, format(at), height, ornament].filter(Boolean).join(' '),
  );

test('what is not said is the limb of the cursor, its usual surface and the height used last', () => {
  expect(strokes(placeSpoken(empty, spoken('1, loud 3'), unsaid))).toEqual([
    'right foot kick 0 ghost',
    'right foot kick 1/2 accent',
  ]);
});

test('what is said holds: limb, surface, height, ornament, and taking out', () => {
  const groove = placeSpoken(empty, spoken('left hand rim 1; ride loud 2; flam on snare 4'), unsaid);
  expect(strokes(groove)).toEqual([
    'left hand rim 0 ghost',
    'right hand ride 1/4 accent',
    'left hand snare 3/4 ghost flam',
  ]);
  expect(strokes(placeSpoken(groove, spoken('no ride 2'), unsaid))).toHaveLength(2);
});

test('the preview shows what would be placed and nothing that would be taken out', () => {
  const preview = previewOf(empty, spoken('kick 1, no 2, accent 3'), unsaid);
  expect(preview.map(({ stroke }) => `${format(stroke.at)} ${stroke.height}`)).toEqual(['0 ghost', '1/2 accent']);
});
