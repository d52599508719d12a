import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';
import {
  checkIcon,
  checkText,
  ComponentSession,
  contrastRatio,
  DESKTOP,
  EMPTY_LOOK,
  selectAll,
  type Check,
  type Rgba,
} from '../../packages/core/dist/index.js';
import { photograph } from '../agreement/pixels';

// What the core says passes is seen to pass: pages on which CSS alone tells another story than the pixels.

const TEXT = '<b class="t">████</b>';
const BASE = `html { background: #fff } body { margin: 0; font: 32px/40px monospace }
  .t { display: inline-block; padding: 0 12px; margin: 20px; font-weight: 400; color: #000 }`;

interface Case {
  readonly name: string;
  readonly body: string;
  readonly css: string;
  /** Whether the pixels pass at every place that the page is scrolled to. */
  readonly passes: boolean;
}

const CASES: readonly Case[] = [
  { name: 'plain', body: TEXT, css: '', passes: true },
  {
    name: 'faded by a mask',
    body: `<div class="g">${TEXT}</div>`,
    css: '.g { mask-image: linear-gradient(rgb(0 0 0 / 30%), rgb(0 0 0 / 30%)) } .t { color: #555 }',
    passes: false,
  },
  {
    name: 'over a ground that a mask takes away',
    body: `<div class="g"></div>${TEXT}`,
    css: '.g { position: absolute; inset: 0 0 auto; height: 90px; background: #000; mask-image: linear-gradient(transparent, transparent) } .t { position: relative; color: #fff }',
    passes: false,
  },
  {
    name: 'over a ground that is cut away',
    body: `<div class="g"></div>${TEXT}`,
    css: '.g { position: absolute; inset: 0 0 auto; height: 90px; background: #000; clip-path: polygon(60% 0, 100% 0, 100% 100%) } .t { position: relative; color: #fff }',
    passes: false,
  },
  {
    name: 'over a full-width band that nothing is cut off',
    body: `<div class="g">${TEXT}</div>`,
    css: '.g { background: #000; box-shadow: 0 0 0 100vmax #000; clip-path: inset(0 -100vmax) } .t { color: #fff }',
    passes: true,
  },
  {
    name: 'over a border picture that fills its box',
    body: `<div class="g">${TEXT}</div>`,
    css: '.g { border: 4px solid #fff; border-image: linear-gradient(#000, #000) 4 fill; background: #fff }',
    passes: false,
  },
  {
    name: 'in a soft shadow inside its box',
    body: `<div class="g">${TEXT}</div>`,
    css: '.g { background: #fff; box-shadow: inset 0 0 60px 60px #000 }',
    passes: false,
  },
  {
    name: 'beside a soft shadow at the rim',
    body: `<div class="g">${TEXT}</div>`,
    css: '.g { background: #fff; box-shadow: inset 0 0 4px rgb(0 0 0 / 60%); padding: 20px }',
    passes: true,
  },
  {
    name: 'in the shadow of what stands above',
    body: `<div class="g"></div>${TEXT}`,
    css: '.g { height: 60px; background: #fff; box-shadow: 0 40px 60px 10px #000 } .t { color: #444; margin-top: 0 }',
    passes: false,
  },
  {
    name: 'over the shadow of what stands above',
    body: `<div class="g"></div>${TEXT}`,
    css: '.g { height: 60px; background: #fff; box-shadow: 0 40px 60px 10px #000 } .t { background: #fff; margin-top: 0 }',
    passes: true,
  },
  {
    name: 'beneath a shadow that darkens the page around a box',
    body: `${TEXT}<div class="g"></div>`,
    css: '.g { position: fixed; left: 400px; top: 300px; width: 60px; height: 60px; box-shadow: 0 0 0 9999px rgb(0 0 0 / 80%) } .t { color: #444 }',
    passes: false,
  },
  { name: 'in the colour of its first letter', body: TEXT, css: '.t::first-letter { color: #eee }', passes: false },
  { name: 'in the colour of its first line', body: TEXT, css: '.t::first-line { color: #eee }', passes: false },
  {
    name: 'in a colour that an animation gives it for long',
    body: TEXT,
    css: '@keyframes p { from, 99% { color: #eee } } .t { animation: p 1000s infinite }',
    passes: false,
  },
  {
    name: 'in a colour that an animation leaves it in',
    body: TEXT,
    css: '@keyframes p { to { color: #eee } } .t { animation: p 1ms forwards }',
    passes: false,
  },
  {
    name: 'in a colour that an animation only begins with',
    body: TEXT,
    css: '@keyframes p { from { color: #eee } } .t { animation: p 1ms }',
    passes: true,
  },
  {
    name: 'on a bar that stays, and lets through what moves beneath it',
    body: `<div class="bar">${TEXT}</div><div class="dark"></div>`,
    css: '.bar { position: fixed; inset: 0 0 auto; background: rgb(255 255 255 / 20%) } .dark { margin-top: 300px; height: 3000px; background: #000 }',
    passes: false,
  },
  {
    name: 'on a bar that stays, and lets little through',
    body: `<div class="bar">${TEXT}</div><div class="dark"></div>`,
    css: '.bar { position: sticky; top: 0; background: rgb(255 255 255 / 90%) } .dark { margin-top: 300px; height: 3000px; background: #000 }',
    passes: true,
  },
  {
    name: 'over a picture that stays while the text moves',
    body: `<div class="room"></div>${TEXT}<div class="room"></div>`,
    css: 'html { background: linear-gradient(#000 50%, #fff 50%) fixed } .room { height: 500px }',
    passes: false,
  },
  {
    name: 'put there by CSS on a ground of its own',
    body: '<b class="t"></b>',
    css: '.t::before { content: "████"; color: #eee; background: #fff } .t { background: #000; color: #fff }',
    passes: false,
  },
];

