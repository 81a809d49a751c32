'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import { placeInWords } from '@/core/counting/placeInWords';
import type { School } from '@/core/counting/schools';
import { type Finding } from '@/core/groove/conflicts';
import { check, speeds } from '@/core/schedule/speeds';
import { type SpeedLimits } from '@/core/limits';
import type { Groove } from '@/core/groove/groove';
import { opening } from '@/ui/words/text';
import { Row } from './Section';

export type Fix = NonNullable<Finding['fix']>;

interface ChecksProps {
  groove: Groove;
  limits: SpeedLimits;
  school: School;
  onFix: (fix: Fix) => void;
}

/** What stands in the way of playing it: where, why, and what one touch can do about it. */
export const Checks = memo(function Checks({ groove, limits, school, onFix }: ChecksProps) {
  const findings = check(groove, groove.tempo, limits);
  return (
    <>
      {speeds(groove, groove.tempo, limits).map(({ limb, perSecond, feel }) => (
        <Row key={limb} name={opening(limb)} value={`${perSecond.toFixed(1)} / s, ${feel}`} wrong={feel === 'beyond'} />
      ))}
      {findings.map(({ say, remedy, fix, place }, index) => (
        <Box
          key={index}
          sx={{ py: 1, borderBottom: 1, borderColor: 'divider', borderBottomStyle: 'dashed', fontSize: 14 }}
        >
          <Box sx={{ color: 'error.main', fontWeight: 600 }}>
            {opening(placeInWords(groove, place.bar, place.at, school))}: {say}
          </Box>
          <Box sx={{ color: 'text.secondary' }}>{remedy}</Box>
          {fix && (
            <Button size="small" onClick={() => onFix(fix)}>
              {fix.words}
            </Button>
          )}
        </Box>
      ))}
      {!findings.length && (
        <Typography variant="body2" sx={{ color: 'success.main', mt: 1 }}>
          Nothing in its way.
        </Typography>
      )}
    </>
  );
});
