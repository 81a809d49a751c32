'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { School } from '@/core/count/schools';
import type { Drill } from '@/core/drill/drill';
import { settingsLike } from '@/core/drill/fromGroove';
import { FAMILIES, familyNamed } from '@/core/drill/registry';
import { generatorOf, renewed, usualRule } from '@/core/drill/rule';
import { type Rule } from '@/core/documents/rule';
import { drillFor, type Weakness } from '@/core/plan/weakness';
import { writeOut } from '@/core/drill/written';
import type { SpeedLimits } from '@/core/limits';
import { readGroove, writeGroove, type GrooveJson } from '@/core/documents/groove';
import { type Groove } from '@/core/groove/groove';
import type { KeptDrill } from '@/server/drills';
import { Page } from '@/ui/Page';
import { opening } from '@/ui/words';
import { dropDrillAction } from './actions';
import { ExerciseList } from './ExerciseList';
import { FromGroove } from './FromGroove';
import { FromWeakness } from './FromWeakness';
import { GroovePick, type Pickable } from './GroovePick';
import { GroundFields } from './GroundFields';
import { KeepBar } from './KeepBar';
import { ParameterFields } from './ParameterFields';
import { parametersOf, takesGroove } from './parameters';
import { PlayFields } from './PlayFields';
import { Shelf } from './Shelf';
import { useDrill } from './useDrill';

interface DrillMakerProps {
  school: School;
  limits: SpeedLimits;
  /** Keeps an exercise as a groove and opens it on the bench; a word when it cannot be. */
  toBench: (groove: GrooveJson) => Promise<string | undefined>;
  kept: readonly KeptDrill[];
  students: readonly { id: string; name: string }[];
  /** The workshop's grooves, for drills made of or over one. */
  library: readonly { id: string; groove: GrooveJson }[];
  /** What the address asks for: a drill of a groove, or for a weakness. */
  groove?: GrooveJson;
  weakness?: Weakness;
}

