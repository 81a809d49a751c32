import { slotsOfBar, type Slot } from '../grid/cells';
import { barLength, countsOf, formatMeter, isCompound, type Count } from '../grid/meter';
import { add, equal, frac, less, mul, ZERO, type WholeNotes } from '../time/fraction';
import { NOTE_VALUES, type NoteValue } from '../time/noteValue';
import { NotUnderstood, type Places, type Term } from './phrase';
import { sameSyllable } from '../counting/sayPlace';
import { syllable, type School } from '../counting/schools';
import type { Remedy, SpokenBar } from '../counting/spoken';

/** The places of one bar that were said, in playing order; throws `NotUnderstood` where the grid has none. */
export function placesOf(
  { terms, except }: Places,
  bar: SpokenBar,
  index: number,
  school: School,
  before: readonly WholeNotes[],
): WholeNotes[] {
  const grid = new BarGrid(bar, index, school);
  const all = terms.flatMap((term) => grid.find(term, before));
  const without = except.flatMap((term) => grid.find(term, all));
  const kept = all.filter((at) => !without.some((one) => equal(one, at)));
  return kept.filter((at, place) => kept.findIndex((one) => equal(one, at)) === place);
}

/** The grid of one bar, in which places are looked for. */
class BarGrid {
  private readonly slots: readonly Slot[];
  private readonly counts: readonly Count[];

  constructor(
    private readonly bar: SpokenBar,
    private readonly index: number,
    private readonly school: School,
  ) {
    this.slots = slotsOfBar(bar.meter, bar.reading, bar.cells);
    this.counts = countsOf(bar.meter, bar.reading);
  }

  find(term: Term, before: readonly WholeNotes[]): WholeNotes[] {
    switch (term.kind) {
      case 'count':
        return [this.count(term)];
      case 'syllable':
        return [this.syllable(term)];
      case 'every syllable':
        return this.everySyllable(term);
      case 'slot':
        return [this.slot(term)];
      case 'every count':
        return this.slots.filter(({ part }) => part === 0).map(({ at }) => at);
      case 'four on the floor':
        return this.pulses().map(({ at }) => at);
      case 'last count':
        return [this.counts.at(-1)!.at];
      case 'every slot':
        return this.slots.map(({ at }) => at);
      case 'off-beats':
        return this.counts.map(({ at, length, number }) => this.half(add(at, mul(length, frac(1, 2))), number, term));
      case 'backbeat':
        return this.backbeats().map(({ at }) => at);
      case 'value':
        return this.value(term);
      case 'last': {
        const { value, text = '' } = term;
        const one = value ? this.value({ ...term, kind: 'value', value, text, step: 1 }).at(-1) : before.at(-1);
        if (one) return [one];
        throw new NotUnderstood(
          'last-of-what',
          named(term),
          'Of what?',
          'Say where before, like 8ths, open on the last one.',
        );
      }
    }
  }

  private count(term: Term & { kind: 'count' }): WholeNotes {
    const { at } = this.counted(term.count, term.number);
    if (this.slots.some((slot) => equal(slot.at, at))) return at;
    throw new NotUnderstood(
      'inside-tuplet',
      term.number,
      `Count ${term.count} lies inside a tuplet over several counts and has no slot.`,
      'Divide its count by itself.',
      [{ words: `give count ${term.count} a slot of its own`, bar: this.index, count: term.count, parts: 1 }],
    );
  }

  /** A count by its number, or what is wrong with that number. */
  private counted(count: number, number: { text: string; from: number; to: number }): Count {
    const found = this.counts[count - 1];
    if (found) return found;
    const { meter, reading } = this.bar;
    const how = reading === 'pulse' ? `${formatMeter(meter)} in pulses` : formatMeter(meter);
    const last = this.counts.length;
    throw new NotUnderstood(
      'no-such-count',
      number,
      `${how} has the counts 1 to ${last}.`,
      `Say a number from 1 to ${last}.`,
      [{ words: `${last}`, replace: `${last}` }],
    );
  }

  private slot({ slot, count, number }: Term & { kind: 'slot' }): WholeNotes {
    this.counted(count, number);
    const slots = this.slots.filter((one) => one.count === count);
    const found = slots[slot.value - 1];
    if (found) return found.at;
    throw new NotUnderstood(
      'no-such-slot',
      slot,
      `Count ${count} has ${slots.length} slots.`,
      `Say slot 1 to ${slots.length} of ${count}.`,
    );
  }

  private syllable({ said, which, count, number }: Term & { kind: 'syllable' }): WholeNotes {
    this.counted(count, number);
    const matching = this.slots.filter((slot) => slot.count === count && this.says(slot, said.text));
    if (!matching.length) throw this.notInGrid(said, count);
    if (matching.length > 1 && which === undefined)
      throw new NotUnderstood(
        'several-such',
        said,
        `Count ${count} has ${matching.length} of them.`,
        `Say first ${said.text} or second ${said.text} of ${count}.`,
        ['first', 'second'].map((word) => ({ words: `${word} ${said.text}`, replace: `${word} ${said.text}` })),
      );
    const found = matching[(which ?? 1) - 1];
    if (found) return found.at;
    throw new NotUnderstood(
      'no-such-one',
      said,
      `Count ${count} has ${matching.length} “${said.text}”.`,
      `Say ${said.text} of ${count}.`,
    );
  }

