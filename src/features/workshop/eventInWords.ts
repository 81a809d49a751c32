import type { EventRow } from '@/server/events';

/** An event as a sentence: "Oda set a new password for Pim". */
export function eventInWords({ kind, by, about, detail, is_own }: Omit<EventRow, 'id' | 'happened_at'>): string {
  const who = by ?? 'At the server somebody';
  const whom = about ?? 'somebody who is gone';
  switch (kind) {
    case 'signed in':
      return `${whom} signed in`;
    case 'password set':
      return is_own ? `${whom} changed the password` : `${who} set a password for ${whom}`;
    case 'person added':
      return `${who} added ${whom}`;
    case 'person changed':
      return `${who} changed ${is_own ? 'their own set-up' : whom} (${detail})`;
    case 'invited':
      return `${who} made a link for ${whom} to come in by`;
    case 'deleted':
      return `${who} deleted a student for good`;
    case 'archived':
      return `${who} archived ${whom}`;
    case 'brought back':
      return `${who} brought ${whom} back`;
    case 'homework set':
      return `${who} set “${detail}” for ${whom}`;
    case 'teacher added':
      return `${who} added ${whom} as a teacher`;
    case 'shared':
      return `${who} gave ${whom} to ${detail} as a student`;
    case 'shared no more':
      return `${who} took ${whom} from the students of ${detail}`;
    case 'owner made':
      return `${who} made ${whom} an owner`;
    case 'owner ended':
      return `${who} made ${whom} an owner no more`;
    case 'homework changed':
      return `${who} changed “${detail}” for ${whom}`;
    case 'homework set again':
      return `${who} set “${detail}” again for ${whom}`;
    case 'homework undone':
      return `${who} took back “${detail}” from ${whom}`;
    case 'homework ended':
      return `${who} ended “${detail}” for ${whom}`;
    case 'settings changed':
      return `${who} changed the settings of the workshop`;
    case 'backup made':
      return `${who} took the workshop as one file`;
    case 'restored':
      return `${who} brought the workshop in from a file`;
    case 'demo removed':
      return `${who} took the demo away`;
  }
}
