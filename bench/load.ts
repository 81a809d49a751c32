/**
 * What Mochila bears: many takes, pages and sign-ins at once; minutes of practice by 20 students with two teachers
 * reading, its web server killed in the middle; and a disk that runs full (as root only: it mounts one).
 * `LOAD_MINUTES=1` shortens it.
 */
import { spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { hash } from '@node-rs/argon2';
import pg from 'pg';
import { limbsIn } from '../src/core/groove/kit';
import { writeTake } from '../src/core/documents/take';
import { readGroove } from '../src/core/documents/groove';
import { emptyTake, playedTake } from '../src/core/testing/takes';
// The scripts run before packages are installed, so they are plain JavaScript.
// @ts-expect-error no types
import { reachCluster } from '../scripts/lib/cluster.mjs';
// @ts-expect-error no types
import { ownPlace, startServed } from './served.mjs';

interface Served {
  address: string;
  pid: number;
  data: string;
  stop: () => Promise<number>;
}
interface Person {
  id: string;
  token: string;
}

const MINUTES = Number(process.env.LOAD_MINUTES ?? 10);
const STUDENTS = 20;
/** Who send at once: a take each. */
const AT_ONCE = 200;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const row = (...cells: (string | number)[]) => console.log(`| ${cells.join(' | ')} |`);
const quantile = (all: readonly number[], share: number) =>
  all.toSorted((a, b) => a - b)[Math.min(all.length - 1, Math.floor(all.length * share))] ?? NaN;

/** A served workshop with people whose sessions are known. */
async function workshop(served: Served) {
  const cluster = (await reachCluster(served.data)) as { url: (database: string) => string };
  const owner = new pg.Pool({ connectionString: cluster.url('mochila_demo'), max: 4 });
  // A killed server takes the connections with it.
  owner.on('error', () => {});
  const { rows: people } = await owner.query<{ id: string; role: string }>('select id, role from person');
  const withSession = async (id: string): Promise<Person> => {
    const token = randomBytes(32).toString('base64url');
    await owner.query(
      `insert into session (token_hash, person_id, expires_at) values ($1, $2, now() + interval '1 day')`,
      [createHash('sha256').update(token).digest(), id],
    );
    return { id, token };
  };
  const chosen = people.filter(({ role }) => role === 'student');
  const students = await Promise.all(chosen.map(({ id }) => withSession(id)));
  const teacher = await withSession(people.find(({ role }) => role === 'teacher')!.id);
  const { rows: set } = await owner.query<{ student_id: string; groove_id: string; document: unknown }>(
    'select a.student_id, a.groove_id, g.document from assignment a join groove g on g.id = a.groove_id where g.drill is null',
  );
  const ask = (address: string, { token }: Person, init: RequestInit = {}) =>
    fetch(served.address + address, {
      redirect: 'manual',
      ...init,
      headers: { cookie: `mochila_session=${token}`, ...init.headers },
    });
  let seed = 0;
  const takeOf = (student: Person, rounds = 4) => {
    const one = set.find(({ student_id }) => student_id === student.id)!;
    const groove = readGroove(one.document);
    if (!groove.ok) throw new Error(groove.problems[0]!.say);
    const empty = emptyTake(groove.value, { rounds, task: limbsIn(groove.value) });
    return {
      id: crypto.randomUUID(),
      playerId: student.id,
      grooveId: one.groove_id,
      playedAt: new Date().toISOString(),
      take: writeTake(playedTake({ spreadMs: 12 }, empty, ++seed)),
    };
  };
  const send = (body: unknown, student: Person) =>
    ask('/api/takes', student, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  const kept = async (ids: readonly string[]) =>
    (await owner.query('select from take where id = any ($1::uuid[])', [ids])).rowCount ?? 0;
  const practising = students.filter(({ id }) => set.some(({ student_id }) => student_id === id)).slice(0, AT_ONCE);
  return { owner, students: practising, teacher, ask, takeOf, send, kept };
}
type Workshop = Awaited<ReturnType<typeof workshop>>;

async function timed<T>(work: Promise<T>): Promise<{ ms: number; answer?: T }> {
  const began = performance.now();
  const answer = await work.catch(() => undefined);
  return { ms: performance.now() - began, answer };
}

async function atOnce({ students, teacher, ask, takeOf, send, kept }: Workshop): Promise<void> {
  if (students.length < AT_ONCE) throw new Error(`Only ${students.length} students have something set`);
  const bodies = students.map((student) => takeOf(student));
  const takes = await Promise.all(bodies.map((body, at) => timed(send(body, students[at]!))));
  const acknowledged = bodies.filter((_, at) => takes[at]!.answer?.ok).map(({ id }) => id);
  console.log('\nmany at once\n');
  row('', 'answered', 'told to come again', 'broken', 'median ms', '95 % below', 'slowest ms');
  row('---', '---:', '---:', '---:', '---:', '---:', '---:');
  const told = (name: string, all: { ms: number; answer?: Response }[]) => {
    const count = (test: (status: number) => boolean) => all.filter(({ answer }) => test(answer?.status ?? 0)).length;
    const times = all.map(({ ms }) => ms);
    row(
      name,
      count((status) => status === 200 || status === 303),
      count((status) => status === 503),
      count((status) => status === 0 || (status >= 500 && status !== 503)),
      quantile(times, 0.5).toFixed(0),
      quantile(times, 0.95).toFixed(0),
      quantile(times, 1).toFixed(0),
    );
  };
  told(`${AT_ONCE} students, a take each`, takes);
  const pages = ['/today', '/people', '/takes', '/grooves'];
  const page = async (address: string) => {
    const response = await ask(address, teacher);
    await response.arrayBuffer();
    return response;
  };
  told('200 pages', await Promise.all(Array.from({ length: 200 }, (_, at) => timed(page(pages[at % pages.length]!)))));
  console.log(`\nOf ${acknowledged.length} acknowledged takes ${await kept(acknowledged)} are kept, each once.`);
}

/**
 * Fifty wrong passwords at once from one place, and meanwhile one who knows hers, on a browser she used before, and a
 * reader.
 */
async function flood(served: Served, dist: string, { owner, teacher, ask }: Workshop): Promise<void> {
  const manifest = JSON.parse(fs.readFileSync(path.join(dist, 'server/server-reference-manifest.json'), 'utf8')) as {
    node: Record<string, { exportedName: string }>;
  };
  const id = Object.entries(manifest.node).find(([, { exportedName }]) => exportedName === 'signInAction')![0];
  const { rows } = await owner.query<{ sign_in_name: string }>('select sign_in_name from person where id = $1', [
    teacher.id,
  ]);
  await owner.query('insert into credential (person_id, password_hash) values ($1, $2)', [
    teacher.id,
    await hash('right'),
  ]);
  const device = randomBytes(32).toString('base64url');
  await owner.query('insert into device (token_hash, person_id) values ($1, $2)', [
    createHash('sha256').update(device).digest(),
    teacher.id,
  ]);
  const signIn = (name: string, password: string, cookie = '') => {
    const body = new FormData();
    body.append('_1_name', name);
    body.append('_1_password', password);
    body.append('0', '[{"problems":{},"typed":{}},"$K1"]');
    return fetch(`${served.address}/sign-in`, {
      method: 'POST',
      redirect: 'manual',
      headers: { 'next-action': id, accept: 'text/x-component', cookie },
      body,
    });
  };
  const tried = Array.from({ length: 50 }, (_, at) => timed(signIn(`${rows[0]!.sign_in_name}${at % 25}`, 'wrong')));
  const real = timed(signIn(rows[0]!.sign_in_name, 'right', `mochila_device=${device}`));
  const pages = ['/today', '/people'].map((address) => timed(ask(address, teacher).then((got) => got.arrayBuffer())));
  const [{ ms, answer }, ...shown] = await Promise.all([real, ...pages]);
  await Promise.all(tried);
  const isIn = answer?.headers.has('x-action-redirect');
  console.log(
    `\nUnder a flood of 50 sign-ins a real one ${isIn ? 'comes in' : 'DOES NOT come in'} after ${ms.toFixed(0)} ms; pages take ${shown.map((one) => one.ms.toFixed(0)).join(' and ')} ms.`,
  );
}

/** The web server that the supervisor runs, and how much memory it holds, in MB. */
function webServer(supervisor: number): { pid: number; megabytes: number } | undefined {
  for (const name of fs.readdirSync('/proc')) {
    try {
      const parent = Number(fs.readFileSync(`/proc/${name}/stat`, 'utf8').split(') ').at(-1)!.split(' ')[1]);
      if (parent !== supervisor || !fs.readFileSync(`/proc/${name}/cmdline`, 'utf8').includes('serve.mjs')) continue;
      const kilobytes = Number(/VmRSS:\s+(\d+)/.exec(fs.readFileSync(`/proc/${name}/status`, 'utf8'))?.[1]);
      return { pid: Number(name), megabytes: kilobytes / 1024 };
    } catch {
      // Gone meanwhile.
    }
  }
  return undefined;
}

async function mixedLoad(served: Served, { students: all, teacher, ask, takeOf, send, kept }: Workshop): Promise<void> {
  const students = all.slice(0, STUDENTS);
  const until = Date.now() + MINUTES * 60_000;
  const acknowledged: string[] = [];
  const times: number[] = [];
  let [broken, away] = [0, false];
  const student = async (one: Person) => {
    for (let body = takeOf(one); Date.now() < until;) {
      const { ms, answer } = await timed(send(body, one));
      if (answer?.ok) {
        acknowledged.push(body.id);
        times.push(ms);
        body = takeOf(one);
        await pause(3000 + Math.random() * 2000);
      } else {
        // As the outbox does: the same one again.
        if (!away && answer?.status !== 503) broken++;
        await pause(1000);
      }
    }
  };
  const reader = async () => {
    for (let at = 0; Date.now() < until; at++) {
      const page = ['/today', '/people', '/takes', '/grooves'][at % 4]!;
      const { answer } = await timed(ask(page, teacher).then(async (got) => (await got.arrayBuffer(), got)));
      if (!away && answer?.status !== 200 && answer?.status !== 503) broken++;
      await pause(500);
    }
  };
  const memory: number[] = [];
  let backMs = NaN;
  const watcher = async () => {
    for (let tick = 0; Date.now() < until; tick++) {
      await pause((MINUTES * 60_000) / 60);
      const web = webServer(served.pid);
      if (web && !away) memory.push(web.megabytes);
      if (tick !== 29 || !web) continue;
      away = true;
      process.kill(web.pid, 'SIGKILL');
      const began = performance.now();
      while (!(await fetch(`${served.address}/health`).catch(() => undefined))?.ok) await pause(100);
      backMs = performance.now() - began;
      memory.push(NaN);
      // Requests that were under way when it died end in their own time.
      await pause(2000);
      away = false;
    }
  };
  await Promise.all([...students.map(student), reader(), reader(), watcher()]);
  const before = memory.slice(0, memory.findIndex(Number.isNaN));
  const after = memory.slice(memory.findIndex(Number.isNaN) + 1);
  console.log(
    `\n${MINUTES} minutes of ${students.length} students practising and 2 teachers reading, kill -9 in the middle\n`,
  );
  row('', '');
  row('---', '---:');
  row('takes acknowledged', acknowledged.length);
  row('of them lost', acknowledged.length - (await kept(acknowledged)));
  row('answers that broke', broken);
  row('a take, median / 95 % below, ms', `${quantile(times, 0.5).toFixed(0)} / ${quantile(times, 0.95).toFixed(0)}`);
  row('back after kill -9, s', (backMs / 1000).toFixed(1));
  const thirds = (all: readonly number[]) =>
    [0, 1, 2].map((part) =>
      quantile(all.slice((part * all.length) / 3, ((part + 1) * all.length) / 3), 0.5).toFixed(0),
    );
  row('memory before it, MB, by thirds', thirds(before).join(' → '));
  row('memory after it, MB, by thirds', thirds(after).join(' → '));
}

/** A disk of its own for a data folder; undefined where this user may mount none. */
function smallDisk(megabytes: number): string | undefined {
  const folder = fs.mkdtempSync('/tmp/mochila-disk-');
  fs.chmodSync(folder, 0o755);
  const { status } = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m,mode=755`, 'tmpfs', folder]);
  if (status === 0) return folder;
  fs.rmdirSync(folder);
  return undefined;
}

async function fullDisk(dist: string): Promise<void> {
  const disk = smallDisk(480);
  if (!disk) return console.log('\nA full disk was not tried: only root may mount one.');
  const served = (await startServed({ data: path.join(disk, 'data'), dist })) as Served;
  try {
    const { students, takeOf, send, kept, owner } = await workshop(served);
    const acknowledged: string[] = [];
    const play = async () => {
      const body = takeOf(students[0]!, 60);
      const answer = await send(body, students[0]!).catch(() => undefined);
      if (answer?.ok) acknowledged.push(body.id);
      return answer?.status ?? 0;
    };
    for (let take = 0; take < 10; take++) await play();
    const filler = path.join(disk, 'filler');
    const { bavail, bsize } = fs.statfsSync(disk);
    fs.writeFileSync(filler, Buffer.alloc(bavail * bsize - 4096));
    const health = async () => (await fetch(`${served.address}/health`).catch(() => undefined))?.status ?? 0;
    let refused = 0;
    for (let take = 0; take < 400 && refused < 20; take++) if ((await play()) !== 200) refused++;
    // It looks for room every half minute.
    let whileFull = await health();
    for (let waited = 0; whileFull === 200 && waited < 40; waited++) {
      await pause(1000);
      whileFull = await health();
    }
    fs.rmSync(filler);
    const began = performance.now();
    while ((await health()) !== 200) await pause(200);
    const recovered = (performance.now() - began) / 1000;
    const then = await play();
    console.log('\na full disk\n');
    row('', '');
    row('---', '---:');
    row('takes acknowledged, before and while it filled', acknowledged.length);
    row('of them lost', acknowledged.length - (await kept(acknowledged)));
    row('takes told that they were not kept', refused);
    row('/health while it was full', whileFull);
    row('well again after there was room, s', recovered.toFixed(1));
    row('the next take', then);
    await owner.end();
  } finally {
    await served.stop();
    spawnSync('umount', [disk]);
    fs.rmSync(disk, { recursive: true, force: true });
  }
}

const place = ownPlace();
try {
  const served = (await startServed(place, { MOCHILA_VOLUME: '260,500' })) as Served;
  const here = await workshop(served);
  await atOnce(here);
  await flood(served, place.dist, here);
  await mixedLoad(served, here);
  await here.owner.end();
  await served.stop();
  await fullDisk(place.dist);
} finally {
  place.clean();
}
