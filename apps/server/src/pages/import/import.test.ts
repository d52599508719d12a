import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { strToU8, zipSync } from 'fflate';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { ProblemException } from '../../http/problem.js';
import { decodeCss, decodeHtml, looksLikeHtml } from './decode.js';
import { fromAddress } from './from-address.js';
import { fromPaste, fromUpload } from './from-files.js';
import type { UploadedFile } from './uploaded-file.js';
import { LIMITS } from './limits.js';

const file = (path: string, text: string | Buffer): UploadedFile => ({
  path,
  contentType: undefined,
  bytes: Buffer.isBuffer(text) ? text : Buffer.from(text),
});

const problemOf = async (promise: Promise<unknown>) => {
  const error = await promise.then(
    () => undefined,
    (reason: unknown) => reason,
  );
  expect(error).toBeInstanceOf(ProblemException);
  return (error as ProblemException).problem;
};

describe('reading bytes as text', () => {
  // Source: WHATWG Encoding, whose labels name these; WHATWG HTML, section 13.2.3, for where the encoding is found.
  it('finds the encoding of HTML', () => {
    const latin = Buffer.from('<!doctype html><meta charset="iso-8859-1"><p>Caf\xe9', 'latin1');
    expect(decodeHtml(latin, 'text/html')).toContain('Café');
    expect(decodeHtml(Buffer.from('<p>Café'), 'text/html; charset=utf-8')).toContain('Café');
    expect(decodeHtml(Buffer.from('\ufeff<p>Café', 'utf16le'), undefined)).toContain('Café');
  });

  it('finds the encoding of CSS', () => {
    expect(decodeCss(Buffer.from('@charset "iso-8859-1"; a { content: "\xe9" }', 'latin1'), 'text/css')).toContain('é');
    expect(decodeCss(Buffer.from('a { content: "é" }'), undefined)).toContain('é');
    expect(decodeCss(Buffer.from('@charset "nonsense"; a {}'), 'text/css')).toContain('a {}');
  });

  it('tells HTML from what is none', () => {
    expect(looksLikeHtml(Buffer.from('<!doctype html><p>x'))).toBe(true);
    expect(looksLikeHtml(Buffer.from('just words'))).toBe(false);
    expect(looksLikeHtml(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 0x3c, 0x70, 0x3e]))).toBe(false);
  });
});