type Pixel = (x: number, y: number) => Rgba;

async function shot(page: Page): Promise<Pixel> {
  const { data, info } = await sharp(await page.screenshot())
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return (x, y) => {
    const at = (Math.round(y) * info.width + Math.round(x)) * 4;
    const [r = 0, g = 0, b = 0] = data.subarray(at, at + 3);
    return { r: r / 255, g: g / 255, b: b / 255, alpha: 1 };
  };
}

/** Contrast of the first letter, and of the last, with what is right beside it, at the worst place that is scrolled to. */
async function seen(page: Page): Promise<number> {
  let worst = Infinity;
  for (const share of [0, 0.25, 0.5, 0.75, 1]) {
    await page.evaluate((at) => scrollTo(0, at * (document.documentElement.scrollHeight - innerHeight)), share);
    const box = await page.locator('.t').evaluate((element) => {
      const { x, y, width, height } = element.getBoundingClientRect();
      return { x, y, width, height };
    });
    if (box.y < 0 || box.y + box.height > page.viewportSize()!.height) continue;
    const at = await shot(page);
    const middle = box.y + box.height / 2;
    const isGenerated = (await page.locator('.t').innerText()) === '';
    const beside = isGenerated ? box.y + box.height - 2 : middle;
    const left = contrastRatio(at(box.x + 20, middle), at(isGenerated ? box.x + 20 : box.x + 8, beside));
    const right = contrastRatio(
      at(box.x + box.width - 20, middle),
      at(isGenerated ? box.x + box.width - 20 : box.x + box.width - 8, beside),
    );
    worst = Math.min(worst, left, right);
  }
  return worst;
}

test('a text is said to pass only where its pixels do, wherever the page is scrolled to', async ({ page }) => {
  const wrong: string[] = [];
  for (const { name, body, css, passes } of CASES) {
    const { looking, session } = await photograph(page, body, BASE + css);
    const element = selectAll(session.tree, '.t')[0]!;
    const isGenerated = body.includes('></b>');
    const check = checkText(looking, element, 'AA', isGenerated ? 'before' : undefined);
    const ratio = await seen(page);
    // What the case says of the pixels is so; then what the core says of them.
    if (ratio >= check.needed !== passes) wrong.push(`${name}: the pixels are ${ratio.toFixed(2)}`);
    if ((check.verdict === 'passes') !== passes)
      wrong.push(`${name}: ${told(check)}, and the pixels ${ratio.toFixed(2)}`);
  }
  expect(wrong).toEqual([]);
});

const LIST = '<ol class="l"><li class="i">Text<br>More</li></ol>';
const MARKS: readonly Case[] = [
  { name: 'beside its item', body: LIST, css: '', passes: true },
  { name: 'pale', body: LIST, css: '.i::marker { color: #ddd }', passes: false },
  {
    name: 'beside an item with a ground of its own',
    body: LIST,
    css: '.i { color: #fff; background: #000; padding: 12px }',
    passes: false,
  },
  {
    name: 'within an item with a ground of its own',
    body: LIST,
    css: '.i { color: #fff; background: #000; padding: 12px; list-style-position: inside }',
    passes: true,
  },
  {
    name: 'on a list that is darker at its side',
    body: LIST,
    css: '.l { background: linear-gradient(90deg, #000 120px, #fff 120px) }',
    passes: false,
  },
  {
    name: 'at the other side of a list from right to left',
    body: LIST.replace('class="l"', 'class="l" dir="rtl"'),
    css: '.l { width: 400px; background: linear-gradient(90deg, #fff 280px, #000 280px) }',
    passes: false,
  },
];

