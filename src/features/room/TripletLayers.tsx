'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useImperativeHandle, useRef, type Ref } from 'react';
import type { Groove } from '@/core/groove/groove';
import { layerNotes } from '@/core/schedule/layers';
import { toNumber, ZERO } from '@/core/time/fraction';
import { barLength } from '@/core/grid/meter';
import { helperLoudness, LAYERS, layersIn, type LayerPlan } from '@/core/form/layers';

export interface LayersHandle {
  /** Shows how loud the helpers are in a bar of the run. */
  bar: (barInRun: number | undefined) => void;
}

/** The layers of a bar over one another: what each keeps of the one above. */
export function TripletLayers({
  plan,
  groove,
  handle,
}: {
  plan: LayerPlan;
  groove: Groove;
  handle: Ref<LayersHandle>;
}) {
  const rows = useRef<(HTMLElement | null)[]>([]);
  const target = LAYERS.indexOf(plan.to);
  const length = barLength(groove.bars[0]!.meter);
  const notes = layerNotes([{ layers: layersIn(plan, 0) }], [ZERO, length]);
  useImperativeHandle(handle, () => ({
    bar: (barInRun) =>
      rows.current.forEach((row, layer) => {
        if (row)
          row.style.opacity =
            layer === target || barInRun === undefined
              ? '1'
              : String(Math.max(0.08, helperLoudness(plan, Math.max(0, barInRun))));
      }),
  }));
  return (
    <Box role="group" aria-label="Triplet layers" sx={{ display: 'grid', gap: 0.25, pr: { xs: 2, sm: 4.5 } }}>
      {LAYERS.slice(0, target + 1).map((name, layer) => (
        <Box
          key={name}
          ref={(row: HTMLElement | null) => {
            rows.current[layer] = row;
          }}
          sx={{ display: 'flex', alignItems: 'center' }}
        >
          <Typography
            variant="body2"
            sx={{ flex: 'none', width: { xs: 68, sm: 128 }, fontWeight: layer === target ? 700 : 450 }}
          >
            {name === 'half triplet' ? 'half-note triplets' : `${name}s`}
          </Typography>
          <Box sx={{ position: 'relative', flex: 1, height: 20, borderBottom: 1, borderColor: 'divider', ml: 4.5 }}>
            {notes
              .filter((note) => note.layer === layer)
              .map(({ at }) => (
                <Box
                  key={`${at.n}/${at.d}`}
                  sx={{
                    position: 'absolute',
                    left: `${(100 * toNumber(at)) / toNumber(length)}%`,
                    bottom: 0,
                    width: layer === target ? 9 : 5,
                    ml: layer === target ? '-4.5px' : '-2.5px',
                    height: layer === target ? 18 : 12,
                    bgcolor: layer === target ? 'secondary.main' : 'primary.main',
                  }}
                />
              ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
