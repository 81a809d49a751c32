/**
 * A sign-in name in the one form it is kept, looked for and counted in: compatible characters brought together (NFKC)
 * and case folded, so that no two names look alike and none is another in disguise.
 */
export const asTypedName = (typed: string): string => typed.trim().normalize('NFKC').toLowerCase().normalize('NFKC');
