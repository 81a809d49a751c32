'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, type ReactNode } from 'react';
import type { School } from '@/core/counting/schools';
import { exercisesPlayed, type Take } from '@/core/documents/take';
import type { FigureKind, TakeFigure } from '@/core/documents/takeFigures';
import { strengths } from '@/core/wording/strengths';
import type { Judgement } from '@/core/judging/types/judgement';
import { figuresOfTake, tempoCurve } from '@/core/judging/report/takeFigures';
import type { ReportWords } from '@/core/documents/verdict';
import { FigureRows } from './FigureRows';
import { HeardPicture } from './listenBack/HeardPicture';
import type { Listening } from './listenBack/back';
import { PlaceErrors } from './PlaceErrors';
import { TakeChart } from './TakeChart';
import { TakeExercises } from './TakeExercises';
import { TakeFigures } from './TakeFigures';
import { TakePicture } from './TakePicture';
import { TakePlaces } from './TakePlaces';
import { TempoPicture } from './TempoPicture';
import { VerdictNote } from './VerdictNote';

interface TakeReportProps {
  take: Take;
  judgement: Judgement;
  school: School;
  report: ReportWords;
  /** What can be done with the verdict. */
  action?: ReactNode;
  /** Between the verdict and the pictures. */
  children?: ReactNode;
  /** Of a drill: practises one exercise of it alone. */
  onExercise?: (exercise: number) => void;
  /** Its sound, where it can be listened to again. */
  listening?: Listening;
}

/** A take as it is told: one thing to fix, where every stroke fell, and under it every figure that can be had. */
export function TakeReport({
  take,
  judgement,
  school,
  report,
  action,
  children,
  onExercise,
  listening,
}: TakeReportProps) {
  const drill = exercisesPlayed(take);
  const verdict = (
    <VerdictNote
      verdict={judgement.verdict}
      school={school}
      report={report}
      good={strengths(judgement, report)}
      action={action}
    />
  );
  // What nobody heard has no picture and no figures.
  if (take.input === 'nothing')
    return (
      <Box sx={{ display: 'grid', gap: 3.5, minWidth: 0 }}>
        {verdict}
        {children}
      </Box>
    );
  return (
    <Box sx={{ display: 'grid', gap: 3.5, minWidth: 0 }}>
      {verdict}
      {children}
      {drill && <TakeExercises drill={drill} judgement={judgement} school={school} onExercise={onExercise} />}
      <TakeChart take={take} judgement={judgement} school={school} />
      {listening ? (
        <HeardPicture take={take} judgement={judgement} school={school} listening={listening} />
      ) : (
        <TakePicture take={take} judgement={judgement} school={school} />
      )}
      {report === 'figures' ? (
        <AllFigures take={take} judgement={judgement} school={school} />
      ) : (
        <>
          <TakeFigures judgement={judgement} report={report} />
          <Box component="details" className="fold">
            <Typography component="summary" sx={{ cursor: 'pointer', py: 1, fontWeight: 650 }}>
              All figures
            </Typography>
            <AllFigures take={take} judgement={judgement} school={school} isBeneath />
          </Box>
        </>
      )}
    </Box>
  );
}

/** Which figures stand together, under which words. */
const GROUPS: [title: string, kinds: FigureKind[]][] = [
  ['Limb by limb', ['limb']],
  ['Limbs against each other', ['together']],
  ['Changes of rate: the first three notes', ['switch']],
  ['By rate', ['rate']],
  ['Swing', ['swing']],
  ['Flams', ['flam']],
  ['Second strokes of doubles', ['doubles']],
  ['How loud', ['height']],
  ['Accents above the rest', ['accents']],
  ['How loud second strokes are', ['second loudness']],
  ['Within phrases', ['phrase']],
  ['Evenness', ['evenness', 'rate spread']],
  ['Left out', ['left out']],
];

/** One rate alone says what the whole take says, and nothing left out needs no picture. */
const isWorthIt = (kinds: FigureKind[], figures: readonly TakeFigure[]): boolean =>
  (kinds[0] !== 'rate' || figures.length > 1) && (kinds[0] !== 'left out' || figures.some(({ value }) => value));

interface AllFiguresProps extends Pick<TakeReportProps, 'take' | 'judgement' | 'school'> {
  /** Under the same in plain words. */
  isBeneath?: boolean;
}

function AllFigures({ take, judgement, school, isBeneath = false }: AllFiguresProps) {
  const figures = useMemo(() => figuresOfTake(take, judgement), [take, judgement]);
  const curve = useMemo(() => tempoCurve(take, judgement), [take, judgement]);
  const audibleMs = Math.min(...judgement.strokes.map((one) => one.audibleMs));
  const groups = GROUPS.map(([title, kinds]) => ({
    title,
    kinds,
    figures: figures.filter(({ kind }) => kinds.includes(kind)),
  })).filter((group) => isWorthIt(group.kinds, group.figures));
  return (
    <Box sx={{ display: 'grid', gap: 3.5 }}>
      <PlaceErrors take={take} judgement={judgement} school={school} />
      <TakeFigures judgement={judgement} report="figures" isBeneath={isBeneath} />
      <TempoPicture curve={curve} />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 400px), 1fr))',
          columnGap: 5,
          rowGap: 3.5,
          alignItems: 'start',
        }}
      >
        {groups.map((group) => (
          <FigureRows key={group.title} title={group.title} figures={group.figures} audibleMs={audibleMs} />
        ))}
      </Box>
      <TakePlaces take={take} judgement={judgement} school={school} />
    </Box>
  );
}