  private everySyllable({ said }: Term & { kind: 'every syllable' }): WholeNotes[] {
    const matching = this.slots.filter((slot) => this.says(slot, said.text));
    if (!matching.length) throw this.notInGrid(said, undefined);
    return matching.map(({ at }) => at);
  }

  private says(slot: Slot, said: string): boolean {
    return slot.part > 0 && sameSyllable(syllable(this.school, slot.cell.parts, slot.part), said);
  }

  private half(at: WholeNotes, count: number, term: Term): WholeNotes {
    if (this.slots.some((slot) => equal(slot.at, at))) return at;
    throw new NotUnderstood(
      'no-off-beat',
      named(term),
      `Count ${count} has no slot half-way to the next.`,
      `Divide count ${count} by 2.`,
      [{ words: `divide count ${count} by 2`, bar: this.index, count, parts: 2 }],
    );
  }

  /** The counts that are felt: all of them, or in a compound meter that is counted in numbers every third. */
  private pulses(): Count[] {
    const { meter, reading } = this.bar;
    return this.counts.filter((_, at) => reading !== 'numbers' || !isCompound(meter) || at % 3 === 0);
  }

  /** 2 and 4: every second pulse. */
  private backbeats(): Count[] {
    return this.pulses().filter((_, at) => at % 2 === 1);
  }

  /** Every place of a note value, all of them or none. */
  private value({ value, step, within, text, from, to }: Term & { kind: 'value' }): WholeNotes[] {
    const each = mul(NOTE_VALUES[value], frac(step));
    const stretches = within
      ? within.map((count) => this.counted(count, { text, from, to }))
      : [{ at: ZERO, length: barLength(this.bar.meter) }];
    const wanted: WholeNotes[] = [];
    for (const { at: start, length } of stretches)
      for (let at = start; less(at, add(start, length)); at = add(at, each)) wanted.push(at);
    if (wanted.every((at) => this.slots.some((slot) => equal(slot.at, at)))) return wanted;
    throw new NotUnderstood(
      'not-all-through',
      { text, from, to },
      `The grid has no ${text} all through ${within ? 'these counts' : 'the bar'}.`,
      'Divide its counts further.',
      this.divisionFor(value, text, within),
    );
  }

  private divisionFor(value: NoteValue, text: string, within: readonly number[] | undefined): Remedy[] {
    const parts = partsOf(value, this.counts[0]!.length);
    if (parts && within)
      return [
        {
          words: `divide count ${within.join(' and ')} by ${parts} and say ${text}`,
          insert: `beat ${within.join(' and ')} in ${parts} parts, `,
        },
      ];
    return parts
      ? [{ words: `divide every count by ${parts} and say ${text}`, insert: `all counts in ${parts} parts, ` }]
      : [];
  }

  /** The grid has the count but not the syllable: divide it so that it has, or say what it has. */
  private notInGrid(said: { text: string; from: number; to: number }, count: number | undefined): NotUnderstood {
    const parts = Object.entries(this.school.syllables).find(([, syllables]) =>
      syllables.some((one) => sameSyllable(one, said.text)),
    )?.[0];
    const cell = this.slots.find((slot) => count === undefined || slot.count === count)?.cell;
    const here = cell ? [...new Set((this.school.syllables[cell.parts] ?? []).filter(Boolean))] : [];
    const remedies: Remedy[] = [];
    if (parts && count !== undefined)
      remedies.push({ words: `divide count ${count} by ${parts}`, bar: this.index, count, parts: Number(parts) });
    for (const one of here.slice(0, 3)) remedies.push({ words: `say ${one}`, replace: one });
    const instead = [
      parts && `divide ${count === undefined ? 'its counts' : `count ${count}`} by ${parts}`,
      here.length && `say ${here.join(', ')}`,
    ]
      .filter(Boolean)
      .join(', or ');
    return new NotUnderstood(
      'not-in-grid',
      said,
      `${count === undefined ? 'No count' : `Count ${count}`} is divided by ${cell?.parts ?? 1} and has no ${said.text}.`,
      instead ? `${instead.charAt(0).toUpperCase()}${instead.slice(1)}.` : 'Say a count, like 1.',
      remedies,
    );
  }
}

/**
 * Into how many parts a count of this length is divided by a note value; undefined where it is by none, or by too
 * many.
 */
export function partsOf(value: NoteValue, count: WholeNotes): number | undefined {
  const { n, d } = NOTE_VALUES[value];
  const parts = (count.n * d) / (count.d * n);
  return Number.isInteger(parts) && parts >= 1 && parts <= 8 ? parts : undefined;
}

const named = ({ kind, from, to }: Term) => ({ text: kind, from, to });
