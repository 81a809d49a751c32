'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import type { School } from '@/core/counting/schools';
import { readGroove, writeGroove, type GrooveJson } from '@/core/documents/groove';
import type { Rule } from '@/core/documents/rule';
import type { Drill } from '@/core/drill/drill';
import { familyNamed } from '@/core/drill/registry';
import { writeOut } from '@/core/drill/written';
import type { SpeedLimits } from '@/core/limits';
import type { Weakness } from '@/core/plan/weakness';
import type { Problem } from '@/core/result';
import type { KeptDrill } from '@/server/drills';
import { Page } from '@/ui/Page';
import { opening } from '@/ui/words/text';
import { dropDrillAction } from './actions';
import { FromGroove } from './FromGroove';
import { FromWeakness } from './FromWeakness';
import type { Pickable } from './GroovePick';
import { KeepBar } from './KeepBar';
import { parametersOf } from './parameters';
import { RuleForm } from './RuleForm';
import { Shelf } from './Shelf';
import { useDrill, type Making } from './useDrill';
import { useRule, type OwnRule } from './useRule';

// Rows with staves that can be dragged are heavy, and come once there is something to list.
const ExerciseList = dynamic(() => import('./ExerciseList').then((module) => module.ExerciseList), { ssr: false });

interface DrillMakerProps {
  school: School;
  limits: SpeedLimits;
  /** Keeps an exercise as a groove and opens it on the bench; a word when it cannot be. */
  toBench: (groove: GrooveJson) => Promise<string | undefined>;
  kept: readonly KeptDrill[];
  students: readonly { id: string; name: string }[];
  /** The workshop's grooves, for drills made of or over one. */
  library: readonly Pickable[];
  /** What the address asks for: a drill of a groove, or for a weakness. */
  groove?: GrooveJson;
  weakness?: Weakness;
}

type Opened = 'shelf' | 'groove' | 'weakness' | undefined;

/** Rules that write exercises: what is wished on the left, what it comes to on the right, at once. */
export function DrillMaker({ school, limits, toBench, kept, students, library, groove, weakness }: DrillMakerProps) {
  const work = useRule(weakness);
  const { rule, name, change } = work;
  const making = useDrill(rule, school, limits);
  const { made, stopped } = making;
  const [say, setSay] = useState<string>();
  // A rule that makes nothing leaves the last drill standing, so that nothing jumps while one types.
  const [shown, setShown] = useState<Drill>();
  if (made?.ok && made.value !== shown) setShown(made.value);
  const problems = made && !made.ok ? made.problems : [];
  const written = useMemo(() => (made?.ok ? writeOut(made.value, rule, 'drill') : undefined), [made, rule]);
  const unplayable = written && !written.ok ? written.problems : [];
  const [open, setOpen] = useState<Opened>(groove && 'groove');
  const asked = useMemo(() => readGroove(groove), [groove]);
  const choose = (chosen: string, wanted: Rule, own?: OwnRule) => {
    setOpen(undefined);
    work.choose(chosen, wanted, own);
  };
  const family = familyNamed(rule.family)!;

  return (
    <Page
      title="Drills"
      note="A rule writes the exercises, in order, counted and explained"
      actions={<Beginnings onOpen={setOpen} />}
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '320px 1fr' }, gap: 4, alignItems: 'start' }}>
        <RuleForm work={work} grooves={library} problems={problems} unplayable={unplayable} />
        {/* A list that is made anew must not pull the page along. */}
        <Box sx={{ minWidth: 0, pt: 1, overflowAnchor: 'none' }}>
          <KeepBar
            name={name}
            tags={work.tags}
            rule={rule}
            makes={Boolean(made?.ok) && !stopped}
            unplayable={unplayable[0]}
            students={students}
            taken={name.trim() !== work.opened && kept.some((one) => one.name === name.trim())}
            onKept={work.setOpened}
            onName={work.setName}
            onTags={work.setTags}
          />
          <WhatIsMade
            shown={shown}
            making={making}
            isWrong={problems.length > 0}
            onAll={rule.picked && (() => change({ picked: undefined }))}
          />
          {[work.isAnew && ANEW, ...elsewhere(problems, rule).map((one) => `${one.say} ${one.remedy}`), say]
            .filter(Boolean)
            .map((words) => (
              <Alert key={String(words)} severity="warning" sx={{ my: 1 }}>
                {words}
              </Alert>
            ))}
          {shown && (
            <ExerciseList
              key={rule.family}
              exercises={shown.exercises}
              school={school}
              onOrder={(picked) => change({ picked })}
              onBench={(exercise) =>
                void toBench(
                  writeGroove({ ...exercise.groove, title: opening(`${family.name}: ${exercise.say}`).slice(0, 120) }),
                ).then(setSay)
              }
            />
          )}
        </Box>
      </Box>
      {open === 'shelf' && (
        <Shelf
          kept={kept}
          school={school}
          onClose={() => setOpen(undefined)}
          onDrop={(id) => void dropDrillAction(id)}
          onChoose={choose}
        />
      )}
      {open === 'groove' && (
        <FromGroove
          grooves={library}
          groove={asked.ok ? asked.value : undefined}
          onClose={() => setOpen(undefined)}
          onChoose={choose}
        />
      )}
      {open === 'weakness' && (
        <FromWeakness school={school} onClose={() => setOpen(undefined)} onChoose={(wanted) => choose('', wanted)} />
      )}
    </Page>
  );
}