test('the mark of a list item is said to pass only where its pixels do', async ({ page }) => {
  const wrong: string[] = [];
  const base = `${BASE} .l { margin: 0; padding: 20px 120px; background: #fff } .i { list-style-type: "██ " }`;
  for (const { name, body, css, passes } of MARKS) {
    await photograph(page, body, `${base} ${css} .i::marker { color: #f0f !important }`);
    const shown = await shot(page);
    const { width, height } = page.viewportSize()!;
    const at = { x: width, y: height };
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const { r, g, b } = shown(x, y);
        if (r === 1 && g === 0 && b === 1) [at.x, at.y] = [Math.min(at.x, x), Math.min(at.y, y)];
      }
    const { looking, session } = await photograph(page, body, base + css);
    const check = checkText(looking, selectAll(session.tree, '.i')[0]!, 'AA', 'marker');
    const pixel = await shot(page);
    const ratio = contrastRatio(pixel(at.x + 10, at.y + 10), pixel(at.x - 3, at.y + 10));
    if (ratio >= check.needed !== passes) wrong.push(`${name}: the pixels are ${ratio.toFixed(2)}`);
    if ((check.verdict === 'passes') !== passes)
      wrong.push(`${name}: ${told(check)}, and the pixels ${ratio.toFixed(2)}`);
  }
  expect(wrong).toEqual([]);
});

const told = ({ verdict, measured, reason = '' }: Check) => `${verdict} ${measured?.toFixed(2) ?? ''} ${reason}`;

const svg = (inner: string, more = '') =>
  `<svg class="i" viewBox="0 0 40 40" width="40" height="40"${more}>${inner}</svg>`;
const SQUARE = 'M8 8h24v24H8z';
const DRAWN = `data:image/svg+xml,${encodeURIComponent(`<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><path fill="#eee" d="${SQUARE}"/></svg>`)}`;

const ICONS: readonly Case[] = [
  { name: 'shapes', body: svg(`<path d="${SQUARE}"/>`), css: '', passes: true },
  { name: 'faded shapes', body: svg(`<g opacity=".2"><path d="${SQUARE}"/></g>`), css: '', passes: false },
  { name: 'thinly filled', body: svg(`<path fill-opacity=".1" d="${SQUARE}"/>`), css: '', passes: false },
  {
    name: 'shapes kept for reference',
    body: svg(`<defs><path d="${SQUARE}"/></defs><path fill="#eee" d="${SQUARE}"/>`),
    css: '',
    passes: false,
  },
  {
    name: 'a gradient of light colours',
    body: svg(
      `<linearGradient id="g"><stop stop-color="#eee"/><stop offset="1" stop-color="#ddd"/></linearGradient><path fill="url(#g)" d="${SQUARE}"/>`,
    ),
    css: '',
    passes: false,
  },
  {
    name: 'used from a sprite, in the colour of where it is used',
    body: `<svg style="display:none"><symbol id="s" viewBox="0 0 40 40"><path fill="currentColor" d="${SQUARE}"/></symbol></svg>${svg('<use href="#s"/>')}`,
    css: '.i { color: #eee }',
    passes: false,
  },
  {
    name: 'letters in an element within',
    body: '<button class="i"><span>█</span></button>',
    css: '.i { color: #000; background: #fff; border: 0; padding: 0 } .i span { color: #eee; font-size: 32px }',
    passes: false,
  },
  { name: 'a picture', body: `<img class="i" src="${DRAWN}" alt="">`, css: '', passes: false },
  {
    name: 'a picture behind',
    body: '<button class="i"></button>',
    css: `.i { color: #000; border: 0; background: #fff url('${DRAWN}') }`,
    passes: false,
  },
  {
    name: 'cut out by a mask',
    body: '<i class="i"></i>',
    css: `.i { color: #000; background: #eee; mask: url('${DRAWN}') }`,
    passes: false,
  },
  {
    name: 'cut out by a mask, in the colour of the text',
    body: '<i class="i"></i>',
    css: `.i { color: #000; background: currentColor; mask: url('${DRAWN}') }`,
    passes: true,
  },
  {
    name: 'bars',
    body: '<button class="i"><span></span></button>',
    css: '.i { color: #000; background: #fff; border: 0; padding: 8px } .i span { display: block; width: 24px; height: 24px; background: #eee }',
    passes: false,
  },
  {
    name: 'drawn by CSS',
    body: '<a class="i"></a>',
    css: '.i { color: #000; padding: 8px } .i::before { content: ""; display: block; width: 24px; height: 24px; background: #eee }',
    passes: false,
  },
];

