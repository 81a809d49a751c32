import { expect, test } from 'vitest';
import { barStarts } from '../grid/meter';
import { format, frac, type WholeNotes } from '../time/fraction';
import { layerNotes } from './layers';
import { helperLoudness, layersIn, type LayerPlan } from '../form/layers';

const bars = (count: number, length = frac(1)) => barStarts(Array.from({ length: count }, () => length));
const tripletLayers = (plan: LayerPlan, starts: readonly WholeNotes[]) =>
  layerNotes(
    starts.slice(1).map((_, bar) => ({ layers: layersIn(plan, bar) })),
    starts,
  );
const places = (notes: ReturnType<typeof tripletLayers>, layer: number) =>
  notes.filter((note) => note.layer === layer).map(({ at }) => format(at));

test('each layer keeps every second note of the one before', () => {
  const notes = tripletLayers({ to: 'half triplet', bars: 1 }, bars(1));
  const [eighths, quarters, halves] = [0, 1, 2].map((layer) => places(notes, layer)) as [string[], string[], string[]];
  expect(eighths).toHaveLength(12);
  expect(quarters).toEqual(eighths.filter((_, index) => index % 2 === 0));
  expect(halves).toEqual(quarters.filter((_, index) => index % 2 === 0));
  expect(halves).toEqual(['0', '1/3', '2/3']);
});

test('to quarter triplets there are two layers', () => {
  const notes = tripletLayers({ to: 'quarter triplet', bars: 2 }, bars(1));
  expect(new Set(notes.map(({ layer }) => layer))).toEqual(new Set([0, 1]));
  expect(places(notes, 1)).toEqual(['0', '1/6', '1/3', '1/2', '2/3', '5/6']);
});

test('the helpers are heard, then quiet, then gone; what they lead to stays', () => {
  const notes = tripletLayers({ to: 'half triplet', bars: 2 }, bars(6));
  const loud = (layer: number, bar: number) => [
    ...new Set(notes.filter((note) => note.layer === layer && note.barInRun === bar).map((note) => note.loud)),
  ];
  expect([0, 1, 2, 3, 4, 5].map((bar) => loud(0, bar))).toEqual([[1], [1], [0.3], [0.3], [], []]);
  expect([0, 5].map((bar) => loud(2, bar))).toEqual([[1], [1]]);
  expect(helperLoudness({ to: 'half triplet', bars: 2 }, 4)).toBe(0);
});

test('they run on over bar lines that they do not fit', () => {
  const notes = tripletLayers({ to: 'half triplet', bars: 16 }, bars(4, frac(3, 4)));
  expect(places(notes, 2)).toEqual(['0', '1/3', '2/3', '1', '4/3', '5/3', '2', '7/3', '8/3']);
  expect(notes.filter(({ layer }) => layer === 2).map(({ barInRun }) => barInRun)).toEqual([0, 0, 0, 1, 1, 2, 2, 3, 3]);
});
