import Box from '@mui/material/Box';
import { Pick } from '@/ui/Pick';
import type { RoomSettings } from './settings';

interface BarsChoiceProps {
  /** How many the groove has. */
  count: number;
  bars: RoomSettings['bars'];
  onChange: (bars: RoomSettings['bars']) => void;
}

const NARROW = { width: 110 };

/** Which bars of a groove go round: from one to another, or all of them. */
export function BarsChoice({ count, bars, onChange }: BarsChoiceProps) {
  const { first, last } = bars ?? { first: 0, last: count - 1 };
  const set = (from: number, to: number) =>
    onChange(from === 0 && to === count - 1 ? undefined : { first: from, last: to });
  const all = Array.from({ length: count }, (_, bar) => [bar, `bar ${bar + 1}`] as const);
  return (
    <Box role="group" aria-label="Bars that go round" sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
      <Pick label="From" value={first} options={all} onPick={(from) => set(from, Math.max(from, last))} sx={NARROW} />
      <Pick label="To" value={last} options={all.slice(first)} onPick={(to) => set(first, to)} sx={NARROW} />
    </Box>
  );
}