/** Where a drill can begin but with a rule. */
function Beginnings({ onOpen }: { onOpen: (open: Opened) => void }) {
  return (
    <>
      <Button href="/paths" sx={{ minHeight: 44 }}>
        Paths
      </Button>
      <Button href="/drills/at-sight" sx={{ minHeight: 44 }}>
        At sight
      </Button>
      <Button href="/listening" sx={{ minHeight: 44 }}>
        By ear
      </Button>
      <Button onClick={() => onOpen('weakness')} sx={{ minHeight: 44 }}>
        For what slips
      </Button>
      <Button onClick={() => onOpen('groove')} sx={{ minHeight: 44 }}>
        Of a groove
      </Button>
      <Button variant="outlined" onClick={() => onOpen('shelf')} sx={{ minHeight: 44 }}>
        Shelf
      </Button>
    </>
  );
}

interface WhatIsMadeProps {
  shown: Drill | undefined;
  making: Making;
  isWrong: boolean;
  /** Brings back what was left out by hand, where something was. */
  onAll?: () => void;
}

/** What the drill trains and how many exercises it has, or how far the next is made. */
function WhatIsMade({ shown, making: { share, stopped, stop }, isWrong, onAll }: WhatIsMadeProps) {
  return (
    <>
      <Box sx={{ minHeight: 62, mb: 1 }}>
        {shown && <Typography sx={{ fontSize: '1.1rem' }}>{shown.trains}</Typography>}
        <Typography role="status" color="textSecondary">
          {saidOf(shown, stopped, isWrong)}
        </Typography>
        {onAll && (
          <Button size="small" onClick={onAll}>
            All that were left out, back in order
          </Button>
        )}
      </Box>
      {share !== undefined && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
          <LinearProgress variant="determinate" value={100 * share} aria-label="How much is made" sx={{ flex: 1 }} />
          <Button onClick={stop}>Stop</Button>
        </Box>
      )}
    </>
  );
}

function saidOf(shown: Drill | undefined, stopped: boolean, isWrong: boolean): string | undefined {
  if (stopped) return 'Stopped. Below is what was made before; change anything to make it again.';
  if (!isWrong) return shown?.said;
  return shown ? 'This rule makes nothing; below is what the last one made.' : 'This rule makes nothing yet.';
}

/** Problems that no field of the form says. */
function elsewhere(problems: readonly Problem[], rule: Rule): Problem[] {
  const own = parametersOf(familyNamed(rule.family)!);
  const isParameter = ({ path }: Problem) =>
    path[0] === 'params' && (path[1] === 'figure' || own.some(({ name }) => name === path[1]));
  return problems.filter((one) => !isParameter(one) && !FIELDS.has(String(one.path[0])));
}

/** Fields of the ground and of the play, which say their own problems. */
const FIELDS = new Set(['meter', 'parts', 'ostinato', 'over', 'goal', 'most', 'caller', 'ladder']);
const ANEW =
  'This drill was kept by an older Mochila. Its exercises are chosen anew: look at them before you keep it. What was set for students stays as it was.';
