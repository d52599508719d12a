import { expect, test } from '@playwright/test';
import sharp from 'sharp';
import { DESKTOP, forceStates, PageSession, type PageStyles } from '../../packages/core/dist/index.js';
import { withHistory } from '../proof/history';

// What rules for visited links paint, against Chromium with a history. Browsers say nothing of it but in their pixels.

const COLOURS = ['#0b5563', '#ffd166', '#7a1fa2', 'rgb(200 30 30 / 50%)', 'rgb(0 0 0 / 0%)', 'hsl(150 60% 40%)'];
const SELECTORS = [
  'a.#',
  'a.#:link',
  'a.#:visited',
  ':where(a.#:visited)',
  'a:visited.#',
  'a.#:not(:visited)',
  'a.#:any-link',
  'a.#:is(:link, :visited)',
  'body a.#:link',
];
const DECLARATIONS = ['background-color', 'color', 'border-left-color'];
const LINKS = 48;

/** Numbers that look drawn at random, the same in each run. */
function drawn(seed: number) {
  let state = seed;
  return <T>(items: readonly T[]): T => {
    state = (Math.imul(state, 1103515245) + 12345) & 0x7fffffff;
    return items[(state >> 8) % items.length]!;
  };
}

function cssOf(draw: ReturnType<typeof drawn>): string {
  const rules: string[] = [
    'body { margin: 0; background: #fff } a { display: block; width: 60px; height: 10px; border-left: 20px solid } b { display: block; width: 20px; height: 10px; background-color: currentcolor }',
  ];
  for (let i = 0; i < LINKS; i++) {
    for (let n = 0; n < 4; n++) {
      const selector = draw(SELECTORS).replace('#', `l${i}`);
      // What such rules may not set is set too: neither size nor weight may follow.
      const more = draw(['', 'height: 16px', 'font-weight: 700', '--x: 1']);
      rules.push(`${selector} { ${draw(DECLARATIONS)}: ${draw(COLOURS)}; ${more.startsWith('height') ? '' : more} }`);
    }
    rules.push(`a.l${i}:visited b { ${draw(['color', 'background-color'])}: ${draw(COLOURS)} }`);
  }
  rules.push('a:visited { height: 30px; border-left-width: 3px }');
  return rules.join('\n');
}

const VISITED = 2;

test('visited links are painted as the core says', async () => {
  const css = cssOf(drawn(7));
  const links = Array.from({ length: LINKS }, (_, i) => `<a class="l${i}" href="/there"><b></b></a>`).join('');
  const html = `<!doctype html><title>t</title><style>${css}</style><body>${links}<a id="go" href="/there">go</a>`;
  await withHistory(async (context) => {
    const page = await context.newPage();
    await page.route('http://visited.test/**', (route) =>
      route.fulfill({
        contentType: 'text/html',
        body: route.request().url().endsWith('there') ? '<h1>There</h1>' : html,
      }),
    );
    await page.goto('http://visited.test/');
    await page.click('#go');
    await page.getByRole('heading', { name: 'There' }).waitFor();
    await page.goBack();
    const shot = async () =>
      sharp(await page.screenshot())
        .ensureAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
    const before = await shot();
    // The browser looks its history up by and by.
    await expect
      .poll(async () => Buffer.compare((await shot()).data, before.data) === 0, { intervals: [400] })
      .toBe(true);
    const { data, info } = await shot();
    const at = (x: number, y: number) => [...data.subarray((y * info.width + x) * 4, (y * info.width + x) * 4 + 3)];

    const session = new PageSession({ html, address: 'http://visited.test/', sheets: [] });
    const styles: PageStyles = session.stylesFor(DESKTOP);
    const over = (under: readonly number[], { r, g, b, alpha }: { r: number; g: number; b: number; alpha: number }) =>
      [r, g, b].map((part, i) => part * 255 * alpha + under[i]! * (1 - alpha));
    const boxes = session.tree.elements.filter(({ name, id }) => name === 'a' && id !== 'go');
    expect(boxes).toHaveLength(LINKS);
    let differing = 0;
    let changed = 0;
    for (const [i, box] of boxes.entries()) {
      const view = styles.at(forceStates([[box, VISITED]]));
      const own = view.of(box);
      const inner = view.of(box.children[0]!);
      const ground = over([255, 255, 255], own.colour('background-color'));
      const y = i * 10 + 5;
      const wanted = [
        [10, over(ground, own.colour('border-left-color'))],
        [30, over(ground, inner.colour('background-color'))],
        [60, ground],
      ] as const;
      if (own.text('background-color') !== styles.at().of(box).text('background-color')) changed++;
      for (const [x, colour] of wanted) {
        const seen = at(x, y);
        if (colour.some((part, n) => Math.abs(part - seen[n]!) > 2)) {
          differing++;
          console.log(`link ${i} at ${x}: ${colour.map(Math.round).join()} wanted, ${seen.join()} painted`);
        }
      }
    }
    // Enough of them look other than unvisited ones for this to say anything.
    expect(changed).toBeGreaterThan(8);
    expect(differing).toBe(0);
  });
});