/** Rules that write exercises: what is wished on the left, what it comes to on the right, at once. */
export function DrillMaker({ school, limits, toBench, kept, students, library, groove, weakness }: DrillMakerProps) {
  const grooves = useMemo(
    () => library.flatMap(({ id, groove: json }): Pickable[] => read(json).map((one) => ({ id, groove: one }))),
    [library],
  );
  const [rule, setRule] = useState<Rule>(() => (weakness ? drillFor(weakness) : usualRule(FAMILIES[0]!)));
  const family = familyNamed(rule.family)!;
  const parameters = useMemo(() => parametersOf(family), [family]);
  const { made, share, stopped, stop } = useDrill(rule, school, limits);
  const [say, setSay] = useState<string>();
  // A rule that makes nothing leaves the last drill standing, so that nothing jumps while one types.
  const [shown, setShown] = useState<Drill>();
  if (made?.ok && made.value !== shown) setShown(made.value);
  const problems = made && !made.ok ? made.problems : [];
  const written = useMemo(() => (made?.ok ? writeOut(made.value, rule, 'drill') : undefined), [made, rule]);
  const unplayable = written && !written.ok ? written.problems : [];
  const elsewhere = problems.filter(
    ({ path }) =>
      !(path[0] === 'params' && (path[1] === 'figure' || parameters.some(({ name }) => name === path[1]))) &&
      !FIELDS.has(String(path[0])),
  );
  const [name, setName] = useState('');
  const [tags, setTags] = useState('');
  /** The name that came with what was chosen; and, of a kept drill that is worked on, the one that keeping replaces. */
  const [given, setGiven] = useState('');
  const [opened, setOpened] = useState('');
  const [open, setOpen] = useState<'shelf' | 'groove' | 'weakness' | undefined>(groove && 'groove');
  const [anew, setAnew] = useState(false);

  // What was picked by hand was picked of the rule as it was.
  const change = (wanted: Partial<Rule>) => {
    setAnew(false);
    setRule((before) => {
      const next = { ...before, picked: undefined, ...wanted };
      // How it is played does not change what was picked; a ladder ends at the goal.
      const picked =
        'picked' in wanted || !Object.keys(wanted).every((field) => PLAYED.has(field)) ? next.picked : before.picked;
      return { ...next, picked, ...(next.ladder && { ladder: { ...next.ladder, goal: next.goal } }) };
    });
  };
  const choose = (chosen: string, wanted: Rule, own?: Pick<KeptDrill, 'tags'>) => {
    const now = renewed(wanted);
    setOpen(undefined);
    setName(chosen);
    setTags(own?.tags.join(', ') ?? '');
    setGiven(chosen);
    setOpened(own ? chosen : '');
    setRule(now.rule);
    setAnew(now.anew);
  };
  const figure = read(rule.params['figure'])[0];
  const makeOf = (one: Groove | undefined) =>
    change(
      one
        ? { ...settingsLike(one), params: { ...rule.params, figure: writeGroove(one) } }
        : { params: Object.fromEntries(Object.entries(rule.params).filter(([key]) => key !== 'figure')) },
    );

  return (
    <Page
      title="Drills"
      note="A rule writes the exercises, in order, counted and explained"
      actions={
        <>
          <Button onClick={() => setOpen('weakness')} sx={{ minHeight: 44 }}>
            For what slips
          </Button>
          <Button onClick={() => setOpen('groove')} sx={{ minHeight: 44 }}>
            Of a groove
          </Button>
          <Button variant="outlined" onClick={() => setOpen('shelf')} sx={{ minHeight: 44 }}>
            Shelf
          </Button>
        </>
      }
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '320px 1fr' }, gap: 4, alignItems: 'start' }}>
        <Box
          component="form"
          aria-label="Rule"
          onSubmit={(event) => event.preventDefault()}
          sx={{
            display: 'grid',
            gap: 2,
            position: { md: 'sticky' },
            top: 0,
            py: 1,
            pr: { md: 1 },
            maxHeight: { md: '100dvh' },
            overflowY: { md: 'auto' },
          }}
        >
          <TextField
            select
            fullWidth
            label="What to train"
            value={rule.family}
            onChange={({ target }) => {
              const next = familyNamed(target.value)!;
              // Another drill, which does not go by the name of the one before; a name that was typed stays.
              if (name === given) {
                setName('');
                setTags('');
              }
              setOpened('');
              const keeps = figure && takesGroove(next);
              change({
                family: next.name,
                generator: generatorOf(next),
                params: keeps ? { figure: rule.params['figure'] } : {},
              });
            }}
          >
            {FAMILIES.map(({ name: each, wish }) => (
              <MenuItem key={each} value={each}>
                {opening(wish)}
              </MenuItem>
            ))}
          </TextField>
          {takesGroove(family) && grooves.length > 0 && (
            <GroovePick
              label="Made of"
              grooves={grooves}
              title={figure?.title}
              none="a plain figure"
              problem={problems.filter(({ path }) => path[1] === 'figure').map((one) => `${one.say} ${one.remedy}`)[0]}
              onPick={makeOf}
            />
          )}
          <ParameterFields
            parameters={parameters}
            values={rule.params}
            problems={problems}
            onChange={(params) => change({ params })}
          />
          <Typography variant="h3" component="h2" sx={{ mt: 0.5 }}>
            Over
          </Typography>
          <GroundFields rule={rule} grooves={grooves} problems={problems} onChange={change} />
          <PlayFields rule={rule} problems={[...problems, ...unplayable]} onChange={change} />
        </Box>
        {/* A list that is made anew must not pull the page along. */}
        <Box sx={{ minWidth: 0, pt: 1, overflowAnchor: 'none' }}>
          <KeepBar
            name={name}
            tags={tags}
            rule={rule}
            makes={Boolean(made?.ok) && !stopped}
            unplayable={unplayable[0]}
            students={students}
            taken={name.trim() !== opened && kept.some((one) => one.name === name.trim())}
            onKept={setOpened}
            onName={setName}
            onTags={setTags}
          />
          <Box sx={{ minHeight: 62, mb: 1 }}>
            {shown && <Typography sx={{ fontSize: '1.1rem' }}>{shown.trains}</Typography>}
            <Typography role="status" color="textSecondary">
              {stopped
                ? 'Stopped. Below is what was made before; change anything to make it again.'
                : problems.length
                  ? 'This rule makes nothing; below is what the last one made.'
                  : shown?.said}
            </Typography>
            {rule.picked && (
              <Button size="small" onClick={() => change({ picked: undefined })}>
                All that were left out, back in order
              </Button>
            )}
          </Box>
          {share !== undefined && (
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 2 }}>
              <LinearProgress
                variant="determinate"
                value={100 * share}
                aria-label="How much is made"
                sx={{ flex: 1 }}
              />
              <Button onClick={stop}>Stop</Button>
            </Box>
          )}
          {[anew && ANEW, ...elsewhere.map((one) => `${one.say} ${one.remedy}`), say].filter(Boolean).map((words) => (
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
          onClose={() => setOpen(undefined)}
          onDrop={(id) => void dropDrillAction(id)}
          onChoose={choose}
        />
      )}
      {open === 'groove' && (
        <FromGroove grooves={grooves} groove={read(groove)[0]} onClose={() => setOpen(undefined)} onChoose={choose} />
      )}
      {open === 'weakness' && (
        <FromWeakness school={school} onClose={() => setOpen(undefined)} onChoose={(wanted) => choose('', wanted)} />
      )}
    </Page>
  );
}

const read = (json: unknown): Groove[] => {
  if (json === undefined) return [];
  const result = readGroove(json);
  return result.ok ? [result.value] : [];
};

/** Fields of the ground and of the play, which say their own problems. */
const FIELDS = new Set(['meter', 'parts', 'ostinato', 'over', 'goal', 'most', 'caller', 'ladder']);
/** What changes how the exercises are played, not which they are. */
const PLAYED = new Set(['repeats', 'rest', 'click', 'ladder', 'caller', 'swing', 'goal']);
const ANEW =
  'This drill was kept by an older Mochila. Its exercises are chosen anew: look at them before you keep it. What was set for students stays as it was.';
