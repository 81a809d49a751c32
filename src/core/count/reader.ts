import { usualLimb } from '../groove/limbs';
import { compare, format, modulo } from '../time/fraction';
import { NOTE_VALUES } from '../time/noteValue';
import { SpokenPlacer } from './placer';
import type { School } from './schools';
import type { Spoken, SpokenBar } from './spoken';
import { tokensOf, type Token } from './words';

/**
 * Reads places the way they are said: "a of 1", "e of 2 and 4", "every &", "2e", with the words round
 * them: "left hand, ghost, e of 1 and 3; loud 2 and 4; flam on 4". Whatever can be read is in `places`,
 * each thing that cannot in `problems`.
 *
 * A limb holds until another is named. A height or ornament right before a place holds for that place and
 * what "and" adds to it; with a comma behind it, until the next semicolon.
 */
export function readSpoken(text: string, bars: readonly SpokenBar[], school: School, bar = 0): Spoken {
  return new SpokenReader(text, bars, school, bar).read();
}

class SpokenReader extends SpokenPlacer {
  private readonly tokens: Token[];

  constructor(text: string, bars: readonly SpokenBar[], school: School, bar: number) {
    super(bars, school, bar);
    this.tokens = tokensOf(text);
  }

  read(): Spoken {
    while (this.index < this.tokens.length) this.readOne();
    const last = new Map(this.places.map((place) => [`${place.bar} ${format(place.at)} ${place.limb}`, place]));
    const places = [...last.values()].sort((a, b) => a.bar - b.bar || compare(a.at, b.at));
    return { places, problems: this.problems };
  }

  private get token(): Token | undefined {
    return this.tokens[this.index];
  }

  private peek(ahead: number): Token | undefined {
    return this.tokens[this.index + ahead];
  }

  private readOne(): void {
    const token = this.token!;
    switch (token.kind) {
      case 'semicolon':
        this.clause = { remove: false };
        this.own = { remove: false };
        this.index++;
        return;
      case 'comma':
        // What was said before the comma without a place holds for the clause.
        this.clause = { ...this.clause, ...this.own, remove: this.own.remove || this.clause.remove };
        this.own = { remove: false };
        this.index++;
        return;
      case 'limb':
        this.limb = token.limb;
        this.surface = undefined;
        this.index++;
        return;
      case 'surface':
        this.surface = token.surface;
        // "left hand snare" keeps the hand that was named.
        if (this.tokens[this.index - 1]?.kind !== 'limb') this.limb = usualLimb(token.surface);
        this.index++;
        return;
      case 'height':
        this.own.height = token.height;
        this.index++;
        return;
      case 'ornament':
        this.own.ornament = token.ornament;
        this.index++;
        return;
      case 'remove':
        this.own.remove = true;
        this.index++;
        return;
      case 'filler':
        this.index++;
        return;
      case 'bar':
        return this.readBar();
      default:
        return this.readPlaces();
    }
  }

  private readBar(): void {
    const number = this.peek(1);
    if (number?.kind !== 'number')
      return this.problem('bar-without-number', this.token!, 'A bar needs its number.', 'Say bar 1.', 1);
    if (number.value < 1 || number.value > this.bars.length) {
      return this.problem(
        'no-such-bar',
        number,
        `There ${this.bars.length === 1 ? 'is 1 bar' : `are ${this.bars.length} bars`}.`,
        `Say bar 1${this.bars.length > 1 ? ` to ${this.bars.length}` : ''}.`,
        2,
      );
    }
    this.bar = number.value - 1;
    this.index += 2;
  }

  /** One place with what "and" adds to it, and then its own words are used up. */
  private readPlaces(): void {
    const token = this.token!;
    if (token.kind === 'every') this.readEvery();
    else if (token.kind === 'value') this.readValue();
    else if (token.kind === 'number') this.readNumbers();
    else if (token.kind === 'of')
      this.problem('no-syllable', token, 'Which syllable of the count?', `Say ${this.anySyllable()} of 1.`, 1);
    else if (token.kind === 'and' && this.isConjunction()) this.index++;
    else this.readSyllableOf();
    // "and 4" after "loud 2" is loud as well; the next place is not.
    while (this.token?.kind === 'and' && this.peek(1)?.kind === 'number' && this.places.length) {
      this.index++;
      this.readNumbers();
    }
    if (this.token?.kind !== 'and') this.own = { remove: false };
  }

  /** "and" that joins two places, not the & of a count: something that starts a place of its own follows. */
  private isConjunction(): boolean {
    if (
      !this.index ||
      this.tokens[this.index - 1]!.kind === 'comma' ||
      this.tokens[this.index - 1]!.kind === 'semicolon'
    )
      return false;
    const next = this.peek(1);
    return next !== undefined && next.kind !== 'of' && next.kind !== 'comma' && next.kind !== 'semicolon';
  }

