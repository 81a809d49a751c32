'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { readGroove, writeGroove } from '@/core/documents/groove';
import { type Groove } from '@/core/groove/groove';
import { keepCopyAction, saveGrooveAction } from './actions';

/** How long the hands rest before a save, in milliseconds. */
const PAUSE = 500;

export type Saving =
  | { kind: 'saved' }
  | { kind: 'waiting' }
  | { kind: 'offline'; say: string }
  | { kind: 'behind'; theirs: Groove; saveNumber: number };

const sameGroove = (a: Groove, b: Groove): boolean => JSON.stringify(writeGroove(a)) === JSON.stringify(writeGroove(b));

const draftKey = (id: string) => `mochila draft ${id}`;

/** The draft of a groove that was edited here and did not reach the server, if it can be read. */
function readDraft(id: string): { from: number; groove: Groove } | undefined {
  try {
    const draft = JSON.parse(localStorage.getItem(draftKey(id)) ?? 'null') as { from: number; groove: unknown } | null;
    const read = draft && readGroove(draft.groove);
    return draft && read?.ok ? { from: draft.from, groove: read.value } : undefined;
  } catch {
    return undefined;
  }
}

function writeDraft(id: string, from: number, groove: Groove): void {
  try {
    localStorage.setItem(draftKey(id), JSON.stringify({ from, groove: writeGroove(groove) }));
  } catch {
    // A browser that keeps nothing still saves to the server in a moment.
  }
}

/**
 * Saves the groove by itself. Every edit is first written into this browser, so that closing the window at
 * once loses nothing: the next opening finds the draft and saves it. A groove that was saved elsewhere
 * meanwhile is shown beside this one, and the one not chosen is kept as a copy.
 */
export function useSaving(
  id: string,
  level: string,
  opened: { groove: Groove; saveNumber: number },
  groove: Groove,
  load: (groove: Groove) => void,
) {
  const [saving, setSaving] = useState<Saving>({ kind: 'saved' });
  const [tries, setTries] = useState(0);
  const from = useRef(opened.saveNumber);
  const [kept, setKept] = useState(opened.groove);
  const queue = useRef(Promise.resolve());
  /** Writes the draft of the last edit, as long as that has not been done. */
  const draft = useRef<() => void>(undefined);
  useEffect(() => {
    const write = () => draft.current?.();
    addEventListener('pagehide', write);
    return () => {
      removeEventListener('pagehide', write);
      write();
    };
  }, []);

  useEffect(() => {
    const draft = readDraft(id);
    if (!draft || sameGroove(draft.groove, opened.groove)) return localStorage.removeItem(draftKey(id));
    from.current = draft.from;
    load(draft.groove);
    // Only what this bench was opened with can bring a draft.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [id]);

  const behind = saving.kind === 'behind';
  useEffect(() => {
    if (behind) return;
    draft.current = () => {
      draft.current = undefined;
      // Undone before it was saved: the draft must not bring it back.
      const stale = groove === kept ? readDraft(id) : undefined;
      if (groove !== kept || (stale && !sameGroove(stale.groove, groove))) writeDraft(id, from.current, groove);
    };
    // Written once this edit is drawn, and at the latest when the window or the bench goes.
    const drawing = setTimeout(() => draft.current?.());
    if (groove === kept) return () => clearTimeout(drawing);
    const save = async () => {
      setSaving({ kind: 'waiting' });
      try {
        const answer = await saveGrooveAction({ id, from: from.current, groove: writeGroove(groove) });
        if (answer.kind === 'saved') {
          from.current = answer.saveNumber;
          setKept(groove);
          // An edit made meanwhile has written a draft of its own, which now starts from this save.
          draft.current?.();
          const newer = readDraft(id);
          if (newer && sameGroove(newer.groove, groove)) localStorage.removeItem(draftKey(id));
          else if (newer) writeDraft(id, answer.saveNumber, newer.groove);
          setSaving({ kind: 'saved' });
        } else if (answer.kind === 'behind') {
          const theirs = readGroove(answer.groove);
          if (theirs.ok && sameGroove(theirs.value, groove)) {
            // It was this very edit that was saved, and the answer was lost: a reload, or the network, in between.
            from.current = answer.saveNumber;
            setKept(groove);
            localStorage.removeItem(draftKey(id));
            setSaving({ kind: 'saved' });
          } else if (theirs.ok) setSaving({ kind: 'behind', theirs: theirs.value, saveNumber: answer.saveNumber });
        } else setSaving({ kind: 'offline', say: answer.say });
      } catch {
        setSaving({
          kind: 'offline',
          say: 'The server cannot be reached. Your edits are kept in this browser and saved by themselves.',
        });
        setTimeout(() => setTries((before) => before + 1), 5000);
      }
    };
    // One save after another, so that each starts from the one before it.
    const timer = setTimeout(() => void (queue.current = queue.current.then(save)), PAUSE);
    return () => {
      clearTimeout(drawing);
      clearTimeout(timer);
    };
  }, [groove, kept, id, behind, tries]);

  /** Goes on with this window's groove or with the other's; the other one is kept as a copy. */
  const choose = useCallback(
    async (which: 'mine' | 'theirs') => {
      if (saving.kind !== 'behind') return;
      const copied = await keepCopyAction(writeGroove(which === 'mine' ? saving.theirs : groove), level);
      if (!copied.ok) return;
      from.current = saving.saveNumber;
      if (which === 'theirs') {
        setKept(saving.theirs);
        localStorage.removeItem(draftKey(id));
        load(saving.theirs);
      }
      setSaving({ kind: 'saved' });
    },
    [saving, groove, level, load, id],
  );

  // From the edit on, not from the moment its save begins: "Saved" is never said of what is not.
  return { saving: saving.kind === 'saved' && groove !== kept ? { kind: 'waiting' as const } : saving, choose };
}
