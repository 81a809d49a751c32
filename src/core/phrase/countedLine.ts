import { PhraseReader, type Term } from './phrase';
import type { Token } from './words';

/** Stands for the number where every count is meant. */
const EVERY = -1;

/** Reads lines that are counted aloud: numbers with what is said after them. */
export class CountingReader extends PhraseReader {
  /** Whether syllables from here on belong to an "of": "e and a of 1". */
  protected leadsToOf(at: number): boolean {
    for (let ahead = at; ahead < this.tokens.length; ahead++) {
      const { kind } = this.tokens[ahead]!;
      if (kind === 'of') return ahead > at;
      if (kind !== 'word' && kind !== 'and' && kind !== 'filler' && kind !== 'ordinal') return false;
    }
    return false;
  }

  /** "two 16ths later", "a beat earlier": how far, and no place. */
  protected isHowFar(at: number): boolean {
    const unit = this.tokens[at]?.kind === 'number' ? at + 1 : at;
    const kind = this.tokens[unit]?.kind;
    return (kind === 'value' || kind === 'count') && this.tokens[unit + 1]?.kind === 'shift';
  }

  /**
   * A number and what is said after it, and so on: "2", "2e", "1 e & a 2", "1 & 2 & 3 & 4 &". A line that is counted
   * aloud names every count it says; a count with one syllable names that syllable alone.
   */
  protected readLine(): Term[] {
    const said: { number: Extract<Token, { kind: 'number' }>; after: Token[] }[] = [];
    const begin = this.index;
    while (this.is('number') && !this.isHowFar(this.index)) {
      const number = this.take('number')!;
      const after: Token[] = [];
      while (this.isAfterNumber(begin, after.length > 0)) after.push(this.tokens[this.index++]!);
      said.push({ number, after });
    }
    const isAloud = said.some(({ after }) => after.length > 1) || this.isCountedAloud(begin);
    return said.flatMap(({ number, after }): Term[] => {
      const { from, to, value: count } = number;
      const counted: Term[] = after.length && !isAloud ? [] : [{ kind: 'count', count, number, from, to }];
      return [
        ...counted,
        ...after.map((one): Term => ({ kind: 'syllable', said: one, count, number, from, to: one.to })),
      ];
    });
  }

  /** Whether the token here is a syllable of the number before it, and not the "and" that joins places. */
  protected isAfterNumber(begin: number, isCounting: boolean): boolean {
    const token = this.token;
    if (
      !token ||
      (this.isArticle() && !isCounting) ||
      this.peek()?.kind === 'of' ||
      (this.leadsToOf(this.index + 1) && token.kind === 'and')
    )
      return false;
    if (token.kind === 'word') return this.isSyllable(token) && !this.leadsToOf(this.index) && !this.pluralOf(token);
    if (token.kind !== 'and') return false;
    const next = this.peek();
    if (!next || next.kind === 'comma' || next.kind === 'semicolon') return true;
    if (next.kind === 'filler' || next.kind === 'with') return token.glued || this.isCountedAloud(begin);
    if (next.kind === 'word') return this.isSyllable(next) && !this.leadsToOf(this.index + 1);
    if (next.kind !== 'number') return token.symbol && token.glued;
    if (token.symbol && token.glued) return true;
    return this.isCountedAloud(begin);
  }

  /**
   * Whether numbers and &s take turns here from one count to the next: "1 & 2 & 3 & 4 &". Said by signs three counts
   * are enough, or the & at the end; in words only that tells it from "1 and 2 and 3".
   */
  protected isCountedAloud(begin: number): boolean {
    let at = begin;
    let [counts, ands] = [0, 0];
    let [last, symbols, glued] = [0, true, true];
    for (;;) {
      const number = this.tokens[at];
      if (number?.kind !== 'number' || (counts > 0 && number.value !== last + 1)) break;
      counts++;
      last = number.value;
      if (counts > 1) glued &&= number.glued;
      at++;
      let any = false;
      while (this.isSyllable(this.tokens[at]) && this.tokens[at + 1]?.kind !== 'of') {
        const one = this.tokens[at]!;
        if (one.kind === 'and') symbols &&= one.symbol;
        glued &&= one.glued;
        at++;
        any = true;
      }
      if (!any) return counts >= 3 && ands === counts - 1 && symbols;
      ands++;
    }
    const next = this.tokens[at];
    const isWhole = !next || ['comma', 'semicolon', 'with', 'filler'].includes(next.kind);
    return isWhole && counts > 1 && ands === counts && (!symbols || !this.isGluedEach(begin, at) || glued);
  }

  /** "1& 2&": each & belongs to its number, and the blanks part them. */
  protected isGluedEach(begin: number, end: number): boolean {
    return this.tokens.slice(begin, end).every((token) => token.kind !== 'and' || token.glued);
  }

  protected syllableOf(said: Token, number: Token & { kind: 'number' }, which?: number): Term {
    const from = Math.min(said.from, number.from);
    const to = Math.max(said.to, number.to);
    if (number.value === EVERY) return { kind: 'every syllable', said, from, to };
    return { kind: 'syllable', said, which, count: number.value, number, from, to };
  }

  /** The counts after "of": "1", "2 and 4", "every beat". */
  protected readCounts(): (Token & { kind: 'number' })[] {
    const of = this.tokens[this.index - 1]!;
    const numbers: (Token & { kind: 'number' })[] = [];
    this.skip('count', 'both');
    const every = this.take('every');
    if (every) {
      this.skip('count');
      return [{ ...every, kind: 'number', value: EVERY }];
    }
    for (;;) {
      const number = this.take('number');
      if (!number) {
        if (numbers.length) return numbers;
        throw this.notUnderstood('no-count', of, 'A count must follow “of”.', 'Say e of 1.');
      }
      numbers.push(number);
      const joined = this.is('and') ? 1 : 0;
      const next = this.peek(joined);
      // A syllable behind the number starts a place of its own: "e of 2 and 4 a".
      const isOwn = this.isSyllable(this.peek(joined + 1)) && this.peek(joined + 1)?.kind === 'word';
      if (next?.kind !== 'number' || isOwn) return numbers;
      this.index += joined;
    }
  }
}
