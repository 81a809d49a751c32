import { spawn } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import os from 'node:os';
import path from 'node:path';
import pg from 'pg';
import { afterAll, describe, expect, test } from 'vitest';
// The scripts run before packages are installed, so they are plain JavaScript.
// @ts-expect-error no types
import { freePort, startCluster } from './lib/cluster.mjs';

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

  test('a second one in the same folder', async () => {
    const data = temporary();
    const first = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60000)', 'start.mjs']);
    fs.writeFileSync(path.join(data, 'supervisor.pid'), String(first.pid));
    const { code, said } = await started({ PORT: String(await freePort()), MOCHILA_DATA: data });
    first.kill();
    expect(code).toBe(1);
    expect(said).toMatch(/^Mochila: Mochila already runs from this folder/);
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
    await cluster.stop();
    expect(fs.existsSync(path.join(data, 'pg', 'postmaster.pid'))).toBe(false);
  });
});
