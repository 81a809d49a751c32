import type { Dynamic } from '@/core/documents/chart';
import type { NoteValue } from '@/core/time/noteValue';

/** Signs of the engraver's font, by the standard layout of music fonts (SMuFL 1.4). */
export const SEGNO = '\ue047';
export const CODA = '\ue048';
export const FERMATA = '\ue4c0';
const LOUDNESS = { p: '\ue520', m: '\ue521', f: '\ue522' } as const;

export const dynamicGlyphs = (dynamic: Dynamic): string =>
  [...dynamic].map((letter) => LOUDNESS[letter as 'p' | 'm' | 'f']).join('');

const NOTES: Partial<Record<string, string>> = {
  whole: '\ueca2',
  half: '\ueca3',
  quarter: '\ueca5',
  '8th': '\ueca7',
  '16th': '\ueca9',
  '32nd': '\uecab',
};
const DOT = '\uecb7';

/** A note value as it is engraved in a tempo, with what is written beside it: "3" over a triplet. */
export function noteGlyph(value: NoteValue): { glyph: string; beside?: string } {
  const isDotted = value.startsWith('dotted ');
  const [plain, group] = value.replace('dotted ', '').split(' ');
  const glyph = (NOTES[plain!] ?? '') + (isDotted ? DOT : '');
  const many = { triplet: '3', quintuplet: '5', septuplet: '7' }[group ?? ''];
  return many ? { glyph, beside: many } : { glyph };
}
