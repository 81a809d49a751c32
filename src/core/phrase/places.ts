import { CountingReader } from './countedLine';
import type { Places, Term } from './phrase';
import type { Token } from './words';

/** "the beats": all of them. */
const isPlural = ({ text }: Token): boolean => /s$/i.test(text);

/** Reads places as they are said, and nothing else. */
export class PlaceReader extends CountingReader {
  protected startsTerm(at: number): boolean {
    const token = this.tokens[at];
    if (!token || this.isHowFar(at)) return false;
    switch (token.kind) {
      case 'number':
      case 'value':
      case 'slot':
      case 'everywhere':
      case 'offBeats':
      case 'downbeats':
      case 'backbeat':
      case 'fourOnTheFloor':
        return true;
      case 'ordinal':
      case 'last':
        return this.tokens[at + 1]?.kind !== 'bar';
      case 'count':
        return this.tokens[at + 1]?.kind === 'number' || isPlural(token);
      case 'every':
        return !this.isOfThings(at);
      case 'filler':
      case 'article':
        return this.startsTerm(at + 1);
      case 'and':
        // “&” may be a syllable with others; “and” joins them.
        return token.symbol ? this.leadsToOf(at) || this.isGluedTo(at) : this.tokens[at + 1]?.kind === 'of';
      case 'word':
        return this.pluralOf(token) !== undefined || this.leadsToOf(at);
      default:
        return false;
    }
  }

  /** "all the hats", "every bar": what plays or which bars, and no places. */
  private isOfThings(every: number): boolean {
    let at = every + 1;
    while (this.tokens[at]?.kind === 'filler') at++;
    const kind = this.tokens[at]?.kind;
    return kind === 'bar' || kind === 'bars' || kind === 'surface' || kind === 'limb';
  }

  protected startsPlaces(): boolean {
    return this.startsTerm(this.index);
  }

  /** "1 and 3", "the e and a of 1", "every 8th except the last one": everything that is said of places in one go. */
  protected readPlaces(): Places {
    const terms = this.readTerms();
    const except: Term[] = [];
    while (this.isExcept()) {
      this.index++;
      this.skip();
      if (!this.startsPlaces())
        throw this.notUnderstood(
          'except-what',
          this.tokens[this.index - 1]!,
          'Except where?',
          'Say except on 2 and 4.',
        );
      except.push(...this.readTerms());
    }
    return { terms, except };
  }

  /** "except", and "without" where places follow. */
  protected isExcept(): boolean {
    if (this.is('except')) return this.startsTerm(this.index + 1) || this.index + 1 >= this.tokens.length;
    const isWithout = this.is('remove') && /^(?:without|minus|not|leave out|no)$/i.test(this.token!.text);
    return isWithout && this.startsTerm(this.index + 1);
  }

  protected readTerms(): Term[] {
    const terms: Term[] = [];
    for (;;) {
      this.skip();
      if (this.is('count') && this.peek()?.kind === 'number') this.index++;
      terms.push(...this.readTerm());
      // "and the last one" is said of what is said before it.
      const isLastNext = this.tokens.slice(this.index + 1, this.index + 3).some(({ kind }) => kind === 'last');
      if (this.is('and') && this.startsTerm(this.index + 1) && !isLastNext) this.index++;
      else if (!this.startsTerm(this.index) || this.is('filler', 'article')) return terms;
    }
  }

  /** "&2" is the & of 2. */
  private isGluedTo(and: number): boolean {
    const next = this.tokens[and + 1];
    return next?.kind === 'number' && next.glued;
  }

  /** "the first beat", "the first, third and last beat". */
  private readOrdinals(): Term[] | undefined {
    const begin = this.index;
    const terms: Term[] = [];
    for (;;) {
      const one = this.take('ordinal', 'last');
      if (!one) break;
      const { from, to } = one;
      terms.push(
        one.kind === 'last'
          ? { kind: 'last count', from, to }
          : { kind: 'count', count: one.value, number: one, from, to },
      );
      let next = this.index;
      while (['and', 'comma', 'article', 'filler'].includes(this.tokens[next]?.kind ?? '')) next++;
      if (next > this.index && ['ordinal', 'last'].includes(this.tokens[next]?.kind ?? '')) this.index = next;
    }
    if (this.take('count')) return terms;
    this.index = begin;
    return undefined;
  }

  /** "16ths on beat 4", "triplets in counts 2 and 3": only so far. */
  private readWithin(): number[] | undefined {
    const begin = this.index;
    this.skip('in');
    if (this.is('count') && this.peek()?.kind === 'number') {
      this.index++;
      return this.readNumbers();
    }
    this.index = begin;
    return undefined;
  }

  private readNumbers(): number[] {
    const numbers: number[] = [];
    for (let number = this.take('number'); number; number = this.take('number')) {
      numbers.push(number.value);
      if (this.is('and') && this.peek()?.kind === 'number') this.index++;
    }
    return numbers;
  }