describe('uploaded files', () => {
  const html =
    '<!doctype html><title>T</title><link rel="stylesheet" href="css/a.css"><img src="img/p.png"><a href="#">x</a><script>1</script>';

  it('are put together by place, or by name where there are no folders', async () => {
    const files = [
      file('page.html', html),
      file('a.css', '@import "b.css"; a { background: url(../img/p.png) }'),
      file('b.css', 'b {}'),
      file('p.png', 'PNG'),
    ];
    const page = await fromUpload(files);
    expect(page.sheets.map((sheet) => sheet.address)).toEqual([
      'https://page.invalid/css/a.css',
      'https://page.invalid/css/b.css',
    ]);
    expect(page.assets).toMatchObject([{ address: 'https://page.invalid/img/p.png', contentType: 'image/png' }]);
    expect(page.html).not.toContain('<script');
    expect(page.title).toBe('T');
    expect(page.notes.join(' ')).toContain('1 script taken out');
  });

  it('name what is missing and what is not used', async () => {
    const page = await fromUpload([file('page.html', html), file('other.css', 'x {}')]);
    expect(page.notes.join(' ')).toMatch(/2 files the page asks for could not be had: a\.css, p\.png/);
    expect(page.notes.join(' ')).toMatch(/Not used.*other\.css/);
  });

  const gallery =
    '<!doctype html><title>G</title><img src="about/1.jpg"><img src="team/1.jpg"><img src="boats/2.jpg"><p>Words</p>';
  const addresses = (page: { assets: readonly { address: string }[] }) =>
    page.assets.map(({ address }) => new URL(address).pathname).sort();

  it('never show one file in several places for its name alone, and say so', async () => {
    const page = await fromUpload([file('page.html', gallery), file('1.jpg', 'ONE'), file('2.jpg', 'TWO')]);
    expect(addresses(page)).toEqual(['/boats/2.jpg']);
    expect(page.notes.join(' ')).toMatch(/2 files called 1\.jpg: about\/1\.jpg, team\/1\.jpg/);
  });

  it('are told apart by their folders, wherever these lie', async () => {
    for (const root of ['', 'site/', 'my site/html/']) {
      const page = await fromUpload([
        file(`${root}page.html`, gallery),
        file(`${root}about/1.jpg`, 'ABOUT'),
        file(`${root}team/1.jpg`, 'TEAM'),
      ]);
      const bytes = page.assets.map(({ address, bytes: own }) => [
        new URL(address).pathname.split('/').at(-2),
        String(own),
      ]);
      expect(bytes.sort()).toEqual([
        ['about', 'ABOUT'],
        ['team', 'TEAM'],
      ]);
    }
  });

  it('come in a zip as well, without what systems put into it', async () => {
    const zip = zipSync({
      'site/page.html': strToU8(gallery),
      'site/about/1.jpg': strToU8('ABOUT'),
      'site/team/1.jpg': strToU8('TEAM'),
      '__MACOSX/site/._page.html': strToU8('x'),
      'site/.DS_Store': strToU8('x'),
    });
    const page = await fromUpload([file('site.zip', Buffer.from(zip))]);
    expect(addresses(page)).toEqual(['/site/about/1.jpg', '/site/team/1.jpg']);
    expect(page.notes.join(' ')).not.toContain('DS_Store');
  });

  it('bring the page that is named, or the front page of a folder', async () => {
    const files = ['index.html', 'boats.html', 'old/index.html'].map((name) =>
      file(`site/${name}`, `<!doctype html><title>${name}</title><p>Words</p>`),
    );
    expect((await fromUpload(files)).title).toBe('index.html');
    expect((await fromUpload(files, undefined, 'site/boats.html')).title).toBe('boats.html');
    expect((await problemOf(fromUpload(files.slice(1)))).detail).toContain('site/boats.html, site/old/index.html');
  });

  it('refuse archives that are broken or hold too much', async () => {
    expect(await problemOf(fromUpload([file('a.zip', 'no archive')]))).toMatchObject({ status: 422 });
    const bomb = zipSync({ 'page.html': strToU8('<p>x'), 'big.bin': new Uint8Array(LIMITS.totalBytes) });
    expect(bomb.length).toBeLessThan(LIMITS.totalBytes / 100);
    expect(await problemOf(fromUpload([file('b.zip', Buffer.from(bomb))]))).toMatchObject({ status: 413 });
    const many = zipSync(
      Object.fromEntries(Array.from({ length: LIMITS.files + 1 }, (_, i) => [`${i}.css`, strToU8('')])),
    );
    expect(await problemOf(fromUpload([file('c.zip', Buffer.from(many))]))).toMatchObject({ status: 413 });
  });

  it.each([
    ['no page among them', [file('a.css', 'a {}')], 'urn:retoque:problem:not-html'],
    ['several pages', [file('a.html', html), file('b.html', html)], 'urn:retoque:problem:invalid-input'],
    ['a page that is no HTML', [file('a.html', 'just words')], 'urn:retoque:problem:not-html'],
    [
      'a page built by a script',
      [file('a.html', '<div id="app"></div><script src="x.js"></script>')],
      'urn:retoque:problem:built-by-script',
    ],
    [
      'too much',
      [file('a.html', html), file('p.png', Buffer.alloc(LIMITS.totalBytes))],
      'urn:retoque:problem:too-large',
    ],
    ['too deep', [file('a.html', '<div>'.repeat(600) + '<a href="#">x</a>')], 'urn:retoque:problem:too-large'],
  ])('%s gives a clear message', async (_, files, type) => {
    const problem = await problemOf(fromUpload(files));
    expect(problem.type).toBe(type);
    expect(problem.detail).toBeTruthy();
  });
});

describe('pasted pages', () => {
  it.each([
    '<!doctype html><html><head><title>x</title></head><body><p>x',
    '<!doctype html><p>x',
    '<p>x',
    '<html><body><p>x',
  ])('keep their doctype and get the CSS last: %s', async (html) => {
    const page = await fromPaste(html, 'p { color: red }');
    expect(page.sheets).toEqual([{ address: 'https://page.invalid/pasted.css', text: 'p { color: red }' }]);
    expect(/^<!doctype html>/i.test(page.html)).toBe(/doctype/.test(html));
    expect(page.html).toContain('pasted.css');
  });
});

