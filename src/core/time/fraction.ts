/**
 * Exact fractions, in lowest terms, denominator above 0. Positions and lengths are fractions of a
 * whole note; nothing in the core rounds them.
 *
 * Plain `{ n, d }` records of safe integers, not class instances: they cross to workers, IndexedDB
 * and JSON unchanged. A result outside the safe integers throws a RangeError instead of rounding;
 * the largest thing we count (512 bars of 32nds, triplets, quintuplets and septuplets) stays far below.
 */
export interface Fraction {
  readonly n: number;
  readonly d: number;
}

/** A position or a length as a fraction of a whole note: a quarter is 1/4. */
export type WholeNotes = Fraction;

export function gcd(a: number, b: number): number {
  a = Math.abs(a);
  b = Math.abs(b);
  while (b) [a, b] = [b, a % b];
  return a;
}

export function lcm(a: number, b: number): number {
  return safe((a / gcd(a, b)) * b);
}

function safe(value: number): number {
  if (!Number.isSafeInteger(value)) throw new RangeError(`A fraction needs whole numbers below 2^53, not ${value}`);
  return value;
}

/** n/d in lowest terms. Throws RangeError when d is 0 or either is not a safe integer. */
export function frac(n: number, d = 1): Fraction {
  safe(n);
  safe(d);
  if (d === 0) throw new RangeError('A fraction cannot have 0 below the line');
  if (n === 0) return ZERO;
  const g = gcd(n, d);
  const sign = d < 0 ? -1 : 1;
  return { n: (sign * n) / g, d: (sign * d) / g };
}

export const ZERO: Fraction = { n: 0, d: 1 };
export const ONE: Fraction = { n: 1, d: 1 };

export function add(a: Fraction, b: Fraction): Fraction {
  if (a.d === b.d) return frac(safe(a.n + b.n), a.d);
  const g = gcd(a.d, b.d);
  return frac(safe(safe(a.n * (b.d / g)) + safe(b.n * (a.d / g))), safe((a.d / g) * b.d));
}

export const negate = (a: Fraction): Fraction => (a.n === 0 ? ZERO : { n: -a.n, d: a.d });
export const sub = (a: Fraction, b: Fraction): Fraction => add(a, negate(b));

/** a × b, divided crosswise first so that the product stays small. */
export function mul(a: Fraction, b: Fraction): Fraction {
  const g1 = gcd(a.n, b.d) || 1;
  const g2 = gcd(b.n, a.d) || 1;
  return frac(safe((a.n / g1) * (b.n / g2)), safe((a.d / g2) * (b.d / g1)));
}

/** a ÷ b. Throws RangeError when b is 0. */
export const div = (a: Fraction, b: Fraction): Fraction => mul(a, frac(b.d, b.n));

/** Below 0 when a comes before b, 0 when they are the same, above 0 when a comes after. */
export function compare(a: Fraction, b: Fraction): number {
  return a.d === b.d ? a.n - b.n : sub(a, b).n;
}

export const equal = (a: Fraction, b: Fraction): boolean => a.n === b.n && a.d === b.d;
export const less = (a: Fraction, b: Fraction): boolean => compare(a, b) < 0;
export const floor = (a: Fraction): number => Math.floor(a.n / a.d);
export const sum = (all: readonly Fraction[]): Fraction => all.reduce(add, ZERO);

/** The part of a that is left after whole lots of b, always 0 or more: where a place falls in its bar. */
export function modulo(a: Fraction, b: Fraction): Fraction {
  return sub(a, mul(b, frac(floor(div(a, b)))));
}

/** The float nearest to the fraction: only for handing to sound or screen. */
export const toNumber = (a: Fraction): number => a.n / a.d;

/** "3/16", or "2" for a whole number. */
export const format = (a: Fraction): string => (a.d === 1 ? String(a.n) : `${a.n}/${a.d}`);

/** Reads "3/16" or "2"; undefined when the text is neither. */
export function parse(text: string): Fraction | undefined {
  const match = /^\s*(-?\d{1,15})(?:\s*\/\s*(\d{1,15}))?\s*$/.exec(text);
  if (!match || Number(match[2] ?? 1) === 0) return undefined;
  return frac(Number(match[1]), Number(match[2] ?? 1));
}

/** Reads a fraction written in our own code. Throws when it is not one. */
export function exact(text: string): Fraction {
  const value = parse(text);
  if (!value) throw new RangeError(`"${text}" is not a fraction`);
  return value;
}

/**
 * Decimals are read in these parts: thousandths, and the thirds and sixteenths that a tempo comes to when it is
 * counted otherwise.
 */
const DECIMAL_PARTS = 12_000;

/** A decimal (97.5, 33.333…) as the exact fraction it stands for, to three places. */
export const fromDecimal = (value: number): Fraction => frac(Math.round(value * DECIMAL_PARTS), DECIMAL_PARTS);