  /** "2", "2 and 4", "2e", "4 a": counts, or one count's syllables. */
  private readNumbers(): void {
    const number = this.token as Extract<Token, { kind: 'number' }>;
    this.index++;
    const syllables: Token[] = [];
    while (this.isSyllableOfNumber()) syllables.push(this.tokens[this.index++]!);
    if (!syllables.length) this.placeCount(number);
    for (const said of syllables) this.placeSyllable(said, undefined, number);
  }

  private isSyllableOfNumber(): boolean {
    const token = this.token;
    if (!token) return false;
    const next = this.peek(1);
    if (next?.kind === 'of') return false;
    if (token.kind === 'and')
      return (
        next === undefined ||
        next.kind === 'comma' ||
        next.kind === 'semicolon' ||
        (next.kind === 'word' && this.peek(2)?.kind !== 'of')
      );
    return token.kind === 'word';
  }

  /** "e of 2 and 4", "second trip of 3", "slot 2 of 1". */
  private readSyllableOf(): void {
    const first = this.token!;
    let which: number | undefined;
    if (first.kind === 'ordinal') {
      which = first.value;
      this.index++;
    }
    const slot = this.token?.kind === 'slot';
    if (slot) this.index++;
    const said = this.token;
    const fits = slot ? said?.kind === 'number' : said?.kind === 'word' || said?.kind === 'and';
    if (!said || !fits)
      return this.problem(
        'no-place',
        said ?? first,
        'This is not a place in the bar.',
        `Say a count, or a syllable like ${this.anySyllable()} of 1.`,
        1,
      );
    if (!slot && !this.isKnown(said)) {
      this.problemUnknown(said);
      this.index++;
      return this.skipCounts();
    }
    if (this.peek(1)?.kind !== 'of')
      return this.problem(
        'no-count',
        said,
        `“${said.text}” of which count?`,
        `Say ${said.text} of 1, or every ${said.text}.`,
        1,
        [
          { words: `${said.text} of 1`, replace: `${said.text} of 1` },
          { words: `every ${said.text}`, replace: `every ${said.text}` },
        ],
      );
    const of = this.peek(1)!;
    this.index += 2;
    while (this.tokens[this.index]?.kind === 'filler') this.index++;
    for (;;) {
      const number = this.tokens[this.index];
      if (number?.kind !== 'number')
        return this.problem('no-count', of, 'A count must follow “of”.', `Say ${said.text} of 1.`, 0);
      this.index++;
      if (slot) this.placeSlot(said as Extract<Token, { kind: 'number' }>, number);
      else this.placeSyllable(said, which, number);
      // A syllable behind the number starts a place of its own: "e of 2 and 4 a".
      if (this.peek(0)?.kind !== 'and' || this.peek(1)?.kind !== 'number' || this.peek(2)?.kind === 'word') return;
      this.index++;
    }
  }

  /** "every &", "every e and a", "every count", "every slot". */
  private readEvery(): void {
    const every = this.token!;
    this.index++;
    let any = false;
    while (
      this.token &&
      (this.token.kind === 'word' ||
        this.token.kind === 'and' ||
        this.token.kind === 'filler' ||
        this.token.kind === 'slot')
    ) {
      const said = this.token;
      const next = this.peek(1);
      if (said.kind === 'and' && any && (next?.kind === 'word' || next?.kind === 'and')) {
        this.index++;
        continue;
      }
      if (said.kind === 'and' && any) break;
      this.index++;
      any = true;
      if (said.kind === 'slot') this.placeAll(every, said, () => true);
      else if (said.kind === 'filler') this.placeAll(every, said, (slot) => slot.part === 0);
      else this.everySyllable(every, said);
    }
    if (this.token?.kind === 'value' && !any) return this.readValue();
    if (!any)
      this.problem(
        'every-what',
        every,
        'Every what?',
        `Say every ${this.anySyllable()}, every count or every slot.`,
        0,
      );
  }

  /** "8ths", "quarters": every place of that note value that the grid has; all of them or none. */
  private readValue(): void {
    const token = this.token as Extract<Token, { kind: 'value' }>;
    this.index++;
    const step = NOTE_VALUES[token.value];
    const wanted = this.slots().filter((slot) => modulo(slot.at, step).n === 0);
    const { meter } = this.bars[this.bar]!;
    const all = Math.ceil((meter.beats * step.d) / (meter.unit * step.n));
    if (wanted.length < all)
      return this.problem(
        'not-all-through',
        token,
        `The grid has no ${token.text} all through the bar.`,
        'Divide its counts further.',
        0,
      );
    for (const slot of wanted) this.add(slot, token.from, token.to);
  }

  /** Passes over "of 2 and 4" of a place that could not be read, so that it is not taken for counts. */
  private skipCounts(): void {
    if (this.peek(0)?.kind !== 'of') return;
    this.index++;
    while (this.peek(0)?.kind === 'number' || (this.peek(0)?.kind === 'and' && this.peek(1)?.kind === 'number'))
      this.index++;
  }
}
