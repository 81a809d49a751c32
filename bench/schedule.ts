/** How many events a second `schedule` makes, from one bar to 512, straight and swung. */
import { beatOf } from '../src/core/groove/beat';
import { schedule, type Run } from '../src/core/schedule/schedule';
import { STARTER_GROOVES } from '../src/server/demo/grooves';
import { steady } from '../src/core/time/tempoMap';
import { medianMs, printTable } from './table';

const busiest = STARTER_GROOVES.find(({ groove }) => groove.title === 'Lantern ghosts')!.groove;
const one = { ...busiest, bars: busiest.bars.slice(0, 1) };
const rows = [1, 8, 64, 512].map((rounds) => {
  const run: Run = { groove: one, tempo: steady(92, beatOf(one)), click: { kind: 'slots' }, countIn: 1, rounds };
  const events = schedule(run).sounds.length;
  const straight = medianMs(() => schedule(run));
  const swung = medianMs(() => schedule({ ...run, swing: { value: '16th', ratio: '2' } }));
  return [rounds, events, straight, (1000 * events) / straight, swung, (1000 * events) / swung];
});
printTable(
  'schedule: 16ths on four limbs, a click on every slot',
  ['bars', 'events', 'straight ms', 'events/s', 'swung ms', 'events/s'],
  rows,
);
