/**
 * Takes with one planted fault each, by players unlike one another: how often the verdict names it first, at twice
 * and at 1.3 times what passes, by level; how often clean takes are blamed; what is taken for what. And how long half
 * an hour takes.
 */
import { LEVELS } from '../src/core/limits';
import { judge } from '../src/core/judging/verdict/judge';
import { emptyTake } from '../src/core/testing/takes';
import { names, PLANTED, type Planted } from '../src/core/testing/plant';
import { playerFrom, takePlayed } from '../src/core/testing/players';
import { STARTER_GROOVES } from '../src/server/demo/grooves';
import { JUDGED_GROOVES } from '../src/core/testing/judgedGrooves';
import { medianMs, printTable } from './table';

const KINDS = PLANTED.filter((kind) => kind !== 'clean');
const grooves = [...STARTER_GROOVES.map(({ groove }) => groove), ...JUDGED_GROOVES];
const EACH = Number(process.env['EACH'] ?? 20);
const untidy = process.env['UNTIDY'] === '1';
const only = process.env['KIND'];

function* takesOf(kind: Planted, times: number, level: (typeof LEVELS)[number], wanted: number) {
  let made = 0;
  const from = 1000 * LEVELS.indexOf(level);
  for (let seed = from + 1; made < wanted && seed < from + wanted * 40; seed++) {
    const groove = grooves[(seed * 7 + kind.length) % grooves.length]!;
    const rounds = Math.max(4, Math.min(16, Math.round((8 + (seed % 9)) / groove.bars.length)));
    const empty = { ...emptyTake(groove, { rounds }) };
    const { toleranceMs } = judge({ ...empty, playedMs: 1e6 }, level);
    const one = takePlayed(
      empty,
      playerFrom(seed * 31 + 7, untidy),
      { kind, times, level },
      toleranceMs,
      seed * 101 + kind.length,
    );
    if (!one) continue;
    made++;
    yield { ...one, groove };
  }
}

const mistaken = new Map<string, number>();
/** How many of the takes at a level are named first, of how many; what is not is noted. */
function namedFirst(kind: Planted, times: number, level: (typeof LEVELS)[number]): { right: number; all: number } {
  let [right, all] = [0, 0];
  for (const { take, plant, groove } of takesOf(kind, times, level, EACH)) {
    const { verdict } = judge(take, level);
    all++;
    if (names(verdict, plant)) {
      right++;
      continue;
    }
    const key = `${kind} × ${times} → ${verdict.about}`;
    mistaken.set(key, (mistaken.get(key) ?? 0) + 1);
    if (process.env['SHOW'])
      console.log(key, level, groove.title, take.rounds, verdict.limb, JSON.stringify(verdict.numbers).slice(0, 140));
  }
  return { right, all };
}

const inPercent = ({ right, all }: { right: number; all: number }) => (all ? ((100 * right) / all).toFixed(0) : '–');
const taken = { takes: 0 };
const rows = KINDS.filter((kind) => !only || kind === only).map((kind) => [
  kind,
  ...[2, 1.3].flatMap((times) => {
    const byLevel = LEVELS.map((level) => namedFirst(kind, times, level));
    const together = byLevel.reduce((a, b) => ({ right: a.right + b.right, all: a.all + b.all }));
    taken.takes += together.all;
    return [...byLevel, together].map(inPercent);
  }),
]);
printTable(
  `judging: named first, in %, ${untidy ? 'untidy' : 'even'} players, ${taken.takes.toLocaleString('en')} takes`,
  ['planted', ...['2×', '1.3×'].flatMap((times) => [...LEVELS.map((level) => `${times} ${level}`), `${times} all`])],
  rows,
);
for (const tidy of [false, true]) {
  let [blamed, all] = [0, 0];
  const as = new Map<string, number>();
  for (const level of LEVELS) {
    let seed = 1000 * LEVELS.indexOf(level);
    for (let made = 0; made < EACH * 10; made++) {
      seed++;
      const groove = grooves[(seed * 7) % grooves.length]!;
      const empty = emptyTake(groove, {
        rounds: Math.max(4, Math.min(16, Math.round((8 + (seed % 9)) / groove.bars.length))),
      });
      const { toleranceMs } = judge({ ...empty, playedMs: 1e6 }, level);
      const one = takePlayed(
        empty,
        playerFrom(seed * 37 + 5, tidy),
        { kind: 'clean', times: 1, level },
        toleranceMs,
        seed * 103,
      )!;
      const { verdict } = judge(one.take, level);
      all++;
      if (verdict.about === 'clean') continue;
      blamed++;
      as.set(verdict.about, (as.get(verdict.about) ?? 0) + 1);
    }
  }
  console.log(
    `\nclean takes of ${tidy ? 'untidy' : 'even'} players blamed: ${blamed} of ${all} (${((100 * blamed) / all).toFixed(1)} %) ${JSON.stringify([...as])}`,
  );
}
printTable(
  'taken for something else',
  ['planted → said', 'times'],
  [...mistaken].sort((a, b) => b[1] - a[1]).slice(0, 30),
);

const long = emptyTake(STARTER_GROOVES[0]!.groove, { rounds: 1460 });
const { toleranceMs } = judge({ ...long, playedMs: 1e7 }, 'advanced');
const played = takePlayed(
  long,
  playerFrom(3, false),
  { kind: 'off-beats late', times: 2, level: 'advanced' },
  toleranceMs,
  5,
)!.take;
const ms = medianMs(() => void judge(played, 'advanced'), 3);
printTable('judging: half an hour', ['hits', 'ms'], [[played.hits.length, ms]]);
