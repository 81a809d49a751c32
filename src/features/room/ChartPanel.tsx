import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { WrittenChart } from '@/core/documents/writtenChart';
import { Pick } from '@/ui/Pick';
import { useRoom } from './RoomContext';

/** From which section of a chart to which it is played. */
export function ChartPanel({ chart: { exercises } }: { chart: WrittenChart }) {
  const { state, dispatch } = useRoom();
  const { range } = state.settings;
  const [first, last] = [range[0] ?? 0, range.at(-1) ?? exercises.length - 1];
  const play = (from: number, to: number) =>
    dispatch({
      type: 'set',
      change: { range: exercises.flatMap((_, index) => (index >= from && index <= to ? [index] : [])) },
    });
  const named = (from: number) =>
    exercises.flatMap(({ say }, index) => (index >= from ? [[index, `${index + 1}. ${say}`] as const] : []));
  return (
    <Box role="group" aria-label="Sections" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
      <Pick
        label="From"
        value={first}
        options={named(0)}
        onPick={(from) => play(from, Math.max(from, last))}
        sx={CHOICE}
      />
      <Pick label="To" value={last} options={named(first)} onPick={(to) => play(first, to)} sx={CHOICE} />
      {range.length < exercises.length && (
        <Button onClick={() => play(0, exercises.length - 1)} sx={{ minHeight: 44 }}>
          All of it
        </Button>
      )}
    </Box>
  );
}

const CHOICE = { width: 'auto', minWidth: 180 };
