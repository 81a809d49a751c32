import { useState } from 'react';
import { readGroove, writeGroove } from '@/core/documents/groove';
import type { Rule } from '@/core/documents/rule';
import { settingsLike } from '@/core/drill/fromGroove';
import { FAMILIES, familyNamed } from '@/core/drill/registry';
import { generatorOf, renewed, usualOrder, usualRule } from '@/core/drill/rule';
import type { Groove } from '@/core/groove/groove';
import { drillFor, type Weakness } from '@/core/plan/weakness';
import { takesGroove } from './parameters';

/**
 * A rule that is not one of those that ship: its tags, and whether the workshop keeps it already or it is from a
 * file.
 */
export interface OwnRule {
  tags: readonly string[];
  isKept: boolean;
}

/** What changes how the exercises are played, not which they are. */
const PLAYED = new Set(['repeats', 'rest', 'click', 'ladder', 'caller', 'swing', 'goal']);

const usualOrderOf = ({ family, params }: Rule): Rule['order'] => usualOrder(familyNamed(family)!, params);

/** The groove a rule is made of, as far as its words can be read. */
function figureOf(rule: Rule): Groove | undefined {
  const read = readGroove(rule.params['figure']);
  return read.ok ? read.value : undefined;
}

/** The rule that is being worked on, with the name and tags it goes by. */
export function useRule(weakness: Weakness | undefined) {
  const [rule, setRule] = useState<Rule>(() => (weakness ? drillFor(weakness) : usualRule(FAMILIES[0]!)));
  const [name, setName] = useState('');
  const [tags, setTags] = useState('');
  /** The name that came with what was chosen; and, of a kept drill that is worked on, the one that keeping replaces. */
  const [given, setGiven] = useState('');
  const [opened, setOpened] = useState('');
  /** It was kept by an older generator, so its exercises are chosen anew. */
  const [isAnew, setAnew] = useState(false);

  // What was picked by hand was picked of the rule as it was.
  const change = (wanted: Partial<Rule>) => {
    setAnew(false);
    setRule((before) => {
      const next = { ...before, picked: undefined, ...wanted };
      // How it is played does not change what was picked; a ladder ends at the goal.
      const isPlayOnly = !('picked' in wanted) && Object.keys(wanted).every((field) => PLAYED.has(field));
      return {
        ...next,
        picked: isPlayOnly ? before.picked : next.picked,
        // An order that nobody chose goes with what is trained.
        order: before.order === usualOrderOf(before) && !('order' in wanted) ? usualOrderOf(next) : next.order,
        ...(next.ladder && { ladder: { ...next.ladder, goal: next.goal } }),
      };
    });
  };
  const choose = (chosen: string, wanted: Rule, own?: OwnRule) => {
    const now = renewed(wanted);
    setName(chosen);
    setTags(own?.tags.join(', ') ?? '');
    setGiven(chosen);
    setOpened(own?.isKept ? chosen : '');
    setRule(now.rule);
    setAnew(now.anew);
  };
  const figure = figureOf(rule);
  const makeOf = (one: Groove | undefined) =>
    change(
      one
        ? { ...settingsLike(one), params: { ...rule.params, figure: writeGroove(one) } }
        : { params: Object.fromEntries(Object.entries(rule.params).filter(([key]) => key !== 'figure')) },
    );
  const changeFamily = (wanted: string) => {
    const next = familyNamed(wanted)!;
    // Another drill, which does not go by the name of the one before; a name that was typed stays.
    if (name === given) {
      setName('');
      setTags('');
    }
    setOpened('');
    const keeps = figure && takesGroove(next);
    // A ground of a family's own comes with it and goes with it.
    const ground = (next.ground ?? familyNamed(rule.family)!.ground) && usualRule(next);
    change({
      ...(ground && {
        meter: ground.meter,
        reading: ground.reading,
        parts: ground.parts,
        ostinato: ground.ostinato,
        goal: ground.goal,
      }),
      family: next.name,
      generator: generatorOf(next),
      params: keeps ? { figure: rule.params['figure'] } : {},
    });
  };
  return {
    rule,
    figure,
    name,
    tags,
    opened,
    isAnew,
    change,
    choose,
    makeOf,
    changeFamily,
    setName,
    setTags,
    setOpened,
  };
}

export type RuleInWork = ReturnType<typeof useRule>;
