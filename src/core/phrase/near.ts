/** How many letters one word must change to become another (Levenshtein). */
function distance(one: string, other: string): number {
  let row = Array.from({ length: other.length + 1 }, (_, index) => index);
  for (let at = 1; at <= one.length; at++) {
    const next = [at];
    for (let to = 1; to <= other.length; to++)
      next.push(Math.min(row[to]! + 1, next[to - 1]! + 1, row[to - 1]! + (one[at - 1] === other[to - 1] ? 0 : 1)));
    row = next;
  }
  return row.at(-1)!;
}

/** The words most like one that is not known: at most two, no more than two fifths of their letters off. */
export function near(word: string, known: readonly string[]): string[] {
  const typed = word.toLowerCase();
  if (!/[\p{L}\d&]/u.test(typed)) return [];
  return known
    .map((one) => ({ one, off: distance(typed, one) }))
    .filter(({ one, off }) => off > 0 && off <= Math.max(1, Math.floor(one.length * 0.4)))
    .sort((a, b) => a.off - b.off)
    .slice(0, 2)
    .map(({ one }) => one);
}
