'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { Virtuoso } from 'react-virtuoso';
import type { School } from '@/core/count/schools';
import { usualRule, type Drill, type Rule } from '@/core/drill/drill';
import { FAMILIES, familyNamed } from '@/core/drill/registry';
import type { Limits } from '@/core/groove/checks';
import { writeGroove, type GrooveJson } from '@/core/groove/document';
import { Page } from '@/ui/Page';
import { opening } from '@/ui/words';
import { ExerciseRow } from './ExerciseRow';
import { GroundFields } from './GroundFields';
import { ParameterFields } from './ParameterFields';
import { parametersOf } from './parameters';
import { useDrill } from './useDrill';
import { useHearExercise } from './useHearExercise';

interface DrillMakerProps {
  school: School;
  limits: Limits;
  /** Keeps an exercise as a groove and opens it on the bench; a word when it cannot be. */
  toBench: (groove: GrooveJson) => Promise<string | undefined>;
}

/** Rules that write exercises: what is wished on the left, what it comes to on the right, at once. */
export function DrillMaker({ school, limits, toBench }: DrillMakerProps) {
  const [rule, setRule] = useState<Rule>(() => usualRule(FAMILIES[0]!));
  const family = familyNamed(rule.family)!;
  const parameters = useMemo(() => parametersOf(family), [family]);
  const { made, share, stop } = useDrill(rule, school, limits);
  const [say, setSay] = useState<string>();
  const ear = useHearExercise();
  // A rule that makes nothing leaves the last drill standing, so that nothing jumps while one types.
  const [shown, setShown] = useState<Drill>();
  if (made?.ok && made.value !== shown) setShown(made.value);
  const problems = made && !made.ok ? made.problems : [];
  const elsewhere = problems.filter(({ path }) => !(path[0] === 'params' && parameters.some(({ name }) => name === path[1])) && !FIELDS.has(String(path[0])));
  const change = (wanted: Partial<Rule>) => {
    ear.stop();
    setRule((before) => ({ ...before, ...wanted }));
  };
  return (
    <Page title="Drills" note="A rule writes the exercises, in order, counted and explained">
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '320px 1fr' }, gap: 4, alignItems: 'start' }}>
        <Box
          component="form"
          aria-label="Rule"
          onSubmit={(event) => event.preventDefault()}
          sx={{ display: 'grid', gap: 2, position: { md: 'sticky' }, top: 24 }}
        >
          <TextField
            select
            fullWidth
            label="What to train"
            value={rule.family}
            onChange={({ target }) => change({ family: target.value, generator: familyNamed(target.value)!.version, params: {} })}
          >
            {FAMILIES.map(({ name, wish }) => (
              <MenuItem key={name} value={name}>
                {opening(wish)}
              </MenuItem>
            ))}
          </TextField>
          <ParameterFields parameters={parameters} values={rule.params} problems={problems} onChange={(params) => change({ params })} />
          <Typography variant="h3" component="h2" sx={{ mt: 1 }}>
            Over
          </Typography>
          <GroundFields rule={rule} problems={problems} onChange={change} />
        </Box>
        {/* A list that is made anew must not pull the page along. */}
        <Box sx={{ minWidth: 0, overflowAnchor: 'none' }}>
          <Box sx={{ minHeight: 62 }}>
            {shown && <Typography sx={{ fontSize: '1.1rem' }}>{shown.trains}</Typography>}
            <Typography role="status" color="textSecondary">
              {problems.length ? 'This rule makes nothing; below is what the last one made.' : shown?.said}
            </Typography>
          </Box>
          {share !== undefined && (
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
              <LinearProgress variant="determinate" value={100 * share} aria-label="How much is made" sx={{ flex: 1 }} />
              <Button onClick={stop}>Stop</Button>
            </Box>
          )}
          {[...elsewhere.map((one) => `${one.say} ${one.remedy}`), say, ear.say].filter(Boolean).map((words) => (
            <Alert key={words} severity="warning" sx={{ my: 1 }}>
              {words}
            </Alert>
          ))}
          {shown && (
            <Virtuoso
              useWindowScroll
              data={shown.exercises}
              computeItemKey={(_, { index }) => `${rule.family} ${index}`}
              itemContent={(place, exercise) => (
                <ExerciseRow
                  exercise={exercise}
                  number={place + 1}
                  school={school}
                  heard={ear.heard === exercise.index}
                  onHear={() => void ear.hear(exercise)}
                  onStop={ear.stop}
                  onBench={() =>
                    void toBench(writeGroove({ ...exercise.groove, title: opening(`${family.name}: ${exercise.say}`).slice(0, 120) })).then(setSay)
                  }
                />
              )}
            />
          )}
        </Box>
      </Box>
    </Page>
  );
}

/** Fields of the ground, which say their own problems. */
const FIELDS = new Set(['meter', 'parts', 'ostinato', 'goal', 'most']);
