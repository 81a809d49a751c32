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
import type { Drill } from '@/core/drill/drill';
import { generatorOf, usualRule, type Rule } from '@/core/drill/rule';
import { FAMILIES, familyNamed } from '@/core/drill/registry';
import type { Limits } from '@/core/groove/checks';
import { writeGroove, type GrooveJson } from '@/core/groove/document';
import type { KeptDrill } from '@/server/drills';
import { Page } from '@/ui/Page';
import { opening } from '@/ui/words';
import { dropDrillAction, keepDrillAction } from './actions';
import { ExerciseRow } from './ExerciseRow';
import { GroundFields } from './GroundFields';
import { ParameterFields } from './ParameterFields';
import { parametersOf } from './parameters';
import { Shelf } from './Shelf';
import { useDrill } from './useDrill';
import { useHearExercise } from './useHearExercise';

interface DrillMakerProps {
  school: School;
  limits: Limits;
  /** Keeps an exercise as a groove and opens it on the bench; a word when it cannot be. */
  toBench: (groove: GrooveJson) => Promise<string | undefined>;
  kept: readonly KeptDrill[];
}

/** Rules that write exercises: what is wished on the left, what it comes to on the right, at once. */
export function DrillMaker({ school, limits, toBench, kept }: DrillMakerProps) {
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
  // What was picked by hand was picked of the rule as it was.
  const change = (wanted: Partial<Rule>) => {
    ear.stop();
    setRule((before) => ({ ...before, picked: undefined, ...wanted }));
  };
  const [name, setName] = useState('');
  const [shelf, setShelf] = useState(false);
  const [done, setDone] = useState<string>();
  const order = shown?.exercises.map(({ index }) => index) ?? [];
  const swap = (place: number, by: 1 | -1) =>
    change({ picked: order.toSpliced(Math.min(place, place + by), 2, order[Math.max(place, place + by)]!, order[Math.min(place, place + by)]!) });
  const keep = async () => {
    const problem = await keepDrillAction(name, rule);
    setSay(problem);
    setDone(problem ? undefined : `“${name.trim()}” is on the shelf.`);
  };
  return (
    <Page
      title="Drills"
      note="A rule writes the exercises, in order, counted and explained"
      actions={
        <Button variant="outlined" onClick={() => setShelf(true)} sx={{ minHeight: 44 }}>
          Shelf
        </Button>
      }
    >
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
            onChange={({ target }) => change({ family: target.value, generator: generatorOf(familyNamed(target.value)!), params: {} })}
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
          <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'flex-start', mt: 1 }}>
            <TextField fullWidth label="Name" value={name} onChange={({ target }) => setName(target.value.slice(0, 120))} />
            <Button variant="contained" disabled={!made?.ok} onClick={() => void keep()} sx={{ minHeight: 40 }}>
              Keep
            </Button>
          </Box>
          <Typography role="status" variant="body2" color="textSecondary">
            {done}
          </Typography>
        </Box>
        {/* A list that is made anew must not pull the page along. */}
        <Box sx={{ minWidth: 0, overflowAnchor: 'none' }}>
          <Box sx={{ minHeight: 62 }}>
            {shown && <Typography sx={{ fontSize: '1.1rem' }}>{shown.trains}</Typography>}
            <Typography role="status" color="textSecondary">
              {problems.length ? 'This rule makes nothing; below is what the last one made.' : shown?.said}
            </Typography>
            {rule.picked && (
              <Button size="small" onClick={() => change({})}>
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
                  onEarlier={place > 0 ? () => swap(place, -1) : undefined}
                  onLater={place < order.length - 1 ? () => swap(place, 1) : undefined}
                  onLeaveOut={order.length > 1 ? () => change({ picked: order.toSpliced(place, 1) }) : undefined}
                  onBench={() =>
                    void toBench(writeGroove({ ...exercise.groove, title: opening(`${family.name}: ${exercise.say}`).slice(0, 120) })).then(setSay)
                  }
                />
              )}
            />
          )}
        </Box>
      </Box>
      {shelf && (
        <Shelf
          kept={kept}
          onClose={() => setShelf(false)}
          onDrop={(id) => void dropDrillAction(id)}
          onChoose={(chosen, ready) => {
            setShelf(false);
            setName(chosen);
            change(ready);
          }}
        />
      )}
    </Page>
  );
}

/** Fields of the ground, which say their own problems. */
const FIELDS = new Set(['meter', 'parts', 'ostinato', 'goal', 'most']);
