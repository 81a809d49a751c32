import { slotsOfBar, type Slot } from '../grid/cells';
import { countsOf, formatMeter } from '../grid/meter';
import type { Height, Limb, Ornament, Surface } from '../groove/limbs';
import { equal, type WholeNotes } from '../time/fraction';
import { sameSyllable } from './sayPlace';
import { syllable, type School } from './schools';
import type { Remedy, SpokenBar, SpokenPlace, SpokenProblem } from './spoken';
import type { Token } from './words';

/** What the words before a place say of it. */
export interface Modifiers {
  height?: Height;
  ornament?: Ornament;
  remove: boolean;
}

/** Finds the places that are spoken of in the grid of a bar, or says why there are none. Where in the text one is, the reader knows. */
export class SpokenPlacer {
  protected index = 0;
  protected readonly places: SpokenPlace[] = [];
  protected readonly problems: SpokenProblem[] = [];
  protected limb: Limb | undefined;
  protected surface: Surface | undefined;
  protected clause: Modifiers = { remove: false };
  protected own: Modifiers = { remove: false };

  constructor(
    protected readonly bars: readonly SpokenBar[],
    protected readonly school: School,
    protected bar: number,
  ) {}

  protected everySyllable(every: Token, said: Token): void {
    if (!this.isKnown(said)) return this.problemUnknown(said);
    const matching = this.slots().filter((slot) => slot.part > 0 && this.says(slot, said));
    if (!matching.length) return this.problemNoSyllable(said, undefined);
    for (const slot of matching) this.add(slot, every.from, said.to);
  }

  protected placeAll(from: Token, to: Token, wanted: (slot: Slot) => boolean): void {
    for (const slot of this.slots().filter(wanted)) this.add(slot, from.from, to.to);
  }

  protected placeCount(number: Extract<Token, { kind: 'number' }>): void {
    const at = this.countAt(number);
    if (!at) return;
    const slot = this.slots().find((one) => equal(one.at, at));
    if (slot) return this.add(slot, number.from, number.to);
    this.problem(
      'inside-tuplet',
      number,
      `Count ${number.value} lies inside a tuplet over several counts and has no slot.`,
      'Divide its count by itself.',
      0,
      [{ words: `give count ${number.value} a slot of its own`, bar: this.bar, count: number.value, parts: 1 }],
    );
  }

  protected placeSlot(which: Extract<Token, { kind: 'number' }>, number: Extract<Token, { kind: 'number' }>): void {
    if (!this.countAt(number)) return;
    const slots = this.slots().filter((slot) => slot.count === number.value);
    const slot = slots[which.value - 1];
    if (slot) return this.add(slot, which.from, number.to);
    this.problem(
      'no-such-slot',
      which,
      `Count ${number.value} has ${slots.length} slots.`,
      `Say slot 1 to ${slots.length} of ${number.value}.`,
      0,
    );
  }

  protected placeSyllable(said: Token, which: number | undefined, number: Extract<Token, { kind: 'number' }>): void {
    if (!this.isKnown(said)) return this.problemUnknown(said);
    if (!this.countAt(number)) return;
    const matching = this.slots().filter(
      (slot) => slot.count === number.value && slot.part > 0 && this.says(slot, said),
    );
    if (!matching.length) return this.problemNoSyllable(said, number.value);
    if (matching.length > 1 && which === undefined) {
      return this.problem(
        'several-such',
        said,
        `Count ${number.value} has ${matching.length} of them.`,
        `Say first ${said.text} or second ${said.text} of ${number.value}.`,
        0,
        [
          { words: `first ${said.text}`, replace: `first ${said.text}` },
          { words: `second ${said.text}`, replace: `second ${said.text}` },
        ],
      );
    }
    const slot = matching[(which ?? 1) - 1];
    if (slot) return this.add(slot, Math.min(said.from, number.from), Math.max(said.to, number.to));
    this.problem(
      'no-such-one',
      said,
      `Count ${number.value} has ${matching.length} “${said.text}”.`,
      `Say ${said.text} of ${number.value}.`,
      0,
    );
  }

