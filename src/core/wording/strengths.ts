import type { Judgement } from '../judging/types/judgement';
import { smallestAudibleMs } from '../judging/types/figures';
import type { ReportWords } from '../documents/verdict';
import { opening } from './phrases';

/** So many strokes have to bear out what is praised. */
const BORNE_OUT = 16;
const OF_A_LIMB = 8;
/** Facts that are told, at most. */
const MOST = 2;

/** What was good about a take, as facts that its own figures bear out; nothing where there is nothing to say. */
export function strengths({ figures, byLimb, toleranceMs, verdict }: Judgement, report: ReportWords): string[] {
  const facts: string[] = [];
  const { matched, missed, extra, tempoDriftPercent } = figures;
  if (matched >= BORNE_OUT && missed === 0 && extra === 0)
    facts.push(`No stroke left out and none too many: all ${matched} of them.`);
  const onTime = byLimb
    .filter(({ limb, matched: own }) => byLimb.length > 1 && limb !== verdict.limb && own >= OF_A_LIMB)
    .filter((one) => Math.abs(one.meanErrorMs!) <= smallestAudibleMs(0) && one.sdErrorMs! <= 0.6 * toleranceMs)
    .sort((a, b) => a.sdErrorMs! - b.sdErrorMs!)[0];
  if (onTime && verdict.about !== 'clean')
    facts.push(
      `${opening(`the ${onTime.limb}`)} is on time and even over ${onTime.matched} strokes` +
        (report === 'figures' ? `: its spread is ${Math.round(onTime.sdErrorMs!)} ms.` : '.'),
    );
  const isSteady = tempoDriftPercent !== null && Math.abs(tempoDriftPercent) < 0.1;
  if (isSteady && matched >= 2 * BORNE_OUT && !['drift', 'phrase', 'spread'].includes(verdict.about))
    facts.push('The tempo holds from beginning to end.');
  return facts.slice(0, MOST);
}
