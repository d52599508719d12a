import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { retoque } from './testing/retoque.js';

let folder: string;
const file = (name: string) => join(folder, name);

const records = (result: Awaited<ReturnType<typeof retoque>>): Record<string, unknown>[] =>
  result.lines.filter(Boolean).map((line) => JSON.parse(line) as Record<string, unknown>);

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'retoque-cli-'));
  mkdirSync(file('css'));
  writeFileSync(
    file('page.html'),
    `<!doctype html><title>Quay</title><link rel="stylesheet" href="css/site.css?v=2"><link rel="stylesheet" href="https://elsewhere.invalid/x.css">
    <main><a class="btn" href="#">Board</a><p>Words <a href="#">here</a></p><button class="btn" disabled>Closed</button></main>`,
  );
  writeFileSync(
    file('css/site.css'),
    `@import "more.css"; .btn { color: #fff; background: #0b5563; padding: 4px 8px } .btn:hover { color: #14323a; background: #2a7f8e }
     .btn:active { color: red } .btn:focus-visible { outline: 3px solid gold } @media (width < 600px) { .btn { color: #0b5563 } } .btm { color: lime } .btn::after { content: "→" }`,
  );
  writeFileSync(file('css/more.css'), 'p { color: #777 }');
  writeFileSync(file('extra.css'), '.btn { color: black; width: 3ch } :root { --quay: 3px }');
  writeFileSync(file('empty.html'), '  ');
  writeFileSync(file('binary.html'), Buffer.from([60, 104, 0xff, 0xfe, 0]));
  writeFileSync(file('words.html'), 'no elements at all');
  writeFileSync(file('broken.html'), '<style>a { color: red; } } b {{ color: (((</style><a href="#">x');
  writeFileSync(
    file('fonts.json'),
    JSON.stringify({ 'Times New Roman': { xHeight: 0.45, zeroAdvance: 0.5, capHeight: 0.66, normalLineHeight: 1.15 } }),
  );
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('retoque find', () => {
  interface Found {
    readonly kind: string;
    readonly select: string;
    readonly members: number;
    readonly parts: readonly { readonly name: string; readonly select: string; readonly members: number }[];
  }
  const finding = async (...more: string[]) =>
    records(await retoque('find', file('page.html'), '--format', 'ndjson', ...more)) as unknown as Found[];

  it('prints one line a component, with selectors that reach its members and those of its parts', async () => {
    const found = await finding();
    expect(found.map(({ kind, select, members }) => [kind, select, members])).toEqual([
      ['scrollbar', 'html', 1],
      // The browser gives a button an edge that a link does not have, so these two do not look alike.
      ['button', 'a.btn', 1],
      ['link', 'main p > a', 1],
      ['button', 'button.btn', 1],
    ]);
    expect(found[1]!.parts).toEqual([
      { name: 'button', select: 'a.btn', members: 1 },
      { name: 'further-after', select: 'a.btn::after', members: 1 },
    ]);
  });

  it('adds what belongs to no component on request', async () => {
    const rest = (await finding('--rest')).filter(({ kind }) => kind === 'section');
    expect(rest).toMatchObject([{ select: 'main', members: 1 }]);
    expect(rest[0]!.parts.map(({ name }) => name)).toContain('further-text');
  });

  it('prints a table, and a line where there is nothing to tell', async () => {
    const { code, out } = await retoque('find', file('page.html'));
    expect(code).toBe(0);
    expect(out).toMatch(/button +Board +1 +button, further-after +a\.btn/);
    expect((await retoque('find', file('missing.html'))).code).toBe(2);
  });
});

