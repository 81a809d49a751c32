/** How many events a second `schedule` makes, from one bar to 512, straight and swung. */
import { formOf, type Plan } from '../src/core/form/form';
import { schedule } from '../src/core/schedule/schedule';
import { STARTER_GROOVES } from '../src/server/demo/grooves';
import { medianMs, printTable } from './table';

const busiest = STARTER_GROOVES.find(({ groove }) => groove.title === 'Lantern ghosts')!.groove;
const one = { ...busiest, bars: busiest.bars.slice(0, 1) };
const rows = [1, 8, 64, 512].map((rounds) => {
  const plan: Plan = { groove: one, bpm: 92, click: { kind: 'slots' }, countIn: 1, rounds };
  const events = schedule(formOf(plan)).sounds.length;
  const straight = medianMs(() => schedule(formOf(plan)));
  const swung = medianMs(() => schedule(formOf({ ...plan, swing: { value: '16th', ratio: '2' } })));
  return [rounds, events, straight, (1000 * events) / straight, swung, (1000 * events) / swung];
});
printTable(
  'schedule: 16ths on four limbs, a click on every slot',
  ['bars', 'events', 'straight ms', 'events/s', 'swung ms', 'events/s'],
  rows,
);
