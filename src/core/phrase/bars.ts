import { setDivision } from '../groove/edit';
import { barLength, countsOf } from '../grid/meter';
import { equal } from '../time/fraction';
import { CommandExecutor } from './doing';
import { partsOf } from './resolve';
import type { Token } from './words';

/** What is said of whole bars: which are meant, copies, and their grid. */
export class BarSayer extends CommandExecutor {
  protected startsBars(): boolean {
    const next = this.peek()?.kind;
    if (this.is('bar', 'bars')) return true;
    if (this.is('ordinal', 'last')) return next === 'bar';
    return this.is('every', 'both') && (next === 'bar' || next === 'bars');
  }

  /** "bar 2", "bars 1 and 2", "bar 1 and 3", "second bar", "both bars", "every bar". */
  protected readBars(): number[] {
    const all = this.groove.bars.map((_, index) => index);
    if (this.take('every', 'both')) {
      this.index++;
      return all;
    }
    if (this.take('last')) {
      this.index++;
      return [all.at(-1)!];
    }
    const ordinal = this.take('ordinal');
    const bar = this.take('bar', 'bars')!;
    if (ordinal) return [this.barNumber(ordinal)];
    const numbers: number[] = [];
    for (;;) {
      const number = this.take('number');
      if (!number) break;
      numbers.push(this.barNumber(number));
      if (!(this.is('and') && this.peek()?.kind === 'number')) break;
      this.index++;
    }
    if (numbers.length) return numbers;
    // "the whole bar", "clear the bar": the one that is spoken of.
    if (bar.kind === 'bar' && !this.is('word')) return this.bars;
    throw this.notUnderstood('bar-without-number', bar, 'A bar needs its number.', 'Say bar 1.');
  }

  protected barNumber(number: { value: number; text: string; from: number; to: number }): number {
    const { length } = this.groove.bars;
    if (number.value >= 1 && number.value <= length) return number.value - 1;
    throw this.notUnderstood(
      'no-such-bar',
      number,
      `There ${length === 1 ? 'is 1 bar' : `are ${length} bars`}.`,
      `Say bar 1${length > 1 ? ` to ${length}` : ''}.`,
    );
  }

  /** "copy bar 1 to bar 2". */
  protected readCopy(): void {
    const verb = this.take('copy')!;
    this.skip();
    if (!this.startsBars()) throw this.notUnderstood('copy-what', verb, 'Copy which bar?', 'Say copy bar 1 to bar 2.');
    const [from] = this.readBars();
    this.skip('to', 'in');
    if (!this.startsBars()) throw this.notUnderstood('copy-where', verb, 'To which bar?', 'Say copy bar 1 to bar 2.');
    this.copy(from!, this.readBars(), verb);
  }

  protected isBarLike(): boolean {
    if (!this.startsBars()) return false;
    const at = this.index;
    while (this.is('bar', 'bars', 'number', 'ordinal', 'last', 'filler', 'and')) this.index++;
    const isLike = this.is('like');
    this.index = at;
    return isLike;
  }

  /** "bar 2 like bar 1". */
  protected readLike(): void {
    const to = this.readBars();
    this.skip();
    const like = this.take('like');
    // "bar first like": something stands between that belongs to no bar.
    if (!like) throw this.notUnderstood('like-what', this.token!, 'Which bar is that?', 'Say bar 2 like bar 1.');
    this.skip();
    if (!this.startsBars()) throw this.notUnderstood('like-what', like, 'Like which bar?', 'Say bar 2 like bar 1.');
    this.copy(this.readBars()[0]!, to, like);
  }

  protected copy(from: number, to: readonly number[], verb: Token): void {
    this.flush();
    const one = this.groove.bars[from]!;
    for (const bar of to) {
      const { meter } = this.groove.bars[bar]!;
      if (!equal(barLength(meter), barLength(one.meter)) || meter.unit !== one.meter.unit)
        throw this.notUnderstood(
          'bars-differ',
          verb,
          'The two bars are not equally long.',
          'Copy onto a bar of the same meter.',
        );
    }
    const bars = this.groove.bars.map((each, bar) =>
      to.includes(bar) ? { ...each, cells: one.cells, strokes: one.strokes } : each,
    );
    this.groove = { ...this.groove, bars };
    this.said.push(...to.map((bar) => `copy bar ${from + 1} to bar ${bar + 1}`));
    this.original = this.groove;
  }

  /**
   * "all counts in triplets", "beat 3 in 16ths", "the whole bar in 8ths"; false where it is none, and nothing is
   * read.
   */
  protected readDivision(): boolean {
    const begin = this.index;
    let [bars, counts] = [this.bars, undefined as number[] | undefined];
    if (this.startsBars()) {
      bars = this.readBars();
      this.skip('comma');
    }
    const first = this.token;
    if (this.take('every')) this.skip();
    const numbers = this.take('count') ? this.numbersHere() : undefined;
    if (numbers?.length) counts = numbers.map(({ value }) => value);
    // "beat 2 of bar 2 in triplets"
    if (counts && this.take('of') && this.startsBars()) bars = this.readBars();
    const isWhole = this.index > begin && !counts && first?.kind !== 'count';
    const into = (counts || isWhole) && this.take('in', 'with', 'like');
    const number = into && this.take('number');
    const value = into && !number && this.take('value');
    if (!number && !value) {
      this.index = begin;
      return false;
    }
    if (number) this.take('parts');
    this.divide(bars, counts, (value || number) as Token & ({ kind: 'value' } | { kind: 'number' }), numbers ?? []);
    return true;
  }

  protected numbersHere(): (Token & { kind: 'number' })[] {
    const numbers: (Token & { kind: 'number' })[] = [];
    for (let number = this.take('number'); number; number = this.take('number')) {
      numbers.push(number);
      if (this.is('and') && this.peek()?.kind === 'number') this.index++;
    }
    return numbers;
  }

  protected divide(
    bars: readonly number[],
    only: readonly number[] | undefined,
    into: Token & ({ kind: 'value' } | { kind: 'number' }),
    numbers: readonly Token[],
  ): void {
    this.flush();
    for (const bar of bars) {
      const { meter } = this.groove.bars[bar]!;
      const all = countsOf(meter, this.groove.reading);
      const counts = only ?? all.map(({ number }) => number);
      for (const count of counts) {
        const length = all[count - 1]?.length;
        if (!length)
          throw this.notUnderstood(
            'no-such-count',
            numbers.find((one) => one.kind === 'number' && one.value === count) ?? into,
            `The bar has the counts 1 to ${all.length}.`,
            `Say a number from 1 to ${all.length}.`,
          );
        const parts = into.kind === 'number' ? into.value : partsOf(into.value, length);
        if (!parts || parts < 1 || parts > 8)
          throw this.notUnderstood(
            'no-such-division',
            into,
            `Count ${count} cannot be divided so.`,
            'Say a note value like triplets, or 1 to 8 parts.',
          );
        const { groove, lost } = setDivision(this.groove, bar, count, parts);
        if (lost.length)
          throw this.notUnderstood(
            'strokes-lost',
            into,
            `Count ${count} of bar ${bar + 1} has ${lost.length === 1 ? 'a stroke' : 'strokes'} that this grid has no slot for.`,
            'Take that out first, or divide it further.',
          );
        this.groove = groove;
        if (only) this.said.push(`bar ${bar + 1}: beat ${count} in ${parts} parts`);
        else if (count === counts[0]) this.said.push(`bar ${bar + 1}: all counts in ${parts} parts`);
      }
    }
    this.original = this.groove;
  }
}