describe('retoque resolve', () => {
  it('prints one record for each element and state, in document order', async () => {
    const result = await retoque(
      'resolve',
      file('page.html'),
      '--select',
      '.btn',
      '--states',
      'default,hover,active,focus',
      '--properties',
      'color,background-color',
      '--format',
      'ndjson',
    );
    expect(result.code).toBe(0);
    const found = records(result);
    expect(found.map(({ index, state }) => [index, state])).toEqual([
      [0, 'default'],
      [0, 'hover'],
      [0, 'active'],
      [0, 'focus'],
      [1, 'default'],
      [1, 'hover'],
      [1, 'active'],
      [1, 'focus'],
    ]);
    expect(found[0]).toMatchObject({ values: { color: 'rgb(255, 255, 255)', 'background-color': 'rgb(11, 85, 99)' } });
    // Pressed is hovered too: the ground is the hover's.
    expect(found[2]).toMatchObject({ values: { color: 'rgb(255, 0, 0)', 'background-color': 'rgb(42, 127, 142)' } });
    expect(found[0]!.path).toMatch(/a:nth-child\(1\)$/);
  });

  it('takes viewports, schemes, further sheets, sets of states, pseudo-elements, shorthands and custom properties', async () => {
    const value = async (property: string, ...more: string[]) =>
      records(
        await retoque(
          'resolve',
          file('page.html'),
          '--select',
          'a.btn',
          '--properties',
          property,
          '--format',
          'ndjson',
          ...more,
        ),
      ).map((record) => record.values);
    expect(await value('color', '--viewport', '390x844')).toEqual([{ color: 'rgb(11, 85, 99)' }]);
    expect(await value('color', '--css', file('extra.css'))).toEqual([{ color: 'rgb(0, 0, 0)' }]);
    expect(await value('--quay', '--css', file('extra.css'))).toEqual([{ '--quay': '3px' }]);
    expect(await value('outline-width', '--states', 'focus+hover')).toEqual([{ 'outline-width': '3px' }]);
    expect(await value('padding,gap,border')).toEqual([
      { padding: '4px 8px', gap: 'normal', border: '0px none rgb(255, 255, 255)' },
    ]);
    expect(Object.keys((await value('font-variant'))[0] as object)).toContain('font-variant-caps');
    expect(
      records(
        await retoque(
          'resolve',
          file('page.html'),
          '--select',
          'a.btn::after',
          '--properties',
          'content',
          '--format',
          'ndjson',
        ),
      )[0],
    ).toMatchObject({ values: { content: '"→"' } });
    expect(await value('color', '--scheme', 'dark')).toEqual([{ color: 'rgb(255, 255, 255)' }]);
  });

  it('follows @import, and says which sheets it could not read', async () => {
    const result = await retoque(
      'resolve',
      file('page.html'),
      '--select',
      'p',
      '--properties',
      'color',
      '--format',
      'ndjson',
    );
    expect(records(result)[0]).toMatchObject({ values: { color: 'rgb(119, 119, 119)' } });
    expect(result.err.join()).toContain('https://elsewhere.invalid/x.css');
  });

  it('names units that need a font’s measures, and uses them when given', async () => {
    const args = [
      'resolve',
      file('page.html'),
      '--css',
      file('extra.css'),
      '--select',
      'a.btn',
      '--properties',
      'width',
      '--format',
      'ndjson',
    ];
    const without = await retoque(...args);
    expect(records(without)[0]).toMatchObject({ values: { width: '3ch' } });
    expect(without.err.join()).toContain('ch');
    expect(records(await retoque(...args, '--font-metrics', file('fonts.json')))[0]).toMatchObject({
      values: { width: '24px' },
    });
  });

  it('prints a table that can be read', async () => {
    const result = await retoque(
      'resolve',
      file('page.html'),
      '--select',
      'a.btn',
      '--states',
      'default,hover',
      '--properties',
      'color',
    );
    expect(result.lines[0]).toMatch(/element\s+state\s+property\s+value/);
    expect(result.lines.filter((line) => line.includes('rgb(20, 50, 58)'))).toHaveLength(1);
  });
});

