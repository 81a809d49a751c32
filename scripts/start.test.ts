import { spawn } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { afterAll, describe, expect, test, vi } from 'vitest';
// The scripts run before packages are installed, so they are plain JavaScript.
// @ts-expect-error no types
import { beganAt, freePort, reachCluster, startCluster } from './lib/cluster.mjs';
// @ts-expect-error no types
import { startWeb } from './lib/web.mjs';

const made: string[] = [];
const temporary = () => {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-start-'));
  fs.chmodSync(folder, 0o755);
  made.push(folder);
  return folder;
};
afterAll(() => made.forEach((folder) => fs.rmSync(folder, { recursive: true, force: true })));

/** What start.mjs says and ends with in an environment. */
function started(env: Record<string, string>): Promise<{ code: number | null; said: string }> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['scripts/start.mjs'], {
      env: { ...process.env, npm_lifecycle_event: '', ...env },
    });
    let said = '';
    child.stdout.on('data', (text) => (said += text));
    child.stderr.on('data', (text) => (said += text));
    child.on('exit', (code) => resolve({ code, said }));
  });
}

describe('what cannot be done is said in one line, with the remedy', () => {
  test('a port that is taken', async () => {
    const port = (await freePort()) as number;
    const holder = net.createServer().listen(port, '127.0.0.1');
    const { code, said } = await started({ PORT: String(port), MOCHILA_DATA: temporary() });
    holder.close();
    expect(code).toBe(1);
    expect(said).toBe(`Mochila: Port ${port} is taken on 127.0.0.1. Choose another: PORT=${port + 1} npm start\n`);
  });

  test.each([
    [{ PORT: 'door' }, /^Mochila: PORT=door is not a port\. Use a number from 1 to 65535\.\n$/],
    [
      { HOST: '203.0.113.7' },
      /^Mochila: 203\.0\.113\.7:\d+ cannot be listened on .* Set HOST to an address of this machine\.\n$/,
    ],
    [
      { DATABASE_URL: 'postgres://nobody:x@127.0.0.1:9/none' },
      /^Mochila: The database could not be made ready \(.*ECONNREFUSED.*\)\. See that DATABASE_URL .*\n$/,
    ],
  ])('%o', async (env, words) => {
    const port = String(await freePort());
    const { code, said } = await started({ PORT: port, MOCHILA_DATA: temporary(), ...env });
    expect(said).toMatch(words);
    expect(code).toBe(1);
  });

  test('a second one in the same folder; a process that took its number since is none', async () => {
    const data = temporary();
    const first = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60000)', 'start.mjs']);
    const port = (await freePort()) as number;
    // Ends it before anything is started.
    const holder = net.createServer().listen(port, '127.0.0.1');
    const claimed = (began: string) => {
      fs.writeFileSync(path.join(data, 'supervisor.pid'), `${first.pid} ${began}`);
      return started({ PORT: String(port), MOCHILA_DATA: data });
    };
    const alive = await claimed(beganAt(first.pid) as string);
    const stale = await claimed('1');
    first.kill();
    holder.close();
    expect(alive).toMatchObject({
      code: 1,
      said: expect.stringMatching(/^Mochila: Mochila already runs from this/) as string,
    });
    expect(stale.said).toMatch(/^Mochila: Port \d+ is taken/);
  });

  test('a folder that cannot be written', async () => {
    const { code, said } = await started({ PORT: String(await freePort()), MOCHILA_DATA: '/dev/null/data' });
    expect(code).toBe(1);
    expect(said).toMatch(
      /^Mochila: The data folder \/dev\/null\/data cannot be written \(\w+\)\. Let this user write there/,
    );
    expect(said.trim().split('\n')).toHaveLength(1);
  });
});