test('an icon is said to pass only where its pixels do', async ({ page }) => {
  const base =
    'html { background: #fff } body { margin: 0 } .i { display: block; position: absolute; left: 20px; top: 20px; width: 40px; height: 40px; box-sizing: border-box; font: 32px/40px monospace } ';
  const wrong: string[] = [];
  for (const { name, body, css, passes } of ICONS) {
    const { looking, session } = await photograph(page, body, base + css);
    const check = checkIcon(looking, selectAll(session.tree, '.i')[0]!);
    const at = await shot(page);
    // The middle of what is drawn, and the ground beside it; a mask of light ink lets most of its ground through.
    const ratio = contrastRatio(at(name.startsWith('letters') ? 30 : 40, 40), at(22, 22));
    if (ratio >= check.needed !== passes) wrong.push(`${name}: the pixels are ${ratio.toFixed(2)}`);
    if ((check.verdict === 'passes') !== passes)
      wrong.push(`${name}: ${told(check)}, and the pixels ${ratio.toFixed(2)}`);
  }
  expect(wrong).toEqual([]);
});

const HELD = '<div class="g"><a class="b" href="#">Board</a></div>';
const RINGS: readonly (readonly [name: string, css: string, isSeen: boolean])[] = [
  ['the browser’s own', '', true],
  ['the browser’s own, in a tight box', '.g { overflow: hidden }', false],
  [
    'off the control, in a tight box',
    '.g { overflow: hidden } .b:focus-visible { outline: 2px solid #0b5563; outline-offset: 2px }',
    false,
  ],
  [
    'off the control, in a box that scrolls',
    '.g { overflow: auto } .b:focus-visible { outline: 2px solid #0b5563; outline-offset: 2px }',
    false,
  ],
  [
    'off the control, in what is painted by itself',
    '.g { contain: paint } .b:focus-visible { outline: 2px solid #0b5563; outline-offset: 2px }',
    false,
  ],
  [
    'a shadow, in a tight box',
    '.g { overflow: clip } .b:focus-visible { outline: none; box-shadow: 0 0 0 3px #0b5563 }',
    false,
  ],
  [
    'cut with the control',
    '.b { clip-path: inset(0) } .b:focus-visible { outline: 2px solid #0b5563; outline-offset: 2px }',
    false,
  ],
  [
    'off the control, with nothing in its way',
    '.b:focus-visible { outline: 2px solid #0b5563; outline-offset: 2px }',
    true,
  ],
  [
    'cut on one side',
    '.g { overflow-y: clip } .b:focus-visible { outline: 2px solid #0b5563; outline-offset: 2px }',
    true,
  ],
  [
    'within the control',
    '.g { overflow: hidden } .b:focus-visible { outline: 2px solid #fff; outline-offset: -4px }',
    true,
  ],
];

test('a focus is said to be seen only where the pixels change', async ({ page }) => {
  const base =
    'body { margin: 40px } .g { display: inline-block } .b { display: block; padding: 9px 16px; color: #fff; background: #0b5563; text-decoration: none; font: 16px/20px sans-serif } ';
  const wrong: string[] = [];
  for (const [name, css, isSeen] of RINGS) {
    const { session } = await photograph(page, HELD, base + css);
    const picture = async () =>
      sharp(await page.screenshot())
        .raw()
        .toBuffer();
    const before = await picture();
    await page.keyboard.press('Tab');
    const after = await picture();
    // The letters stay as they are, so whatever differs is the focus.
    const changed = after.reduce((sum, value, i) => sum + (Math.abs(value - before[i]!) > 24 ? 1 : 0), 0);
    const { kind, locator } = session.components().find((item) => item.kind === 'button')!;
    const environment = { ...DESKTOP, ...page.viewportSize()! };
    const checks = new ComponentSession(session, kind, locator).ledger(EMPTY_LOOK, {
      viewports: [{ name: 'wide', environment }],
    });
    const own = checks.find(({ criterion, column }) => criterion === '2.4.7' && column === 'focus');
    if (changed > 40 !== isSeen) wrong.push(`${name}: ${changed} channels change`);
    if ((own?.verdict === 'passes') !== isSeen)
      wrong.push(`${name}: ${own ? told(own) : 'no check'}, ${changed} channels change`);
  }
  expect(wrong).toEqual([]);
});
