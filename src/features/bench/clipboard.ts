import type { Groove } from '@/core/groove/groove';
import { readGroove, writeGroove } from '@/core/documents/groove';
import type { Place } from '@/core/groove/edit';
import { pasteAt, type Clip } from '@/core/groove/region';
import type { Answer } from '@/core/groove/transformed';
import { fail } from '@/core/result';

const KEY = 'mochila clip';

/** Keeps what was copied in this browser, so that it can be pasted into another groove. */
export function keepClip(clip: Clip): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(clip));
  } catch {
    // A browser that keeps nothing pastes nothing; the edit that follows says so.
  }
}

/** Pastes what was copied last at a slot. What another version of Mochila left behind is not trusted. */
export function pasteClip(groove: Groove, place: Place): Answer {
  const nothing = fail({
    code: 'nothing-copied',
    path: [],
    where: '',
    say: 'Nothing has been copied.',
    remedy: 'Select with Shift and copy first.',
  });
  try {
    const clip = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Clip | null;
    if (!clip?.strokes.length) return nothing;
    const pasted = pasteAt(groove, place, clip);
    return pasted.ok && !readGroove(writeGroove(pasted.value.groove)).ok ? nothing : pasted;
  } catch {
    return nothing;
  }
}
