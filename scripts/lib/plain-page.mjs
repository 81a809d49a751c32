/** A page of few words for what never reaches the application: it needs nothing but itself. */
const page = (title, words) => `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${title} · Mochila</title>
<style>
:root { color-scheme: light dark; --paper: #faf6ee; --ink: #22263a; }
@media (prefers-color-scheme: dark) { :root { --paper: #171a27; --ink: #f3eee2; } }
body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: var(--paper); color: var(--ink); font: 17px/1.55 system-ui, sans-serif; }
main { max-width: 30rem; padding: 2rem; }
h1 { font-size: 1.7rem; margin: 0 0 .5rem; }
a { color: inherit; }
</style></head>
<body><main><h1>${title}</h1><p>${words}</p><p><a href="/today">Back to Today</a></p></main></body></html>`;

const HEADERS = {
  'cache-control': 'no-store',
  'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'; base-uri 'none'",
  'x-content-type-options': 'nosniff',
};

/**
 * Answers with few words: a page to a browser, JSON to a script.
 * @param {import('node:http').IncomingMessage} request @param {import('node:http').ServerResponse} response
 * @param {{ status: number, title: string, words: string, headers?: Record<string, string> }} answer
 */
export function answerPlainly(request, response, { status, title, words, headers = {} }) {
  const isPage = request.method === 'GET' && !request.url?.startsWith('/api/');
  response.writeHead(status, {
    ...HEADERS,
    ...headers,
    'content-type': isPage ? 'text/html; charset=utf-8' : 'application/json',
  });
  response.end(isPage ? page(title, words) : JSON.stringify({ say: `${title}. ${words}` }));
  // What else was to be sent is not waited for.
  request.resume();
}
