import fs from 'node:fs';
import https from 'node:https';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
// The scripts run before packages are installed, so they are plain JavaScript.
// @ts-expect-error no types
import { ensureCertificate, isGood } from './lib/certificate.mjs';

const data = fs.mkdtempSync(path.join(os.tmpdir(), 'mochila-tls-'));
afterAll(() => fs.rmSync(data, { recursive: true, force: true }));
const ensured = (names: string[]): Promise<{ key: string; cert: string }> =>
  ensureCertificate(data, { names }) as Promise<{ key: string; cert: string }>;

test('a certificate is made once, names what it was made for, and is made anew for another address', async () => {
  const { key, cert } = await ensured(['localhost', '192.0.2.7']);
  const first = fs.readFileSync(cert, 'utf8');
  expect(fs.statSync(key).mode & 0o777).toBe(0o600);
  await ensured(['localhost', '192.0.2.7']);
  expect(fs.readFileSync(cert, 'utf8')).toBe(first);
  await ensured(['localhost', '192.0.2.8']);
  const second = fs.readFileSync(cert, 'utf8');
  expect(second).not.toBe(first);
  expect(isGood(second, ['192.0.2.8'])).toBe(true);
  expect(isGood(second, ['192.0.2.7'])).toBe(false);
});

test('near its end, or damaged, it is no longer good', async () => {
  const { cert } = await ensured(['localhost']);
  const pem = fs.readFileSync(cert, 'utf8');
  const inDays = (days: number) => Date.now() + days * 86_400_000;
  expect(isGood(pem, ['localhost'], inDays(300))).toBe(true);
  expect(isGood(pem, ['localhost'], inDays(370))).toBe(false);
  expect(isGood('no certificate', ['localhost'])).toBe(false);
});

test('a server answers with it to whoever trusts it, by name and by address', async () => {
  const { key, cert } = await ensured(['localhost', '127.0.0.1']);
  const [ca, pem] = [fs.readFileSync(cert), fs.readFileSync(key)];
  const server = https.createServer({ key: pem, cert: ca }, (_, response) => response.end('well'));
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as AddressInfo;
  for (const host of ['localhost', '127.0.0.1']) {
    const answer = await new Promise<string>((resolve, reject) => {
      https
        .get({ host, port, ca, family: 4 }, (response) => response.on('data', (text) => resolve(String(text))))
        .on('error', reject);
    });
    expect(answer).toBe('well');
  }
  server.close();
});
