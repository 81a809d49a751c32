import { SUBJECTS } from '@/core/documents/listening';
import type { StepOpens } from '@/core/documents/lesson';

/** Something a step of a lesson can open, as it stands in a list. */
export interface OpensChoice {
  label: string;
  group: 'Set' | 'Grooves' | 'Charts' | 'At sight' | 'Drills' | 'By ear';
  opens: StepOpens;
}

/** All that a step can open: the shelf's grooves, the charts, the drills, and what is listened to. */
export function opensChoices(
  grooves: readonly { id: string; title: string; tempo: number; archived: boolean }[],
  drills: readonly { id: string; name: string; goal: number }[],
  charts: readonly { id: string; title: string; tempo: number; at_sight: boolean }[],
): OpensChoice[] {
  return [
    ...grooves
      .filter(({ archived }) => !archived)
      .map(({ id, title, tempo }): OpensChoice => ({
        label: title,
        group: 'Grooves',
        opens: { what: 'groove', id, title, bpm: tempo },
      })),
    ...charts.toSorted(chartsFirst).map(({ id, title, tempo, at_sight }): OpensChoice => ({
      label: title,
      group: at_sight ? 'At sight' : 'Charts',
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

/** A group stands in one piece. */
const chartsFirst = (one: { at_sight: boolean }, other: { at_sight: boolean }) =>
  Number(one.at_sight) - Number(other.at_sight);