describe('retoque explain', () => {
  it('tells what wins, what lost and why, and what would win', async () => {
    const result = await retoque(
      'explain',
      file('page.html'),
      '--select',
      'a.btn',
      '--state',
      'hover',
      '--property',
      'color',
    );
    expect(result.code).toBe(0);
    expect(result.out).toContain('color: rgb(20, 50, 58)');
    expect(result.out).toMatch(/\* \.btn:hover \{ #14323a \}\s+site\.css:1:/);
    expect(result.out).toContain('Its selector weighs less: (0,1,0) against (0,2,0).');
    expect(result.out).toContain('To win: A rule after the site’s sheets wins with a weight of at least (0,2,0).');
    expect(result.out).toContain('Matches nothing: .btm');
  });

  it('prints the same as JSON', async () => {
    const result = await retoque(
      'explain',
      file('page.html'),
      '--select',
      'a.btn',
      '--property',
      'color',
      '--format',
      'json',
    );
    const [answer] = records(result) as [
      { explanations: { contenders: unknown[] }[]; idle: { misses: { selector: string }[] }[] },
    ];
    expect(answer.explanations[0]!.contenders.length).toBeGreaterThan(1);
    expect(answer.idle[0]!.misses[0]!.selector).toBe('.btn');
  });
});

describe('retoque check', () => {
  it('exits 1 when something falls short, and prints one record a check', async () => {
    const result = await retoque(
      'check',
      file('page.html'),
      '--format',
      'ndjson',
      '--viewport',
      '1280x800',
      '--viewport',
      '390x844',
    );
    expect(result.code).toBe(1);
    const found = records(result);
    for (const record of found) {
      expect(Object.keys(record)).toEqual([
        'page',
        'select',
        'text',
        'part',
        'state',
        'viewport',
        'criterion',
        'measured',
        'needed',
        'verdict',
        'foreground',
        'background',
        'reason',
        'demand',
        'unit',
        'basis',
        'share',
        'worst',
      ]);
    }
    const board = (state: string, viewport = '1280x800') =>
      found.find((record) => record.text === 'Board' && record.state === state && record.viewport === viewport);
    expect(board('default')).toMatchObject({
      verdict: 'passes',
      part: 'button',
      foreground: '#ffffff',
      background: '#0b5563',
      criterion: '1.4.3',
      needed: 4.5,
    });
    expect(board('hover')).toMatchObject({ verdict: 'short' });
    expect(board('hover')!.measured).toBeCloseTo(2.92, 2);
    expect(board('default', '390x844')).toMatchObject({ verdict: 'short', measured: 1 });
    expect(found.find((record) => record.text === 'Closed')).toMatchObject({ verdict: 'exempt', measured: null });
    // #777777 on white is 4.48: it must not be rounded up to passing.
    expect(found.find((record) => String(record.text).startsWith('Words'))).toMatchObject({ verdict: 'short' });
  });

  it('can be narrowed, asked for more, and told not to fail', async () => {
    const narrowed = await retoque(
      'check',
      file('page.html'),
      '--select',
      'a.btn',
      '--states',
      'default',
      '--demands',
      'text',
    );
    expect(narrowed.code).toBe(0);
    const strict = await retoque(
      'check',
      file('page.html'),
      '--select',
      'a.btn',
      '--states',
      'default',
      '--level',
      'AAA',
      '--demands',
      'text',
      '--format',
      'json',
    );
    expect(JSON.parse(strict.out)).toMatchObject([{ criterion: '1.4.6', needed: 7, verdict: 'passes' }]);
    expect((await retoque('check', file('page.html'), '--fail-on', 'never')).code).toBe(0);
    expect((await retoque('check', file('page.html'))).lines.at(-1)).toMatch(/^\d+ checks: \d+ fail/);
  });
});

describe('retoque check, over pictures and where things stand', () => {
  const html =
    '<!doctype html><body><div class="banner"></div><div class="bar"><a class="btn" href="#">Board</a></div></body>';
  const css =
    '.banner { height: 100px; background: url(night.svg) #fff } .bar { position: absolute; top: 0 } .btn { color: #fff; padding: 10px }';
  const night =
    '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100"><rect width="200" height="100" fill="#102030"/><rect x="120" width="80" height="100" fill="#eee"/></svg>';
  const geometry = (left: number) => ({
    viewport: { width: 1280, height: 800 },
    elements: {
      ':root': { box: [0, 0, 1280, 800] },
      ':root > body:nth-child(2)': { box: [0, 0, 1280, 800] },
      ':root > body:nth-child(2) > div:nth-child(1)': { box: [0, 0, 200, 100] },
      ':root > body:nth-child(2) > div:nth-child(2)': { box: [0, 0, 200, 40] },
      ':root > body:nth-child(2) > div:nth-child(2) > a:nth-child(1)': {
        box: [left, 0, 60, 40],
        lines: [[left + 10, 10, 40, 20]],
      },
    },
  });
  const checked = async (left: number) => {
    writeFileSync(file('over.html'), html.replace('<body>', `<style>${css}</style><body>`));
    writeFileSync(file('night.svg'), night);
    writeFileSync(file('geometry.json'), JSON.stringify(geometry(left)));
    const result = await retoque(
      'check',
      file('over.html'),
      '--geometry',
      file('geometry.json'),
      '--states',
      'default',
      '--format',
      'ndjson',
    );
    return { ...result, records: records(result).filter(({ criterion }) => criterion === '1.4.3') };
  };

  it('measures what is really behind, and the case without the picture', async () => {
    const [over, bare] = (await checked(20)).records;
    expect(over).toMatchObject({ verdict: 'passes', basis: 'geometry', background: '#102030', share: 0 });
    expect(bare).toMatchObject({ verdict: 'short', demand: 'Picture missing', background: '#ffffff' });
    const [half] = (await checked(90)).records;
    expect(half).toMatchObject({ verdict: 'short', background: '#eeeeee' });
    expect(half!.share).toBeCloseTo(0.5, 1);
    expect((half!.worst as number[])[0]).toBeGreaterThanOrEqual(120);
  });

  it('measures a picture that its address holds itself as one in a file', async () => {
    const own = encodeURIComponent(night).replaceAll("'", '%27');
    const page = html.replace(
      '<body>',
      `<style>${css.replace('night.svg', `"data:image/svg+xml,${own}"`)}</style><body>`,
    );
    writeFileSync(file('held.html'), page);
    writeFileSync(file('geometry.json'), JSON.stringify(geometry(90)));
    const asked = ['--geometry', file('geometry.json'), '--states', 'default', '--format', 'ndjson'];
    const [held] = records(await retoque('check', file('held.html'), ...asked));
    const [filed] = (await checked(90)).records;
    expect(held).toEqual({ ...filed, page: held!.page });
  });

  it('takes what was measured at one height for no other, and says so', async () => {
    await checked(20);
    const other = await retoque(
      'check',
      ...[file('over.html'), '--geometry', file('geometry.json'), '--viewport', '1280x500', '--format', 'ndjson'],
    );
    expect(other.err.join()).toMatch(/geometry\.json was not measured at 1280x500/);
    expect(records(other).every(({ basis }) => basis !== 'geometry')).toBe(true);
  });

  it('is unsure where nobody says where things stand', async () => {
    const result = await retoque(
      'check',
      file('over.html'),
      '--states',
      'default',
      '--demands',
      'text',
      '--format',
      'ndjson',
    );
    expect(records(result)[0]).toMatchObject({ verdict: 'unsure', basis: 'ancestors' });
  });

  it('asks of components what the standard asks, and more on request', async () => {
    writeFileSync(
      file('small.html'),
      '<!doctype html><style>button { all: unset; width: 12px; height: 12px; background: #0b5563 } button + button { margin-left: 2px }</style><button>a</button><button>b</button>',
    );
    const all = records(await retoque('check', file('small.html'), '--format', 'ndjson'));
    expect(all.find(({ criterion }) => criterion === '2.4.7')).toMatchObject({ verdict: 'short', state: 'focus' });
    expect(all.some(({ criterion }) => criterion === 'distinct')).toBe(false);
    const advised = records(await retoque('check', file('small.html'), '--format', 'ndjson', '--advice'));
    expect(advised.find(({ criterion }) => criterion === 'distinct')).toMatchObject({ verdict: 'short' });
  });
});

describe('retoque check --remedies', () => {
  interface Ways {
    readonly together: { readonly css: string; readonly mended: object[]; readonly unmet: { readonly why: string }[] };
    readonly checks: { readonly measured: number | null; readonly needed: number; readonly ways: Way[] }[];
  }
  interface Way {
    readonly css: string;
    readonly measured: number | null;
    readonly breaks: number;
  }
  const SIZES = ['--viewport', '1280x800', '--viewport', '390x844'];
  const check = async (...args: string[]) => {
    const { out } = await retoque('check', file('page.html'), ...SIZES, '--format', 'json', ...args);
    return JSON.parse(out) as { verdict: string; part: string }[];
  };
  /** Text that is part of no component has no suggested fixes. */
  const due = (all: readonly { verdict: string; part: string }[]) =>
    all.filter(({ verdict, part }) => verdict === 'short' && part !== 'text').length;

  it('gives CSS for each component that mends what it says, by the same command', async () => {
    const { out } = await retoque('check', file('page.html'), ...SIZES, '--format', 'json', '--remedies');
    const { remedies } = JSON.parse(out) as { remedies: Ways[] };
    expect(remedies.length).toBeGreaterThan(0);
    expect(due(await check())).toBeGreaterThan(3);
    writeFileSync(file('ways.css'), remedies.map(({ together }) => together.css).join('\n'));
    const unmet = remedies.flatMap(({ together }) => together.unmet);
    for (const { why } of unmet) expect(why).toBeTruthy();
    expect(due(await check('--css', file('ways.css')))).toBeLessThanOrEqual(unmet.length);
  });

  it('gives suggested fixes of each check by itself, with their figures', async () => {
    const { out } = await retoque('check', file('page.html'), '--format', 'json', '--remedies', 'each');
    const { remedies } = JSON.parse(out) as { remedies: Ways[] };
    const all = remedies.flatMap(({ checks }) => checks);
    const measured = all.filter(({ measured: figure, needed }) => figure !== null && needed === 4.5);
    expect(measured.some(({ ways }) => ways.length > 1)).toBe(true);
    for (const { needed, ways } of measured) {
      for (const way of ways) {
        expect(way.css).toMatch(/{[^}]+}/);
        expect(way.measured).toBeGreaterThanOrEqual(Math.min(3, needed));
      }
    }
    const words = await retoque('check', file('page.html'), '--remedies', 'each');
    expect(words.out).toMatch(/Suggested fixes: .*page\.html/);
    expect(words.out).toMatch(/Together \d+ checks? pass/);
  });
});

describe('bad usage and bad input', () => {
  it.each([
    [['resolve'], /missing required argument/],
    [['resolve', 'nowhere.html'], /nowhere\.html cannot be read: there is no such file/],
    [['resolve', '@empty.html'], /is empty/],
    [['resolve', '@binary.html'], /not text in UTF-8/],
    [['resolve', '@words.html'], /no elements/],
    [['resolve', '@css'], /it is a folder/],
    [['resolve', '@page.html', '--css', '@nothing.css'], /nothing\.css cannot be read/],
    [['resolve', '@page.html', '--states', 'hoover'], /No state is called "hoover"/],
    [['resolve', '@page.html', '--properties', 'colour'], /"colour" is not a property/],
    [['resolve', '@page.html', '--viewport', 'wide'], /1280x800/],
    [['resolve', '@page.html', '--scheme', 'dim'], /light or dark/],
    [['resolve', '@page.html', '--format', 'xml'], /table, ndjson/],
    [['resolve', '@page.html', '--select', 'a:::'], /not a selector/],
    [['resolve', '@page.html', '--speed'], /unknown option/],
    [['explain', '@page.html', '--select', '.bttn', '--property', 'color'], /there is “btn”/],
    [['check', '@page.html', '--fail-on', 'maybe'], /short, unsure, never/],
    [['check', '@page.html', '--remedies', 'some'], /together, each/],
    [['check', '@page.html', '--select', '.nope'], /Nothing in .* matches \.nope/],
    [['check', '@page.html', '--geometry', '@nothing.json'], /nothing\.json cannot be read/],
    [['check', '@page.html', '--geometry', '@fonts.json'], /viewport/],
    [['check', '@page.html', '@page.html', '--geometry', '@fonts.json'], /one page/],
    [['dance'], /unknown command/],
    [[], /a command is missing/],
  ])('%j gives one line and exit code 2', async (args, message) => {
    const result = await retoque(...args.map((arg) => (arg.startsWith('@') ? file(arg.slice(1)) : arg)));
    const lines = result.err.filter((line) => line.startsWith('retoque:'));
    expect(result.code).toBe(2);
    expect(lines).toHaveLength(1);
    expect(lines[0]).toMatch(message);
    expect(lines[0]).not.toContain('\n');
  });

  it('is never about the CSS, however malformed', async () => {
    const result = await retoque(
      'resolve',
      file('broken.html'),
      '--select',
      'a',
      '--properties',
      'color',
      '--format',
      'ndjson',
    );
    expect(result.code).toBe(0);
    expect(records(result)[0]).toMatchObject({ values: { color: 'rgb(255, 0, 0)' } });
  });

  it('answers to --help and --version', async () => {
    expect(await retoque('--help')).toMatchObject({ code: 0, out: expect.stringContaining('Examples:') as unknown });
    expect((await retoque('check', '--help')).code).toBe(0);
    expect((await retoque('--version')).out).toBe('0.1.0');
  });
});
