'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Judgement } from '@/core/judging/types/judgement';
import type { Ms } from '@/core/time/units';
import type { Bead } from '../../strip/beads';
import { opening } from '../../words/text';
import { BackControls } from './BackControls';
import { BackWave } from './BackWave';
import type { Back, Listening } from './back';
import { useHeardLine } from './useHeardLine';
import type { ShownBars } from './useShownBars';

interface ListenBackProps extends Listening {
  shown: ShownBars;
  judgement: Judgement;
  beads: readonly Bead[];
  /** The bead that is listened to. */
  marked?: Bead;
  /** A moment is to be heard, or a stroke. */
  onHear: (ms: Ms, bead?: Bead) => void;
  /** Where it is heard, with every frame; undefined when it falls silent. */
  onHeard: (ms: Ms | undefined) => void;
}

/** A touch this near to a stroke, as a share of what is shown, means it. */
const NEAR = 0.03;
const NOWHERE: ReadonlySet<number> = new Set();

/**
 * Listening to a take again: its wave with what was meant and heard, slower, bars over and over, the click beside it.
 */
export function ListenBack({
  back,
  shown,
  judgement,
  beads,
  marked,
  onHear,
  onHeard,
  noted = NOWHERE,
  onBar,
  actions,
}: ListenBackProps) {
  const { window } = shown;
  const { line, clock } = useHeardLine(back, { window, onHeard, onBeyond: shown.reveal });
  const touch = (ms: Ms) => {
    const off = (bead: Bead) => Math.abs(bead.ms - ms);
    const [nearest] = beads.toSorted((a, b) => off(a) - off(b));
    onHear(ms, nearest && off(nearest) < NEAR * (window.toMs - window.fromMs) ? nearest : undefined);
  };
  if (!shown.bars.length) return null;
  return (
    <Box
      component="section"
      aria-label="Listen back"
      className="no-print"
      sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 2, rowGap: 1 }}>
        <Typography variant="h2" sx={{ mr: 'auto' }}>
          Listen back
        </Typography>
        {actions}
      </Box>
      <BackWave
        back={back}
        window={window}
        judgement={judgement}
        beads={beads}
        marked={marked?.key}
        noted={noted}
        line={line}
        onTouch={touch}
      />
      <BackControls back={back} shown={shown} clock={clock} onBar={onBar} />
      <Typography color="textSecondary" role="status">
        {wordsUnder(back, marked)}
      </Typography>
      {back.say && <Alert severity="error">{back.say}</Alert>}
    </Box>
  );
}

function wordsUnder({ state, share, speed }: Back, marked: Bead | undefined): string {
  if (state === 'getting ready' && speed < 1) return `Making it slower: ${Math.round(100 * share)} %`;
  if (marked) return `${opening(marked.limb)}, ${marked.title}.`;
  return 'Above: when strokes were meant. Below: when they were heard. Touch the wave to hear that moment.';
}
