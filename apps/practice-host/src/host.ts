import { readFile } from 'node:fs/promises';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import sirv from 'sirv';

const siteFolder = fileURLToPath(new URL('../site', import.meta.url));
const require = createRequire(import.meta.url);

/** Fonts come from packages; the site refers to them by plain names. */
const FONTS: ReadonlyMap<string, string> = new Map([
  ['/fonts/fraunces.woff2', fontFile('@fontsource-variable/fraunces', 'fraunces-latin-wght-normal.woff2')],
  ['/fonts/figtree.woff2', fontFile('@fontsource-variable/figtree', 'figtree-latin-wght-normal.woff2')],
]);

function fontFile(name: string, file: string): string {
  return join(dirname(require.resolve(`${name}/package.json`)), 'files', file);
}

const COOKIE = 'quillhaven-cookies';
const NOTICE = /<!-- cookie-notice -->[\s\S]*?<!-- \/cookie-notice -->/;

const THANKS = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Thank you: Quillhaven Ferries</title>
<link rel="stylesheet" href="css/theme.css"><link rel="stylesheet" href="css/site.css"></head>
<body><main class="section"><div class="wrap"><h1>Your place is held</h1><p>Be at the quay twenty minutes before the boat leaves.</p>
<p><a class="btn btn-fare" href="./">Back to the start</a></p></div></main></body></html>`;

/** The stand-in for the owner's hosting: serves the Quillhaven Ferries pages and remembers a cookie choice. */
export function createPracticeHost(): Server {
  const files = sirv(siteFolder, { dev: true, etag: true });
  const server = createServer((request, response) => {
    handle(request, response, files).catch(() => {
      response.writeHead(500, { 'content-type': 'text/plain; charset=utf-8' }).end('The practice host failed.');
    });
  });
  // Long enough that no request is sent on a connection that is closed at the same moment.
  server.keepAliveTimeout = 120_000;
  return server;
}

async function handle(
  request: IncomingMessage,
  response: ServerResponse,
  files: ReturnType<typeof sirv>,
): Promise<void> {
  const path = new URL(request.url ?? '/', 'http://practice').pathname;
  const font = FONTS.get(path);
  if (font) {
    response.writeHead(200, { 'content-type': 'font/woff2', 'access-control-allow-origin': '*' });
    response.end(await readFile(font));
    return;
  }
  if (path === '/cookie-choice' && request.method === 'POST') {
    request.resume();
    response.writeHead(303, {
      location: request.headers.referer ? new URL(request.headers.referer).pathname : '/',
      'set-cookie': `${COOKIE}=chosen; Path=/; Max-Age=86400; SameSite=Lax`,
    });
    response.end();
    return;
  }
  if (path === '/thanks') {
    response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(THANKS);
    return;
  }
  if (path === '/' || path.endsWith('.html')) {
    const page = await readPage(path === '/' ? 'index.html' : path.slice(1));
    if (page !== undefined) {
      const chosen = (request.headers.cookie ?? '').includes(COOKIE);
      response.writeHead(200, { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-cache' });
      response.end(chosen ? page.replace(NOTICE, '') : page);
      return;
    }
  }
  files(request, response, () => {
    response.writeHead(404, { 'content-type': 'text/html; charset=utf-8' });
    response.end('<!doctype html><title>Not found</title><h1>Nothing moors here</h1><p><a href="/">Home</a></p>');
  });
}

async function readPage(name: string): Promise<string | undefined> {
  if (!/^[a-z0-9-]+\.html$/.test(name)) return undefined;
  try {
    return await readFile(join(siteFolder, name), 'utf8');
  } catch {
    return undefined;
  }
}