describe('fetching by address', () => {
  let server: Server;
  let origin: string;
  let other: Server;
  const signal = () => new AbortController().signal;

  beforeAll(async () => {
    const listen = (made: Server) => new Promise<void>((resolve) => made.listen(0, '127.0.0.1', resolve));
    other = createServer((_, response) => response.end('secret'));
    await listen(other);
    const secret = `http://127.0.0.1:${(other.address() as AddressInfo).port}/`;
    server = createServer((request, response) => {
      const html = (body: string) => response.setHeader('content-type', 'text/html').end(`<!doctype html>${body}`);
      switch (request.url) {
        case '/':
          return void html(
            `<link rel=stylesheet href=a.css><link rel=stylesheet href=gone.css><img src="${secret}p.png"><a href=#>x</a>`,
          );
        case '/a.css':
          return void response.setHeader('content-type', 'text/css').end('a { color: red }');
        case '/away':
          return void response.writeHead(302, { location: secret }).end();
        case '/circle':
          return void response.writeHead(302, { location: '/circle' }).end();
        case '/file':
          return void response.writeHead(302, { location: 'file:///etc/passwd' }).end();
        case '/picture':
          return void response.setHeader('content-type', 'image/png').end('PNG');
        case '/huge':
          response.setHeader('content-type', 'text/html');
          response.write('<!doctype html><a href=#>x</a>');
          for (let i = 0; i < 24; i++) response.write(Buffer.alloc(1024 * 1024, 32));
          return void response.end();
        case '/never':
          return;
        default:
          return void response.writeHead(404).end();
      }
    });
    await listen(server);
    origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => {
    server.closeAllConnections();
    server.close();
    other.close();
  });

  it('brings a page with its sheets; what is missing or refused is named and does not stop it', async () => {
    const page = await fromAddress(`${origin}/`, origin, signal());
    expect(page.sheets).toEqual([{ address: `${origin}/a.css`, text: 'a { color: red }' }]);
    expect(page.assets).toEqual([]);
    expect(page.notes.join(' ')).toMatch(/2 files .*could not be had/);
  });

  it('refuses loopback unless it is the practice host', async () => {
    const problem = await problemOf(fromAddress(`${origin}/`, undefined, signal()));
    expect(problem.type).toBe('urn:retoque:problem:address-refused');
    expect(problem.detail).toContain('this machine itself');
  });

  it('refuses a name that leads to this machine', async () => {
    const problem = await problemOf(fromAddress(`http://localhost:${new URL(origin).port}/`, origin, signal()));
    expect(problem.type).toBe('urn:retoque:problem:address-refused');
  });

  it.each([
    ['/away', 'urn:retoque:problem:address-refused'],
    ['/file', 'urn:retoque:problem:address-refused'],
    ['/circle', 'urn:retoque:problem:unreachable'],
    ['/nothing', 'urn:retoque:problem:unreachable'],
    ['/picture', 'urn:retoque:problem:not-html'],
    ['/huge', 'urn:retoque:problem:too-large'],
  ])('judges %s anew at each step', async (path, type) => {
    expect((await problemOf(fromAddress(origin + path, origin, signal()))).type).toBe(type);
  });

  it('stops when it is cancelled', async () => {
    const controller = new AbortController();
    const pending = fromAddress(`${origin}/never`, origin, controller.signal);
    setTimeout(() => controller.abort(new Error('cancelled')), 50);
    await expect(pending).rejects.toThrow('cancelled');
  });

  it('says when nothing answers', async () => {
    const closed = createServer();
    await new Promise<void>((resolve) => closed.listen(0, '127.0.0.1', resolve));
    const gone = `http://127.0.0.1:${(closed.address() as AddressInfo).port}`;
    await new Promise((resolve) => closed.close(resolve));
    expect((await problemOf(fromAddress(gone, gone, signal()))).type).toBe('urn:retoque:problem:unreachable');
  });
});
