import type { NoteValue } from '../time/noteValue';
import { sameSyllable } from '../counting/sayPlace';
import type { School } from '../counting/schools';
import type { Remedy } from '../counting/spoken';
import { mayBeSyllable } from './tokens';
import type { Token, TokenKind } from './words';

/** A place as it is said, before it is looked for in a grid. */
export type Term =
  | { kind: 'count'; count: number; from: number; to: number; number: Token }
  | { kind: 'syllable'; said: Token; which?: number; count: number; number: Token; from: number; to: number }
  | { kind: 'every syllable'; said: Token; from: number; to: number }
  | { kind: 'slot'; slot: Token & { kind: 'number' }; count: number; number: Token; from: number; to: number }
  | {
      kind: 'every count' | 'four on the floor' | 'every slot' | 'off-beats' | 'backbeat' | 'last count';
      from: number;
      to: number;
    }
  | { kind: 'last'; from: number; to: number; value?: NoteValue; text?: string }
  | {
      kind: 'value';
      value: NoteValue;
      step: number;
      /** The counts it fills; all when left out. */
      within?: number[];
      from: number;
      to: number;
      text: string;
    };

/** Several places, and those among them that are left out. */
export interface Places {
  terms: Term[];
  except: Term[];
}

/** What was not understood, thrown where it is met: a phrase is placed whole or not at all. */
export class NotUnderstood extends Error {
  constructor(
    readonly code: string,
    readonly token: { text: string; from: number; to: number },
    readonly say: string,
    readonly remedy: string,
    readonly remedies: Remedy[] = [],
  ) {
    super(say);
  }
}

/** The plural of a syllable is every one of it: "e's", "ands", "&s". */
const singular = (text: string): string | undefined => /^(.+?)['’]?s$/i.exec(text)?.[1];

/** Reads the words of a phrase one after another; knows the syllables of a school, and no groove. */
export class PhraseReader {
  protected index = 0;

  protected readonly tokens: readonly Token[];

  constructor(
    tokens: readonly Token[],
    protected readonly school: School,
  ) {
    // A syllable of the school is one, though it says nothing elsewhere or is short for something.
    const isOwn = (token: Token) => token.kind !== 'and' && mayBeSyllable(token) && this.isKnown(token.text);
    this.tokens = tokens.map((token) => (isOwn(token) ? { ...token, kind: 'word' } : token));
  }

  protected get token(): Token | undefined {
    return this.tokens[this.index];
  }

  protected peek(ahead = 1): Token | undefined {
    return this.tokens[this.index + ahead];
  }

  protected is(...kinds: TokenKind[]): boolean {
    return this.token !== undefined && kinds.includes(this.token.kind);
  }

  protected take<K extends TokenKind>(...kinds: K[]): Extract<Token, { kind: K }> | undefined {
    const token = this.token;
    if (!token || !(kinds as TokenKind[]).includes(token.kind)) return undefined;
    this.index++;
    return token as Extract<Token, { kind: K }>;
  }

  /** Passes over words that say nothing by themselves. */
  protected skip(...kinds: TokenKind[]): void {
    while (this.is('filler', 'article', ...kinds) || this.isArticle()) this.index++;
  }

  /** "a" before what is no count: "a ghost", "a 16th later". */
  protected isArticle(): boolean {
    const next = this.peek();
    return (
      this.token?.kind === 'word' &&
      this.token.text.toLowerCase() === 'a' &&
      next !== undefined &&
      ['height', 'ornament', 'value', 'surface', 'limb', 'plain', 'count', 'bar'].includes(next.kind)
    );
  }

  protected syllables(): string[] {
    return [...new Set(Object.values(this.school.syllables).flat().filter(Boolean))];
  }

  protected isKnown(text: string): boolean {
    return this.syllables().some((one) => sameSyllable(one, text));
  }

  /** A word of the school, or the & as it is said everywhere. */
  protected isSyllable(token: Token | undefined): boolean {
    return token !== undefined && (token.kind === 'and' || (token.kind === 'word' && this.isKnown(token.text)));
  }

  /** A syllable in the plural; the token of one of it. */
  protected pluralOf(token: Token | undefined): Token | undefined {
    if (token?.kind !== 'word') return undefined;
    const one = singular(token.text);
    if (!one || this.isKnown(token.text)) return undefined;
    return this.isKnown(one) || sameSyllable('&', one) ? { ...token, text: one } : undefined;
  }

  protected noCount(said: Token): NotUnderstood {
    return this.notUnderstood(
      'no-count',
      said,
      `“${said.text}” of which count?`,
      `Say ${said.text} of 1, or every ${said.text}.`,
      [
        { words: `${said.text} of 1`, replace: `${said.text} of 1` },
        { words: `every ${said.text}`, replace: `every ${said.text}` },
      ],
    );
  }

  protected notInSchool(said: Token): NotUnderstood {
    const near = this.syllables().filter((one) => one[0] === said.text[0]?.toLowerCase());
    return this.notUnderstood(
      'not-in-school',
      said,
      `Nobody says “${said.text}” in this school of counting.`,
      `It has ${this.syllables().join(', ')}.`,
      near.slice(0, 2).map((one) => ({ words: `say ${one}`, replace: one })),
    );
  }

  protected notUnderstood(
    code: string,
    token: { text: string; from: number; to: number },
    say: string,
    remedy: string,
    remedies: Remedy[] = [],
  ): NotUnderstood {
    return new NotUnderstood(code, token, say, remedy, remedies);
  }
}
