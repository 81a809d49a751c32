import type { AboutRecording } from '@/core/hearing/index';
import type { Ms } from '@/core/time/units';

/** "1:05.3" */
export function clockInWords(ms: Ms): string {
  const tenths = Math.round(ms / 100);
  return `${Math.floor(tenths / 600)}:${String(Math.floor((tenths % 600) / 10)).padStart(2, '0')}.${tenths % 10}`;
}

export function strokesInWords(strokes: number): string {
  if (strokes === 0) return 'No stroke';
  return strokes === 1 ? 'One stroke' : `${strokes.toLocaleString('en')} strokes`;
}

/** So large a share of cut-off samples is worth a word. */
const CLIPPED = 2e-5;
const TALKED = 0.5;

/** What a recording is like that makes it hard to hear, and what would help; nothing where all is well. */
export function troublesOf({ isSilent, clipped, hums, talk }: AboutRecording, strokes: number): string[] {
  if (isSilent)
    return ['The recording is silent. Check that the right microphone was chosen and that it was not muted.'];
  return [
    clipped > CLIPPED &&
      'The loudest strokes are cut off: the microphone was too near or turned up too far. They are heard, but not how loud they were.',
    hums && 'It hums: most of its sound is below every drum. Move the microphone away from mains and fans.',
    talk >= TALKED && 'Somebody talks in most of it. No strokes are taken from talk.',
    strokes === 1 && 'There is one stroke in it. Nothing about time can be said from one.',
    strokes === 0 &&
      talk < TALKED &&
      'No stroke stands out of it. Record nearer to the drum, or with less noise around.',
  ].filter((one) => one !== false);
}
