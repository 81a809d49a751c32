/**
 * What is pinned of a value: numbers to five digits, so that it holds the arithmetic and not its last bit; what is
 * listed is listed as an array.
 */
export function pinned(value: unknown): unknown {
  if (typeof value === 'number') return Number.isFinite(value) ? Number(value.toPrecision(5)) + 0 : String(value);
  if (value instanceof Map) return pinned([...value]);
  if (value instanceof Set || ArrayBuffer.isView(value)) return pinned([...(value as unknown as Iterable<unknown>)]);
  if (Array.isArray(value)) return value.map(pinned);
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(
      Object.entries(value).flatMap(([name, one]) => (one === undefined ? [] : [[name, pinned(one)]])),
    );
  return value;
}

/** A line of text each, for a snapshot that is read and compared line by line. */
export const pinnedLines = (all: Iterable<unknown>): string =>
  ['', ...[...all].map((one) => line(pinned(one))), ''].join('\n');

/** `late 12.5 {a 1, b 2} [1 2]`: without the quotes and commas that nobody looks for. */
function line(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(line).join(' ')}]`;
  if (typeof value === 'object' && value !== null)
    return Object.entries(value)
      .map(
        ([name, one]) =>
          `${name}: ${typeof one === 'object' && one !== null && !Array.isArray(one) ? `{${line(one)}}` : line(one)}`,
      )
      .join(', ');
  return String(value);
}