  protected readTerm(): Term[] {
    const token = this.token;
    if (!token) throw this.notUnderstood('no-place', this.tokens.at(-1)!, 'Where?', 'Say a count, like 1.');
    const { from, to } = token;
    switch (token.kind) {
      case 'number':
        return this.readLine();
      case 'every':
        return this.readEvery();
      case 'value':
        this.index++;
        return [{ kind: 'value', value: token.value, step: 1, from, to, text: token.text, within: this.readWithin() }];
      case 'everywhere':
        this.index++;
        return [{ kind: 'every slot', from, to }];
      case 'downbeats':
        this.index++;
        return [{ kind: 'every count', from, to }];
      case 'fourOnTheFloor':
        this.index++;
        return [{ kind: 'four on the floor', from, to }];
      case 'offBeats':
        this.index++;
        return [{ kind: 'off-beats', from, to }];
      case 'backbeat':
        this.index++;
        return [{ kind: 'backbeat', from, to }];
      case 'count':
        this.index++;
        return [{ kind: 'every count', from, to }];
      case 'last': {
        this.index++;
        if (this.take('count')) return [{ kind: 'last count', from, to }];
        const value = this.take('value');
        return [{ kind: 'last', from, to: value?.to ?? to, ...(value && { value: value.value, text: value.text }) }];
      }
      case 'ordinal': {
        const beats = this.readOrdinals();
        return beats ?? this.readSyllablesOf();
      }
      case 'and':
        if (this.isGluedTo(this.index)) {
          this.index++;
          return [this.syllableOf(token, this.take('number')!)];
        }
        return this.readSyllablesOf();
      default: {
        const plural = this.pluralOf(token);
        if (plural) {
          this.index++;
          if (!this.take('of')) return [{ kind: 'every syllable', said: plural, from, to }];
          return this.readCounts().map((number) => this.syllableOf(plural, number));
        }
        return this.readSyllablesOf();
      }
    }
  }

  /** "e of 2 and 4", "the e and a of every beat", "second trip of 3", "slot 2 of 1". */
  protected readSyllablesOf(): Term[] {
    const first = this.token!;
    const which = this.take('ordinal')?.value;
    const isSlot = this.take('slot') !== undefined;
    const said: Token[] = [];
    while (this.token && this.token.kind !== 'of') {
      const token = this.token;
      const next = this.peek();
      if (token.kind === 'filler') this.index++;
      // "e and a": joined. "e & a": counted.
      else if (token.kind === 'and' && said.length && next?.kind !== 'of' && !token.symbol) this.index++;
      else if (isSlot ? token.kind === 'number' : token.kind === 'word' || token.kind === 'and') {
        said.push(token);
        this.index++;
        if (!isSlot && token.kind === 'word' && !this.isKnown(token.text)) throw this.notInSchool(token);
      } else break;
    }
    if (!said.length)
      throw this.notUnderstood(
        first.kind === 'of' ? 'no-syllable' : 'no-place',
        first,
        first.kind === 'of' ? 'Which syllable of the count?' : 'This is not a place in the bar.',
        `Say a count, or a syllable like ${this.syllables()[0] ?? '&'} of 1.`,
      );
    if (!this.take('of')) throw this.noCount(said.at(-1)!);
    return this.readCounts().flatMap((number) =>
      said.map((one): Term => {
        const place = {
          count: number.value,
          number,
          from: Math.min(one.from, number.from),
          to: Math.max(one.to, number.to),
        };
        if (isSlot) return { kind: 'slot', slot: one as Token & { kind: 'number' }, ...place };
        return this.syllableOf(one, number, which);
      }),
    );
  }

  /** "every &", "every e and a", "every count", "all the 8ths", "every other 16th". */
  protected readEvery(): Term[] {
    const every = this.take('every')!;
    const other = this.take('other') && 2;
    const step = other ?? this.take('ordinal')?.value ?? 1;
    this.skip();
    if (this.is('offBeats', 'downbeats', 'backbeat')) return this.readTerm();
    const value = this.take('value');
    if (value) return [{ kind: 'value', value: value.value, step, from: every.from, to: value.to, text: value.text }];
    const place = (token: Token) => ({ from: every.from, to: token.to });
    const count = this.take('count');
    if (count) return [{ kind: 'every count', ...place(count) }];
    const slot = this.take('slot');
    if (slot) return [{ kind: 'every slot', ...place(slot) }];
    const four = this.take('number');
    if (four) return [{ kind: 'every count', ...place(four) }];
    // "all ghosts": everywhere, and so loud.
    if (this.is('height', 'ornament')) return [{ kind: 'every slot', ...place(every) }];
    const said: Term[] = [];
    for (;;) {
      const token = this.token;
      const one = this.pluralOf(token) ?? (this.isSyllable(token) ? token : undefined);
      if (!one || (one.kind === 'and' && said.length && !this.isSyllableNext())) break;
      if (one.kind === 'and' && said.length && !one.symbol) {
        this.index++;
        continue;
      }
      this.index++;
      said.push({ kind: 'every syllable', said: one, ...place(one) });
      this.skip();
    }
    if (said.length) return said;
    if (this.token?.kind === 'word') throw this.notInSchool(this.token);
    throw this.notUnderstood('every-what', every, 'Every what?', 'Say every &, every count or every slot.');
  }

  protected isSyllableNext(): boolean {
    const next = this.peek();
    return this.isSyllable(next) || this.pluralOf(next) !== undefined;
  }
}
