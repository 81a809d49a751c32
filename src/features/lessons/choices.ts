import { SUBJECTS } from '@/core/documents/listening';
import type { StepOpens } from '@/core/documents/lesson';

/** Something a step of a lesson can open, as it stands in a list. */
export interface OpensChoice {
  label: string;
  group: 'Set' | 'Grooves' | 'Charts' | 'Drills' | 'By ear';
  opens: StepOpens;
}

/** All that a step can open: the shelf's grooves, the charts, the drills, and what is listened to. */
export function opensChoices(
  grooves: readonly { id: string; title: string; tempo: number; archived: boolean }[],
  drills: readonly { id: string; name: string; goal: number }[],
  charts: readonly { id: string; title: string; tempo: number }[],
): OpensChoice[] {
  return [
    ...grooves
      .filter(({ archived }) => !archived)
      .map(({ id, title, tempo }): OpensChoice => ({
        label: title,
        group: 'Grooves',
        opens: { what: 'groove', id, title, bpm: tempo },
      })),
    ...charts.map(({ id, title, tempo }): OpensChoice => ({
      label: title,
      group: 'Charts',
      opens: { what: 'groove', id, title, bpm: tempo },
    })),
    ...drills.map(({ id, name, goal }): OpensChoice => ({
      label: name,
      group: 'Drills',
      opens: { what: 'drill', id, title: name, bpm: goal },
    })),
    ...SUBJECTS.map((subject): OpensChoice => ({
      label: subject,
      group: 'By ear',
      opens: { what: 'by ear', subject },
    })),
  ];
}

const keyOf = (opens: StepOpens) => (opens.what === 'by ear' ? opens.subject : opens.id);
/** Whether two open the same, at whatever tempo. */
export const opensSame = (a: StepOpens, b: StepOpens): boolean => a.what === b.what && keyOf(a) === keyOf(b);
