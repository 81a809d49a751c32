import type { Rule } from '../documents/rule';
import { makeDrill } from '../drill/drill';
import { familyNamed } from '../drill/registry';
import { usualRule } from '../drill/rule';
import type { Groove } from '../groove/groove';

/** A rule of the family named, as it stands when a teacher opens it, but for what is given. */
export const rule = (family: string, params: Record<string, unknown> = {}, more: object = {}): Rule =>
  usualRule(familyNamed(family)!, { params, most: 1000, order: 'as generated', ...more });
/** What it makes; throws where it makes nothing. */
export function made(family: string, params: Record<string, unknown> = {}, more: object = {}) {
  const drill = makeDrill(rule(family, params, more));
  if (!drill.ok) throw new Error(drill.problems.map(({ say }) => say).join());
  return drill.value;
}
export const says = (...given: Parameters<typeof made>) => made(...given).exercises.map(({ say }) => say);
export const struck = (groove: Groove, limb: string) =>
  groove.bars.flatMap((bar) => bar.strokes.filter((one) => one.limb === limb));
