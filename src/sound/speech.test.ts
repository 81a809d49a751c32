import { readFileSync, statSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { SCHOOLS } from '../core/counting/schools';
import { called } from '../core/drill/caller';
import { makeDrill } from '../core/drill/drill';
import { familyNamed } from '../core/drill/registry';
import { usualRule } from '../core/drill/rule';
import { writeOut } from '../core/drill/written';
import { readWav } from '../core/format/audio/wav';
import { MOST_BEATS } from '../core/grid/meter';
import { onsetOf } from './onset';
import { isRecorded } from './speech';
import spoken from './spoken.json';

const FILE = 'public/speech/count.wav';
const bytes = readFileSync(FILE);
const { rate, samples } = readWav(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
const words = Object.entries(spoken.words);

describe('the recorded words', () => {
  test('are every number a bar may have and every syllable of every school, in less than 1.5 MB', () => {
    const wanted = [
      ...Array.from({ length: MOST_BEATS }, (_, index) => String(index + 1)),
      ...SCHOOLS.flatMap((school) => Object.values(school.syllables).flat()),
    ];
    expect(wanted.filter((word) => word && !isRecorded(word))).toEqual([]);
    expect(isRecorded('zut')).toBe(false);
    expect(isRecorded('constructor')).toBe(false);
    expect(statSync(FILE).size).toBeLessThan(1_500_000);
  });

  test('say every place that can be called, in every school and grid', () => {
    for (const school of SCHOOLS)
      for (let parts = 1; parts <= 8; parts++) {
        const rule = usualRule(familyNamed('placement')!, {
          parts,
          ostinato: '',
          most: 64,
          caller: { pace: 1, calls: 8 },
        });
        const made = makeDrill(rule);
        const written = made.ok && writeOut(made.value, rule, 'Called');
        if (!written || !written.ok) throw new Error('none');
        const { passages } = called(
          written.value,
          { range: written.value.exercises.map((_, index) => index), pace: 1, calls: 100, seed: parts },
          school,
        );
        expect(passages.flatMap(({ call }) => call ?? []).filter((word) => !isRecorded(word))).toEqual([]);
      }
  });

  test('follow one another in the file without a gap, none longer than half a second', () => {
    expect(rate).toBe(spoken.rate);
    let from = 0;
    for (const [, word] of words) {
      expect(word.from).toBe(from);
      expect(word.frames).toBeLessThan(0.5 * rate);
      from += word.frames;
    }
    expect(from).toBe(samples.length);
  });

  test('are felt to fall where the index says: soft before, loud from there on', () => {
    for (const [, { from, frames, onset }] of words) {
      const cut = samples.slice(from, from + frames);
      expect(onsetOf(cut, rate)).toBe(onset);
      const peak = (part: Float32Array) => part.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
      expect(peak(cut.slice(onset, onset + 0.06 * rate))).toBeGreaterThan(0.2 * peak(cut));
    }
  });
});

test('the onset of a word that begins softly is where it becomes loud', () => {
  const word = Float32Array.from({ length: 4000 }, (_, index) => (index < 2000 ? 0.05 : 0.8) * Math.sin(index));
  expect(Math.abs(onsetOf(word, 22_050) - 2000)).toBeLessThan(0.006 * 22_050);
  expect(onsetOf(new Float32Array(1000), 22_050)).toBe(0);
});
