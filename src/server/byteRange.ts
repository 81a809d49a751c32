/** The bytes that are asked for, the first and the one after the last. */
export interface ByteRange {
  from: number;
  to: number;
}

/**
 * What a Range header asks of so many bytes (RFC 9110, 14.1.2): nothing where it asks for the whole, for several ranges
 * at once or in another unit, `impossible` where it lies outside.
 */
export function byteRange(header: string | null, bytes: number): ByteRange | 'impossible' | undefined {
  const asked = /^bytes=(\d*)-(\d*)$/.exec(header?.trim() ?? '');
  if (!asked || (!asked[1] && !asked[2])) return undefined;
  // Without a first byte it is so many of the last.
  const from = asked[1] ? Number(asked[1]) : Math.max(0, bytes - Number(asked[2]));
  const to = asked[1] && asked[2] ? Math.min(bytes, Number(asked[2]) + 1) : bytes;
  if (asked[1] && asked[2] && Number(asked[2]) < Number(asked[1])) return undefined;
  return from < to ? { from, to } : 'impossible';
}
