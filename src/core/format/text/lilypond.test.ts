import fc from 'fast-check';
import { expect, test } from 'vitest';
import { barLength } from '../../grid/meter';
import { SURFACES } from '../../groove/limbs';
import { anyGroove } from '../../testing/arbitrary';
import { STARTERS } from '../../testing/starters';
import { add, equal, exact, format, frac, mul, ZERO } from '../../time/fraction';
import { LILY_NAMES, lilypondOf } from './lilypond';

/**
 * How long a bar of a voice lasts as it is written: notes, rests and skips, tuplets drawn together; graces take no
 * time.
 */
function lengthWritten(bar: string) {
  const plain = bar.replace(/\\(?:slashedGrace|grace) \{[^}]*\}/g, '');
  let length = ZERO;
  let scale = frac(1);
  for (const [token, notes, inTimeOf, skip, value, dots] of plain.matchAll(
    /\\tuplet (\d+)\/(\d+) \{|\}|s1\*(\d+(?:\/\d+)?)|(?:<[^>]*>|r)(\d+)(\.?)/g,
  )) {
    if (notes) scale = frac(Number(inTimeOf), Number(notes));
    else if (token === '}') scale = frac(1);
    else if (skip) length = add(length, exact(skip));
    else length = add(length, mul(scale, mul(frac(1, Number(value)), dots ? frac(3, 2) : frac(1))));
  }
  return length;
}

const barsOf = (text: string) =>
  text
    .split('\n')
    .flatMap((line) => (line.endsWith(' |') ? [line.trim().replace(/^\\time (?:[\d,]+ )?\d+\/\d+ /, '')] : []));

test('whatever a groove is, every bar of each voice is filled', () => {
  fc.assert(
    fc.property(anyGroove(), (groove) => {
      const bars = barsOf(lilypondOf(groove));
      expect(bars).toHaveLength(2 * groove.bars.length);
      for (const [index, bar] of bars.entries()) {
        const { meter } = groove.bars[index % groove.bars.length]!;
        const written = lengthWritten(bar);
        expect([bar, format(written), equal(written, barLength(meter))]).toEqual([bar, format(barLength(meter)), true]);
      }
    }),
  );
});

test('brackets, beams and tuplets are closed', () => {
  for (const groove of STARTERS)
    for (const bar of barsOf(lilypondOf(groove))) {
      const many = (sign: string) => bar.split(sign).length;
      expect([bar, many('{'), many('<'), many('[')]).toEqual([
        bar,
        many('}'),
        many('>') - (bar.split('->').length - 1),
        many(']'),
      ]);
    }
});

test('what is written of a groove: title, tempo, swing, ghosts, accents', () => {
  const [first] = STARTERS;
  const text = lilypondOf({ ...first!, title: 'A "rope" \\ line', swing: { value: '8th', ratio: '2' } });
  expect(text).toContain('title = "A \\"rope\\" \\\\ line"');
  expect(text).toMatch(/\\tempo "Swung 8ths" \d+\.? = \d+/);
  expect(new Set(Object.values(LILY_NAMES)).size).toBe(SURFACES.length);
});