  /** The start of a count, or a problem that points at its number. */
  protected countAt(number: Extract<Token, { kind: 'number' }>): WholeNotes | undefined {
    const { meter, reading } = this.bars[this.bar]!;
    const counts = countsOf(meter, reading);
    const count = counts[number.value - 1];
    if (count) return count.at;
    const how = reading === 'pulse' ? `${formatMeter(meter)} in pulses` : formatMeter(meter);
    this.problem(
      'no-such-count',
      number,
      `${how} has the counts 1 to ${counts.length}.`,
      `Say a number from 1 to ${counts.length}.`,
      0,
      counts.length > 0 ? [{ words: `${counts.length}`, replace: `${counts.length}` }] : [],
    );
    return undefined;
  }

  /** The grid has the count but not the syllable: divide it so that it has, or say what it has. */
  protected problemNoSyllable(said: Token, count: number | undefined): void {
    const parts = Object.entries(this.school.syllables).find(([, syllables]) =>
      syllables.some((one) => sameSyllable(one, said.text)),
    )?.[0];
    const cell = this.slots().find((slot) => count === undefined || slot.count === count)?.cell;
    const here = cell ? [...new Set((this.school.syllables[cell.parts] ?? []).filter(Boolean))] : [];
    const where = count === undefined ? 'No count' : `Count ${count}`;
    const remedies: Remedy[] = [];
    if (parts && count !== undefined)
      remedies.push({ words: `divide count ${count} by ${parts}`, bar: this.bar, count, parts: Number(parts) });
    for (const one of here.slice(0, 3)) remedies.push({ words: `say ${one}`, replace: one });
    const instead = [
      parts && `divide ${count === undefined ? 'its counts' : `count ${count}`} by ${parts}`,
      here.length && `say ${here.join(', ')}`,
    ]
      .filter(Boolean)
      .join(', or ');
    this.problem(
      'not-in-grid',
      said,
      `${where} is divided by ${cell?.parts ?? 1} and has no ${said.text}.`,
      instead ? `${instead.charAt(0).toUpperCase()}${instead.slice(1)}.` : '',
      0,
      remedies,
    );
  }

  protected problemUnknown(said: Token): void {
    this.problem(
      'not-in-school',
      said,
      `Nobody says “${said.text}” in this school of counting.`,
      `It has ${this.syllables().join(', ')}.`,
      0,
      this.likely(said),
    );
  }

  protected add(slot: Slot, from: number, to: number): void {
    const { height = this.clause.height, ornament = this.clause.ornament, remove } = this.own;
    this.places.push({
      bar: this.bar,
      at: slot.at,
      from,
      to,
      limb: this.limb,
      surface: this.surface,
      height,
      ornament,
      remove: remove || this.clause.remove,
    });
  }

  protected problem(
    code: string,
    token: Token,
    say: string,
    remedy: string,
    skip: number,
    remedies: Remedy[] = [],
  ): void {
    this.problems.push({
      code,
      path: [token.from],
      where: `“${token.text}”`,
      say,
      remedy,
      from: token.from,
      to: token.to,
      remedies,
    });
    this.index += skip;
  }

  protected slots(): readonly Slot[] {
    const { meter, reading, cells } = this.bars[this.bar]!;
    return slotsOfBar(meter, reading, cells);
  }

  protected says(slot: Slot, said: Token): boolean {
    return sameSyllable(syllable(this.school, slot.cell.parts, slot.part), said.text);
  }

  protected syllables(): string[] {
    return [...new Set(Object.values(this.school.syllables).flat().filter(Boolean))];
  }

  protected isKnown(said: Token): boolean {
    return this.syllables().some((one) => sameSyllable(one, said.text));
  }

  /** A syllable that the grid in force has, for examples in messages. */
  protected anySyllable(): string {
    const slot = this.slots().find((one) => one.part > 0 && syllable(this.school, one.cell.parts, one.part));
    return slot ? syllable(this.school, slot.cell.parts, slot.part) : (this.syllables()[0] ?? '&');
  }

  /** Syllables that begin like what was typed. */
  protected likely(said: Token): Remedy[] {
    const near = this.syllables().filter((one) => one[0] === said.text[0]?.toLowerCase());
    return near.slice(0, 2).map((one) => ({ words: `say ${one}`, replace: one }));
  }
}
