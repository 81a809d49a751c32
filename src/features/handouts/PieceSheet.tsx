import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useMemo, type ReactNode } from 'react';
import { engraved } from '@/core/chart/play/engraved';
import type { School } from '@/core/counting/schools';
import { barsOfExercise, exerciseInWords } from '@/core/form/exercises';
import type { Groove } from '@/core/groove/groove';
import { limbsIn } from '@/core/groove/kit';
import { QrCode } from '@/ui/QrCode';
import { Strip } from '@/ui/strip/Strip';
import { opening } from '@/ui/words/text';
import type { HandoutOptions } from './options';
import type { HandoutPiece } from './piece';
import { TempoBoxes } from './TempoBoxes';

const Stave = dynamic(() => import('@/ui/stave/Stave'), { ssr: false });
const ChartStaves = dynamic(() => import('@/ui/chart/ChartStaves'), { ssr: false });

interface PieceSheetProps {
  piece: HandoutPiece;
  school: School;
  options: HandoutOptions;
  /** Where Mochila is reached, for the code that leads there. */
  origin: string;
  /** It is the only one, so that its title is that of the sheet. */
  isAlone: boolean;
}

/** A groove, drill or chart on paper: its staves, tempos to tick, and the way back to it. */
export function PieceSheet({ piece, school, options, origin, isAlone }: PieceSheetProps) {
  const { title, facts, set, reason, tempos, href } = piece;
  return (
    <Box component="article" aria-label={title} sx={{ mt: isAlone ? 0 : 3, '& > * + *': { mt: 1.5 } }}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start', breakInside: 'avoid', breakAfter: 'avoid' }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          {!isAlone && (
            <Typography variant="h2" sx={{ fontSize: '1.25em', overflowWrap: 'anywhere' }}>
              {title}
            </Typography>
          )}
          <Box component="p" sx={{ m: 0 }}>
            {facts}
          </Box>
          {set && (
            <Box component="p" sx={{ m: 0, mt: 0.5, fontWeight: 600 }}>
              {opening(set)}.
            </Box>
          )}
          {reason && (
            <Box component="p" sx={{ m: 0, mt: 0.5, overflowWrap: 'anywhere' }}>
              {reason}
            </Box>
          )}
        </Box>
        {origin && <QrCode text={origin + href} label={`The way to ${title}`} size={74} />}
      </Box>
      {options.tempos && <TempoBoxes tempos={tempos} />}
      <Written piece={piece} school={school} options={options} />
    </Box>
  );
}

function Written({ piece, school, options }: Pick<PieceSheetProps, 'piece' | 'school' | 'options'>) {
  const { drill, chart, groove } = piece;
  const staves = useMemo(() => {
    const found = chart && engraved(chart.form);
    return found?.ok ? found.value : [];
  }, [chart]);
  if (chart)
    return (
      <Box data-wants-svg="">
        <ChartStaves title={groove.title} bars={staves} isWhole />
      </Box>
    );
  if (!drill) return <Lines groove={groove} school={school} options={options} />;
  // Bars of one line each stand in two columns where there is room.
  const areShort = !options.large && !options.strip && drill.passages.every(({ bars }) => bars === 1);
  return (
    <Box
      sx={{ display: 'grid', columnGap: 3, gridTemplateColumns: areShort ? 'repeat(2, minmax(0, 1fr))' : undefined }}
    >
      {drill.exercises.map((_, index) => {
        const found = barsOfExercise(drill, index);
        if (!found) return null;
        const bars = groove.bars.slice(found.from, found.from + found.bars);
        return (
          <Box key={index} sx={{ breakInside: 'avoid' }}>
            <Numbered number={index + 1}>{opening(exerciseInWords(drill, index, school))}</Numbered>
            <Lines groove={{ ...groove, bars }} school={school} options={options} />
          </Box>
        );
      })}
    </Box>
  );
}

const Numbered = ({ number, children }: { number: number; children: ReactNode }) => (
  <Box component="p" sx={{ m: 0, fontWeight: 650 }}>
    {number}. {children}
  </Box>
);

/** Staff notation, and the strip under it where it is wished. */
function Lines({ groove, school, options }: { groove: Groove; school: School; options: HandoutOptions }) {
  const { counts, sticking, strip, large } = options;
  const words = useMemo(() => ({ counts, sticking }), [counts, sticking]);
  return (
    <>
      <Box data-wants-svg="" sx={{ zoom: large ? 1.25 : undefined }}>
        <Stave groove={groove} school={school} words={words} perLine={large ? 2 : 4} />
      </Box>
      {strip && (
        <Box sx={{ breakInside: 'avoid' }}>
          <Strip groove={groove} school={school} size="desk" task={limbsIn(groove)} />
        </Box>
      )}
    </>
  );
}
