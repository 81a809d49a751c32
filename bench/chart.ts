/**
 * A chart of 200 bars with hits, changes of tempo and a jump: unrolled, written out and scheduled; and its text read
 * while it is typed.
 */
import { readChartText } from '../src/core/chart/text/chartText';
import { engraved } from '../src/core/chart/play/engraved';
import { unroll } from '../src/core/chart/play/unroll';
import { writeOutChart } from '../src/core/chart/play/writeOut';
import { formOf } from '../src/core/form/form';
import { schedule } from '../src/core/schedule/schedule';
import { STARTER_GROOVES } from '../src/server/demo/grooves';
import { medianMs, printTable } from './table';

const groove = STARTER_GROOVES.find((one) => one.groove.title === 'Lantern ghosts')!.groove;
const ID = 'aaaaaaaa-0000-4000-8000-000000000001';

/** About so many bars: sections of 16 with hits, each other one in another meter and tempo, round to a coda. */
function chartOf(bars: number) {
  const sections = Array.from({ length: bars / 20 }, (_, index) => {
    const change = index % 2 ? '3/4, 8th = 8th, straight' : '4/4, quarter at 120, shuffle';
    return `S${index} 8, ${change}, ${index === 1 ? 'sign, ' : ''}hits: let of 2, 3, & of 3 in bar 4, hits: 1, short & of 2 in bar 8, 2 times`;
  });
  const text = [
    'quarter at 120',
    ...sections,
    'last 4, to coda, D.S. al Coda',
    'coda 4, coda, ff, hits: 1 in bar 4',
  ].join('\n');
  const read = readChartText(text.replace('last 4, to coda, ', 'last 4, to coda in bar 2, '));
  if (!read.ok) throw new Error(read.problems[0].say);
  const form = read.value;
  return { text, form: { ...form, sections: form.sections.map((one) => ({ ...one, groove: ID })) } };
}

const grooves = new Map([[ID, groove]]);
const rows = [100, 200, 400].map((bars) => {
  const { text, form } = chartOf(bars);
  const played = unroll(form);
  const written = writeOutChart(form, 'Bench', grooves);
  if (!played.ok || !written.ok) throw new Error('It can be played.');
  const { groove: once, passages } = written.value;
  const plan = {
    groove: once,
    passages,
    bpm: once.tempo,
    rounds: 1,
    click: { kind: 'every', counts: '1', from: '0' } as const,
    countIn: 1,
  };
  return [
    played.value.length,
    schedule(formOf(plan)).sounds.length,
    medianMs(() => readChartText(text)),
    medianMs(() => unroll(form)),
    medianMs(() => writeOutChart(form, 'Bench', grooves)),
    medianMs(() => schedule(formOf(plan))),
    medianMs(() => engraved(form)),
  ];
});
printTable(
  'chart: read, unrolled, written out with its grooves, scheduled, laid out to be engraved',
  ['bars', 'sounds', 'read ms', 'unrolled ms', 'written out ms', 'scheduled ms', 'laid out ms'],
  rows,
);
