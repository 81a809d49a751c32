import fc from 'fast-check';
import { VerovioToolkit } from 'verovio/esm';
import createModule from 'verovio/wasm';
import { beforeAll, describe, expect, test } from 'vitest';
import { barLength, barStarts } from '../../grid/meter';
import type { Groove } from '../../groove/groove';
import { ORNAMENTS } from '../../groove/limbs';
import { anyGroove } from '../../testing/arbitrary';
import { STARTERS } from '../../testing/starters';
import { add, frac, mul, toNumber, type WholeNotes } from '../../time/fraction';
import { TICKS_A_QUARTER } from '../midi/midiOut';
import { musicXmlOf } from './musicXml';

/** A reader of another house: an engraver, which says when what it reads sounds. */
let reader: VerovioToolkit;
beforeAll(async () => {
  reader = new VerovioToolkit(await createModule());
}, 60_000);

/** When something begins that is no grace, in quarters from the first bar, each once. */
function onsets({ bars }: Groove): number[] {
  const starts = barStarts(bars.map(({ meter }) => barLength(meter)));
  const all = bars.flatMap(({ strokes }, bar) => strokes.map(({ at }) => 4 * toNumber(add(starts[bar]!, at))));
  return [...new Set(all.map((one) => Math.round(one * 1000) / 1000))].toSorted((a, b) => a - b);
}

const read = (groove: Groove): number[] => {
  if (!reader.loadData(musicXmlOf(groove))) throw new Error('it cannot be read');
  return reader
    .renderToTimemap()
    .filter(({ on }) => on?.length)
    .map(({ qstamp }) => Math.round(qstamp * 1000) / 1000);
};

/** Without graces, which the reader gives a time of their own. */
const plain = (groove: Groove): Groove => ({
  ...groove,
  bars: groove.bars.map((bar) => ({
    ...bar,
    strokes: bar.strokes.map(({ ornament: _, ...stroke }) => stroke),
  })),
});

describe('read by another’s engraver, every stroke is where it is written', () => {
  test.each(STARTERS.map((groove) => [groove.title, groove] as const))('%s', (_, groove) => {
    const due = onsets(groove);
    const found = read(plain(groove));
    expect(found).toHaveLength(due.length);
    found.forEach((quarter, index) => expect(quarter).toBeCloseTo(due[index]!, 2));
  });
});

/**
 * What a reader of durations alone makes of it: when notes begin in each voice, and how long each voice lasts, by
 * bar.
 */
function byDurations(xml: string): { onsets: number[]; lengths: number[] }[] {
  return xml
    .split('<measure ')
    .slice(1)
    .map((measure) => {
      const voices = new Map<string, { at: number; onsets: number[] }>();
      for (const note of measure.split('<note>').slice(1)) {
        if (note.includes('<grace') || note.includes('<chord')) continue;
        const name = /<voice>(\d)/.exec(note)![1]!;
        const voice = voices.get(name) ?? { at: 0, onsets: [] };
        voices.set(name, voice);
        if (!note.includes('<rest')) voice.onsets.push(voice.at);
        voice.at += Number(/<duration>(\d+)/.exec(note)![1]);
      }
      const all = [...voices.values()];
      return {
        onsets: [...new Set(all.flatMap(({ onsets: each }) => each))].toSorted((a, b) => a - b),
        lengths: all.map(({ at }) => at),
      };
    });
}

test('whatever the groove, each voice fills its bar to the tick, and every stroke is on its own', () => {
  fc.assert(
    fc.property(anyGroove(), (groove) => {
      const ticks = (length: WholeNotes) => toNumber(mul(length, frac(4 * TICKS_A_QUARTER)));
      byDurations(musicXmlOf(groove)).forEach(({ onsets: found, lengths }, index) => {
        const { meter, strokes } = groove.bars[index]!;
        for (const length of lengths) expect(length).toBe(ticks(barLength(meter)));
        expect(found).toEqual([...new Set(strokes.map(({ at }) => ticks(at)))].toSorted((a, b) => a - b));
      });
    }),
  );
});

test('a title of anything stays text', () => {
  const xml = musicXmlOf({ ...STARTERS[0]!, title: '<b>&"\'\u0001</b>' });
  expect(xml).toContain('<work-title>&#60;b&#62;&#38;&#34;&#39;&#60;/b&#62;</work-title>');
});

test('graces, heads, accents, ghosts and swing have their signs', () => {
  const [first] = STARTERS;
  const ornate = first!.bars.map((bar) => ({
    ...bar,
    strokes: bar.strokes.map((stroke, index) => ({
      ...stroke,
      ornament: ORNAMENTS[index % 4]!,
      ...(index === 1 && { surface: 'open hat' as const }),
    })),
  }));
  const all = [...STARTERS, { ...first!, bars: ornate, swing: { value: '8th' as const, ratio: '2' } }]
    .map(musicXmlOf)
    .join('');
  for (const sign of [
    '<grace slash="yes"/>',
    '<notehead>x</notehead>',
    '<notehead>circle-x</notehead>',
    '<notehead parentheses="yes">normal</notehead>',
    '<accent/>',
    '<swing-type>eighth</swing-type>',
    '<tuplet type="start" number="1"/>',
    '<beam number="2">',
    '<backup>',
    '<tremolo type="unmeasured">0</tremolo>',
  ])
    expect([sign, all.includes(sign)]).toEqual([sign, true]);
});
