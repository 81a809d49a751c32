import { createHash } from 'node:crypto';

/**
 * A UUID made from a name, the same every time: of version 8, which holds what its maker likes (RFC 9562), unless
 * another is asked for.
 */
export function idFrom(name: string, version: '4' | '8' = '8'): string {
  const hex = createHash('sha256').update(name).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${version}${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
