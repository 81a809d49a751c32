import { SUBJECTS } from '@/core/documents/listening';
import type { ClickPlanName } from '@/core/time/clickPlan';
import { tempoInWords } from '@/ui/words/figures';
import type { HomeworkChoice } from './HomeworkForm';
import { DRILL, EAR, TUNE } from './shapes';

/** The tempo that stands with what is only listened to: a column that wants one. */
const ANY_TEMPO = 80;

/**
 * All that can be set: the shelf's grooves, the charts, what is read at sight, the drills, the tunes that a groove
 * fits, and what is listened to.
 */
export function homeworkChoices(
  grooves: readonly { id: string; title: string; tempo: number; archived: boolean }[],
  drills: readonly { id: string; name: string; goal: number; click: ClickPlanName }[],
  tunes: readonly { id: string; title: string; tempo: number; grooves: readonly unknown[] }[],
  charts: readonly { id: string; title: string; tempo: number; at_sight: boolean }[],
): HomeworkChoice[] {
  return [
    ...grooves
      .filter(({ archived }) => !archived)
      .map(({ id, title, tempo }) => ({
        value: id,
        label: `${title} (${tempoInWords(tempo)})`,
        tempo,
        click: 'counts' as const,
      })),
    ...charts.map(({ id, title, tempo, at_sight }) => ({
      value: id,
      label: `${at_sight ? 'At sight' : 'Chart'}: ${title} (${tempoInWords(tempo)})`,
      tempo,
      click: 'counts' as const,
    })),
    ...drills.map(({ id, name, goal, click }) => ({
      value: `${DRILL}${id}`,
      label: `Drill: ${name} (${tempoInWords(goal)})`,
      tempo: goal,
      click,
    })),
    ...tunes
      .filter((tune) => tune.grooves.length)
      .map(({ id, title, tempo }) => ({
        value: `${TUNE}${id}`,
        label: `Tune: ${title} (${tempoInWords(tempo)})`,
        tempo,
        click: 'counts' as const,
      })),
    ...SUBJECTS.map((subject) => ({
      value: `${EAR}${subject}`,
      label: `By ear: ${subject}`,
      tempo: ANY_TEMPO,
      click: 'counts' as const,
    })),
  ];
}
