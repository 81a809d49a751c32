'use client';

import type { Clock } from '@/core/documents/settings';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { differenceInHours } from 'date-fns';
import { useMemo, useState } from 'react';
import type { Take } from '@/core/documents/take';
import { weaknessOf } from '@/core/plan/weakness';
import { toleranceOf } from '@/core/judging/types/figures';
import { judge } from '@/core/judging/verdict/judge';
import { changesSince } from '@/core/judging/report/progress';
import { comparedOf } from '@/core/judging/report/takeFigures';
import type { EarlierTake, TakeCompared } from '@/server/takeFigures';
import type { RecordingRow } from '@/server/recordings';
import type { TakeNote } from '@/server/takeNotes';
import type { TakeRow } from '@/server/takes';
import { useListenBack } from '@/sound/recordings/useListenBack';
import { Page } from '@/ui/Page';
import { DownloadMenu } from '@/ui/DownloadMenu';
import { PrintButton } from '@/ui/PrintButton';
import type { Reader } from '@/ui/reader';
import { practiceHref } from '@/ui/take/practiceHref';
import { TakeReport } from '@/ui/take/TakeReport';
import { weaknessHref } from '@/ui/take/weaknessHref';
import { dayInWords, dayNamed } from '@/ui/words/dates';
import { lengthInWords, tempoInWords } from '@/ui/words/figures';
import { AsideNote, SetAside } from './Aside';
import { BesideChoice } from './BesideChoice';
import { KeptSound } from './KeptSound';
import { ListenOffer } from './ListenOffer';
import { Since } from './Since';
import { TakeNotes } from './TakeNotes';
import { useKeptSound } from './useKeptSound';

interface TakeViewProps {
  row: TakeRow;
  take: Take;
  reader: Reader;
  readerId: string;
  notes: readonly TakeNote[];
  /** Its sound, where it was kept. */
  recording?: RecordingRow;
  /** The last one of an earlier day, of the same groove. */
  before?: TakeCompared;
  /** Takes it can be laid beside. */
  others: readonly EarlierTake[];
}

/**
 * One take: what to fix first, where every stroke fell, and the figures; beside them what changed and what was said
 * of it.
 */
export function TakeView({ row, take, reader, readerId, notes, recording, before, others }: TakeViewProps) {
  const { school, clock, report } = reader;
  const own = row.player_id === readerId;
  const judgement = useMemo(() => judge(take, toleranceOf(row.level, row.tolerance_factor)), [take, row]);
  const changes = useMemo(
    () => (before ? changesSince(comparedOf(take, judgement), before) : []),
    [take, judgement, before],
  );
  const { loading, load, sound } = useKeptSound(recording);
  const back = useListenBack(take, sound);
  const [bar, setBar] = useState<number>();
  const noted = useMemo(() => new Set(notes.flatMap((note) => note.bar ?? [])), [notes]);
  const keptSound = recording && <KeptSound recording={recording} own={own} clock={clock} />;
  const weakness = weaknessOf(judgement.verdict, take, judgement.byPlace);
  return (
    <Page
      title={row.title}
      note={noteOf(row, own, clock)}
      actions={
        <>
          {others.length > 0 && <BesideChoice takeId={row.id} others={others} clock={clock} />}
          <DownloadMenu
            label="As a file"
            files={[
              { words: 'Every figure, as CSV', href: `/files/takes/${row.id}/figures` },
              { words: 'Every stroke, as CSV', href: `/files/takes/${row.id}/strokes` },
            ]}
          />
          <PrintButton />
          <Button href={own ? '/takes' : `/takes?student=${row.player_id}`} variant="outlined" className="no-print">
            All takes
          </Button>
        </>
      }
    >
      <Box
        sx={{
          display: 'grid',
          gap: 4,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 270px' },
          maxWidth: 1400,
          '@media print': { display: 'block' },
        }}
      >
        <TakeReport
          take={take}
          judgement={judgement}
          school={school}
          report={report}
          listening={back && { back, noted, onBar: setBar, actions: keptSound }}
          action={
            own ? (
              <Button
                href={practiceHref(row.groove_id, judgement.verdict.practise)}
                variant="contained"
                className="no-print"
              >
                Practise this
              </Button>
            ) : (
              weakness && (
                <Button href={weaknessHref(weakness)} variant="contained" className="no-print">
                  Make a drill of this
                </Button>
              )
            )
          }
        >
          {row.set_aside_why && <AsideNote takeId={row.id} why={row.set_aside_why} />}
          {recording && !back && (
            <ListenOffer
              recording={recording}
              isLoading={loading.kind === 'loading'}
              say={loading.kind === 'failed' ? loading.say : undefined}
              onLoad={() => void load()}
            >
              {keptSound}
            </ListenOffer>
          )}
        </TakeReport>
        <Box component="aside" sx={{ display: 'grid', gap: 3.5, alignContent: 'start', '@media print': { mt: 3 } }}>
          {before && (
            <Since
              changes={changes}
              school={school}
              report={report}
              day={dayNamed(before.played_at, row.played_at, clock)}
              href={`/takes/${row.id}?beside=${before.id}`}
            />
          )}
          <section>
            <Typography variant="h2" gutterBottom>
              How it was heard
            </Typography>
            <Typography color="textSecondary">{heardInWords(row, take)}</Typography>
          </section>
          <TakeNotes
            takeId={row.id}
            notes={notes}
            bar={bar}
            readerId={readerId}
            bars={judgement.schedule.bars.filter(({ barInRun }) => barInRun >= 0).length}
            clock={clock}
          />
          {!row.set_aside_why && <SetAside takeId={row.id} />}
        </Box>
      </Box>
    </Page>
  );
}

function noteOf(row: TakeRow, own: boolean, clock: Clock): string {
  return [
    `${own ? '' : `${row.player}, `}${dayInWords(row.played_at, clock)}`,
    // The browser's clock says when it was played; where that is far off, the server's stands beside it.
    differenceInHours(row.received_at, row.played_at) >= 1 && `arrived ${dayInWords(row.received_at, clock)}`,
    `${tempoInWords(row.tempo)} bpm, click on ${row.click}`,
    lengthInWords(row.played_ms),
    !row.as_written && 'a take of its own: other bars than the groove has',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** By what it was heard, and what that can and cannot tell. */
function heardInWords({ struck_by, input, not_judgeable }: TakeRow, { hits, hears }: Take): string {
  if (input === 'nothing') return 'Nothing listened, so nothing is judged.';
  const isLoud = hits.some(({ loudness }) => loudness !== undefined);
  return [
    struck_by === 'kit' ? 'The simulated kit played this: it counts for nobody.' : `By ${input}.`,
    isLoud ? 'Every stroke’s loudness was heard.' : 'Loudness was not heard, so heights and accents are not judged.',
    hears && hears.length < 4 && `It hears ${hears.join(' and ')}; other limbs are not judged.`,
    not_judgeable > 0 && `${not_judgeable} strokes could not be judged; they are in no figure.`,
  ]
    .filter(Boolean)
    .join(' ');
}
