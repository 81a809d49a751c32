'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useDeferredValue, useState, useTransition } from 'react';
import type { EngravedBar } from '@/core/chart/play/engraved';
import { CHART_FILE_NAMES, CHART_FILES } from '@/core/format/chartFile';
import type { WrittenChart } from '@/core/documents/writtenChart';
import type { Tune } from '@/server/tunes';
import { DownloadMenu } from '@/ui/DownloadMenu';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';
import { useKept } from '@/ui/useKept';
import { chartFactsInWords } from '@/ui/words/charts';
import { BarCard } from './BarCard';
import { BarsPlayed } from './BarsPlayed';
import { keepChartAction } from './chartActions';
import { ChartEditor } from './ChartEditor';
import { useChartText } from './useChartText';

const ChartStaves = dynamic(() => import('@/ui/chart/ChartStaves'), { ssr: false });

interface TunePageProps {
  tune: Tune;
  /** Its chart, where one is written. */
  kept?: { id: string; saveNumber: number; chart: WrittenChart };
  /** What the chart holds that cannot be read. */
  unreadable?: string;
  grooves: readonly { id: string; title: string }[];
}

/** A tune with its chart: engraved, how it is played bar by bar, and where it is written. */
export function TunePage({ tune, kept, unreadable, grooves }: TunePageProps) {
  const [isOpen, setOpen] = useState(false);
  const [perLine, setPerLine] = useKept<number>('chart.perLine', 4);
  const [saveNumber, setSaveNumber] = useState(kept?.saveNumber ?? 0);
  const [say, setSay] = useState<string>();
  const [busy, start] = useTransition();
  const [pointed, setPointed] = useState<{ bar: EngravedBar; at: HTMLElement }>();
  const typed = useChartText(kept?.chart.form);
  const { form, chart } = typed;
  // Typing goes before engraving.
  const shown = useDeferredValue(typed.shown);
  const keep = () =>
    start(async () => {
      const answer = await keepChartAction({ tune: tune.id, from: saveNumber, form: form! });
      setSay(answer.ok ? undefined : answer.say);
      if (!answer.ok) return;
      setSaveNumber(answer.saveNumber);
      setOpen(false);
    });
  return (
    <Page
      title={tune.title}
      note={chart ? chartFactsInWords(chart) : unreadable}
      actions={
        <>
          {shown.length > 0 && !isOpen && (
            <Button variant="outlined" onClick={() => setOpen(true)}>
              Change the chart
            </Button>
          )}
          {kept && !isOpen && (
            <>
              <DownloadMenu
                label="As a file"
                files={CHART_FILE_NAMES.map((file) => ({
                  words: CHART_FILES[file].words,
                  href: `/files/charts/${kept.id}/${file}`,
                }))}
              />
              <Button href={`/handout/${kept.id}`}>Handout</Button>
            </>
          )}
          {kept && !isOpen && (
            <Button component={Link} href={`/room/${kept.id}`} variant="contained">
              Practise it
            </Button>
          )}
        </>
      }
    >
      <Box sx={{ display: 'grid', gap: 2.5 }}>
        {isOpen && (
          <ChartEditor
            typed={typed}
            grooves={grooves}
            busy={busy}
            say={say}
            onKeep={keep}
            onClose={() => setOpen(false)}
          />
        )}
        {!shown.length && !isOpen && (
          <EmptyState
            title="No chart yet"
            action={
              <Button variant="contained" onClick={() => setOpen(true)}>
                Write the chart
              </Button>
            }
          >
            Type the form as you would read it aloud: sections, repeats, hits, where it jumps. Mochila writes it out,
            plays it with the click following every change, and hears the hits.
          </EmptyState>
        )}
        {shown.length > 0 && (
          <section>
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 1, flexWrap: 'wrap' }}>
              <ToggleButtonGroup
                exclusive
                size="small"
                value={perLine}
                aria-label="Bars to a line"
                onChange={(_, next: number | null) => next && setPerLine(next)}
              >
                {[4, 8].map((many) => (
                  <ToggleButton key={many} value={many} sx={{ textTransform: 'none' }}>
                    {many} to a line
                  </ToggleButton>
                ))}
              </ToggleButtonGroup>
              {isOpen && (
                <Typography variant="body2" color="textSecondary">
                  Touch a bar to say what stands over it.
                </Typography>
              )}
            </Box>
            <ChartStaves
              title={tune.title}
              bars={shown}
              perLine={perLine}
              marked={pointed?.bar.written}
              onPick={isOpen ? (bar, at) => setPointed({ bar, at }) : undefined}
            />
          </section>
        )}
        {chart && <BarsPlayed form={chart.form} />}
      </Box>
      {pointed && (
        <BarCard
          key={pointed.bar.written}
          bar={pointed.bar}
          anchor={pointed.at}
          typed={typed.barTyped(pointed.bar.written)}
          onSet={(words) => typed.setBar(pointed.bar.written, words)}
          onClose={() => setPointed(undefined)}
        />
      )}
    </Page>
  );
}