// With DATABASE_URL set no cluster is started, so there is none to test.
describe.skipIf(process.env.DATABASE_URL)('the cluster', () => {
  test('after its supervisor was killed it starts again with all data, and after a half-made one it is made anew', async () => {
    const data = temporary();
    fs.mkdirSync(path.join(data, 'pg.new'));
    fs.writeFileSync(path.join(data, 'pg.new', 'half'), '');

    const script = `import('./scripts/lib/cluster.mjs').then(async ({ startCluster }) => console.log((await startCluster(${JSON.stringify(data)})).url('postgres')))`;
    const supervisor = spawn(process.execPath, ['-e', script]);
    const firstUrl = await new Promise<string>((resolve) =>
      supervisor.stdout.on('data', (text) => resolve(String(text).trim())),
    );
    const before = new pg.Client({ connectionString: firstUrl });
    before.on('error', () => {});
    await before.connect();
    await before.query('create table kept as select 42 as answer');
    supervisor.kill('SIGKILL');

    // The server is still there, without anybody to look after it.
    expect((await before.query('select answer from kept')).rows).toEqual([{ answer: 42 }]);
    const cluster = (await startCluster(data)) as { url: (database: string) => string; stop: () => Promise<void> };
    await expect(before.query('select 1')).rejects.toThrow();
    const after = new pg.Client({ connectionString: cluster.url('postgres') });
    await after.connect();
    expect((await after.query('select answer from kept')).rows).toEqual([{ answer: 42 }]);
    await after.end();
    // What a command run by hand reaches is the server that runs; stopping there stops nothing.
    const reached = (await reachCluster(data)) as typeof cluster;
    expect(reached.url('postgres')).toBe(cluster.url('postgres'));
    await reached.stop();
    const still = new pg.Client({ connectionString: cluster.url('postgres') });
    await still.connect();
    await still.end();
    // Its log is for its owner alone.
    expect(fs.statSync(path.join(data, 'postgres.log')).mode & 0o077).toBe(0);
    await cluster.stop();
    expect(fs.existsSync(path.join(data, 'pg', 'postmaster.pid'))).toBe(false);
  });

  test('an empty password file is said, with what would help', async () => {
    const data = temporary();
    await ((await startCluster(data)) as { stop: () => Promise<void> }).stop();
    fs.writeFileSync(path.join(data, 'owner-password'), '');
    const { code, said } = await started({ PORT: String(await freePort()), MOCHILA_DATA: data });
    expect(code).toBe(1);
    expect(said).toMatch(/^Mochila: The password of the cluster .* is empty\. Bring the file back from a copy\.\n$/);
  });

  test('npm killed outright leaves nothing behind', async () => {
    const data = temporary();
    const env = { ...process.env, npm_lifecycle_event: 'start', PORT: String(await freePort()), MOCHILA_DATA: data };
    // As npm does: a shell between it and the script.
    const npm = spawn(
      process.execPath,
      [
        '-e',
        `require('node:child_process').spawn('sh', ['-c', 'node scripts/start.mjs; true'], { stdio: 'ignore' }); setInterval(() => {}, 1000)`,
      ],
      { env },
    );
    const pidFile = path.join(data, 'pg', 'postmaster.pid');
    await vi.waitFor(() => expect(fs.existsSync(pidFile)).toBe(true), { timeout: 60_000, interval: 50 });
    const [supervisor] = fs.readFileSync(path.join(data, 'supervisor.pid'), 'utf8').split(' ');
    const [server] = fs.readFileSync(pidFile, 'utf8').split('\n');
    npm.kill('SIGKILL');
    await vi.waitFor(
      () => {
        for (const pid of [supervisor, server]) expect(fs.existsSync(`/proc/${pid}`)).toBe(false);
      },
      { timeout: 60_000, interval: 100 },
    );
  });

  test('a database server that dies is started again on its port', async () => {
    const data = temporary();
    const first = (await startCluster(data)) as { port: number; pid: number; stop: () => Promise<void> };
    process.kill(first.pid, 'SIGKILL');
    await vi.waitFor(() => expect(fs.existsSync(`/proc/${first.pid}`)).toBe(false));
    const second = (await startCluster(data, { port: first.port })) as typeof first;
    expect([second.port, second.pid === first.pid]).toEqual([first.port, false]);
    await second.stop();
  });
});

describe('the web server', () => {
  test('is started again when it dies, after a pause that grows, and stops when it is told to', async () => {
    const dist = temporary();
    const pausesMs = [50, 100];
    const port = (await freePort()) as number;
    const web = (await startWeb({ mode: 'stub', port, host: '127.0.0.1', dist, env: {}, show: false, pausesMs })) as {
      address: string;
      pid: () => number;
      stop: () => Promise<void>;
    };
    for (let death = 0; death < 3; death++) {
      const before = web.pid();
      process.kill(before, 'SIGKILL');
      await vi.waitFor(async () => expect((await fetch(`${web.address}/health`)).ok).toBe(true), { timeout: 30_000 });
      expect(web.pid()).not.toBe(before);
    }
    await web.stop();
    await new Promise((resolve) => setTimeout(resolve, 400));
    await expect(fetch(`${web.address}/health`)).rejects.toThrow();
  });
});
