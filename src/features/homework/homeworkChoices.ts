import { SUBJECTS } from '@/core/documents/listening';
import type { ClickPlanName } from '@/core/time/clickPlan';
import { tempoInWords } from '@/ui/words/figures';
import type { HomeworkChoice } from './HomeworkForm';
import { DRILL, EAR } from './shapes';

/** The tempo that stands with what is only listened to: a column that wants one. */
const ANY_TEMPO = 80;

/** All that can be set: the shelf's grooves, the drills, and what is listened to. */
export function homeworkChoices(
  grooves: readonly { id: string; title: string; tempo: number; archived: boolean }[],
  drills: readonly { id: string; name: string; goal: number; click: ClickPlanName }[],
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
    ...drills.map(({ id, name, goal, click }) => ({
      value: `${DRILL}${id}`,
      label: `Drill: ${name} (${tempoInWords(goal)})`,
      tempo: goal,
      click,
    })),
    ...SUBJECTS.map((subject) => ({
      value: `${EAR}${subject}`,
      label: `By ear: ${subject}`,
      tempo: ANY_TEMPO,
      click: 'counts' as const,
    })),
  ];
}
