/**
 * Serves the built application: `scripts/start.mjs` runs this with its environment. In front of the application stands
 * what must not reach it: addresses that cannot be read, bodies beyond any document, and more requests than it can
 * answer, which wait or are told to come again.
 */
import fs from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import next from 'next';
import { Gate } from './lib/gate.mjs';
import { answerPlainly } from './lib/plain-page.mjs';

const port = Number(process.env.PORT);
const hostname = process.env.HOST;
/** How many proxies of our own stand in front, each of which adds the address it was asked from. */
const proxies = Number(process.env.MOCHILA_PROXIES ?? 0);

const pages = new Gate({ atOnce: 16, mostWaiting: 400, patienceMs: 20_000 });
/** A groove of 128 bars of 32nds in four limbs is 1.3 MB, a take of 20,000 hits 1 MB. */
const MOST_BYTES = 4_500_000;
/** Built files, the watcher's question, and what two screens of a lesson say to one another go past the gate. */
const FREE = /^\/(?:_next\/static|worklets|speech|health|icon\.svg|api\/lessons\/[^/]+\/live)/;
/** How long requests under way may take once the server is told to stop. */
const LAST_MS = 4000;

const app = next({ dev: false, hostname, port });
await app.prepare();
const handle = app.getRequestHandler();

/** Whether a path is text that a database could be asked for. */
function isReadable(url) {
  try {
    return !decodeURIComponent(url.split('?', 1)[0]).includes('\0');
  } catch {
    return false;
  }
}

/** The address a request comes from; what a visitor says of himself is not believed. */
function addressOf(request) {
  const passed = String(request.headers['x-forwarded-for'] ?? '').split(',');
  return (proxies && passed.at(-proxies)?.trim()) || request.socket.remoteAddress || 'unknown';
}

/** With a certificate of our own what comes is encrypted here, and nothing in front says so. */
const { MOCHILA_TLS_KEY: key, MOCHILA_TLS_CERTIFICATE: cert } = process.env;
const listening = (listener) =>
  key && cert
    ? https.createServer({ key: fs.readFileSync(key), cert: fs.readFileSync(cert) }, listener)
    : http.createServer(listener);

const server = listening(async (request, response) => {
  const { url = '/' } = request;
  if (!isReadable(url))
    return answerPlainly(request, response, {
      status: 400,
      title: 'This address cannot be read',
      words: 'Something in it is not text. Type it again, or begin from Today.',
    });
  if (Number(request.headers['content-length'] ?? 0) > MOST_BYTES)
    return answerPlainly(request, response, {
      status: 413,
      title: 'This is too large',
      words: 'Nothing that is kept here is larger than 4 MB. Send less at once.',
    });
  request.headers['x-mochila-address'] = addressOf(request);
  if (request.socket.encrypted) request.headers['x-forwarded-proto'] = 'https';
  const leave = FREE.test(url) ? () => {} : await pages.enter();
  if (!leave)
    return answerPlainly(request, response, {
      status: 503,
      title: 'Many are here at once',
      words: 'Nothing that was kept is lost. Wait a few seconds, then try again.',
      headers: { 'retry-after': '5' },
    });
  response.once('close', leave);
  // Whoever went away while waiting is not answered.
  if (response.destroyed) return leave();
  try {
    await handle(request, response);
  } catch (error) {
    console.error(error);
    if (response.headersSent) response.destroy();
    else
      answerPlainly(request, response, {
        status: 500,
        title: 'That did not work',
        words: 'Nothing that was kept is lost. Try again in a moment.',
      });
  }
});

server.on('error', (error) => {
  console.error(`Mochila: ${hostname}:${port} cannot be listened on (${error.code}).`);
  process.exit(1);
});
server.listen(port, hostname);

let stopping = false;
process.on('SIGTERM', () => {
  if (stopping) return;
  stopping = true;
  server.close(() => process.exit(0));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), LAST_MS).unref();
});
