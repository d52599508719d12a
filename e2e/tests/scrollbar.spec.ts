import { expect, test } from '@playwright/test';
import {
  changeLook,
  ComponentSession,
  DESKTOP,
  EMPTY_LOOK,
  PageSession,
  statesOf,
  toHex,
} from '../../packages/core/dist/index.js';
import sharp from 'sharp';
import { openDemo } from '../agreement/demo';
import { keepPage, PRACTICE } from './support';

// A scrollbar can only be seen: what its parts are painted with is read from the picture of the page.

const root = process.getuid?.() === 0;
test.use({
  launchOptions: {
    executablePath: process.env.RETOQUE_CHROMIUM ?? '/usr/bin/chromium',
    args: root ? ['--no-sandbox'] : [],
    ignoreDefaultArgs: ['--hide-scrollbars'],
  },
});

test('a scrollbar’s thumb is painted as its sheet says: at rest, pointed at and held', async ({ page, context }) => {
  await context.addCookies([{ name: 'quillhaven-cookies', value: 'chosen', url: PRACTICE }]);
  const session = await openDemo(page, '/timetable.html');
  const found = session.components().find((item) => item.selector === '.scroll-box')!;
  const bench = new ComponentSession(session, found.kind, found.locator);
  const set = (part: string, states: Parameters<typeof statesOf>[1], property: string, value: string) => ({
    part,
    property,
    when: { states: statesOf(part, states) },
    value,
  });
  const look = changeLook(EMPTY_LOOK, [
    set('bar', [], 'width', '20px'),
    set('track', [], 'background-color', 'rgb(10, 20, 30)'),
    set('thumb', [], 'background-color', 'rgb(200, 0, 0)'),
    set('thumb', ['hover'], 'background-color', 'rgb(0, 200, 0)'),
    set('thumb', ['active'], 'background-color', 'rgb(0, 0, 200)'),
  ]);
  const { css, proof } = bench.handover(look, found.name);
  expect(proof.failures).toEqual([]);
  expect(bench.sheet(look).notes.join(' ')).toContain('12 px narrower than before');
  // The standard properties would switch the parts off, so they stand under a condition that Chromium does not meet.
  expect(css).toContain('@supports not selector(::-webkit-scrollbar)');
  expect(css).toContain('scrollbar-color: rgb(200, 0, 0) rgb(10, 20, 30)');
  await page.addStyleTag({ content: css });

  const box = page.locator('.scroll-box');
  await box.scrollIntoViewIfNeeded();
  const { x, y, width, height } = (await box.boundingBox())!;
  const pixel = async (dx: number, dy: number): Promise<number[]> => {
    const shot = await page.screenshot({ clip: { x: x + dx, y: y + dy, width: 1, height: 1 } });
    return page.evaluate(async (data) => {
      const picture = await createImageBitmap(await (await fetch(`data:image/png;base64,${data}`)).blob());
      const canvas = new OffscreenCanvas(1, 1).getContext('2d')!;
      canvas.drawImage(picture, 0, 0);
      return [...canvas.getImageData(0, 0, 1, 1).data].slice(0, 3);
    }, shot.toString('base64'));
  };
  const onThumb = [width - 10, 30] as const;
  const onTrack = [width - 10, height - 12] as const;
  await page.mouse.move(5, 5);
  await expect.poll(() => pixel(...onThumb)).toEqual([200, 0, 0]);
  expect(await pixel(...onTrack)).toEqual([10, 20, 30]);
  await page.mouse.move(x + onThumb[0], y + onThumb[1], { steps: 3 });
  await expect.poll(() => pixel(...onThumb)).toEqual([0, 200, 0]);
  await page.mouse.down();
  await expect.poll(() => pixel(...onThumb)).toEqual([0, 0, 200]);
  await page.mouse.up();
});

const BOX = '<div class="s" tabindex="0"><p>Words</p></div>';
const BASE =
  'body { margin: 0; background: #fff } .s { overflow: auto; width: 200px; height: 200px; max-height: 200px } p { height: 900px }';
const RULES = {
  none: '',
  standard: '.s { scrollbar-color: #204060 #e0d0c0 }',
  thin: '.s { scrollbar-width: thin; scrollbar-color: #204060 #e0d0c0 }',
  both: '.s { scrollbar-color: #204060 #e0d0c0 } .s::-webkit-scrollbar { width: 15px } .s::-webkit-scrollbar-thumb { background: #ff0000 }',
  bar: '.s::-webkit-scrollbar { width: 15px }',
  'pieces without a bar':
    '.s::-webkit-scrollbar-thumb { background: #ff0000 } .s::-webkit-scrollbar-track { background: #00ff00 }',
  whole:
    '.s::-webkit-scrollbar { width: 15px; background: #0000ff } .s::-webkit-scrollbar-thumb { background: #ff0000 }',
};
const LOOKS = {
  'no look': [],
  width: [['bar', 'width', '15px']],
  thumb: [['thumb', 'background-color', '#123456']],
} as const;

for (const [site, css] of Object.entries(RULES)) {
  for (const [name, settings] of Object.entries(LOOKS)) {
    test(`the bar is measured as Chromium draws it: ${site} of the site, ${name}`, async ({ page }) => {
      const html = `<!doctype html><title>t</title><style>${BASE} ${css}</style>${BOX}`;
      const session = new PageSession({ html, address: 'https://page.invalid/', sheets: [] });
      const found = session.components().find(({ kind, selector }) => kind === 'scrollbar' && selector !== 'html')!;
      const bench = new ComponentSession(session, found.kind, found.locator);
      const look = changeLook(
        EMPTY_LOOK,
        settings.map(([part, property, value]) => ({ part, property, value, when: { states: [] } })),
      );
      const { css: handed, proof } = bench.handover(look, found.name);
      expect(proof.failures).toEqual([]);
      // As on the live site the sheet is there from the start: Chromium does not draw a bar anew for one that is added.
      await page.setContent(html.replace('</style>', `</style><style>${handed}</style>`));
      const [check] = bench
        .requiredChecks(look, { viewports: [{ name: 'wide', environment: DESKTOP }] })
        .filter(({ part, column }) => part === 'thumb' && column === 'default');
      const { data, info } = await sharp(await page.screenshot({ clip: { x: 0, y: 0, width: 200, height: 200 } }))
        .ensureAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      const at = (x: number, y: number) =>
        `#${[...data.subarray((y * info.width + x) * 4, (y * info.width + x) * 4 + 3)].map((part) => part.toString(16).padStart(2, '0')).join('')}`;
      // The thumb stands at the top of a box that has not been scrolled; below it is the track.
      const [thumb, track] = [at(193, 25), at(193, 150)];
      if (check!.verdict === 'exempt') {
        // Drawn by the browser in colours of its own: in none that the site names.
        expect(['#ff0000', '#00ff00', '#204060', '#123456']).not.toContain(thumb);
        expect(thumb).not.toBe(track);
        return;
      }
      expect([thumb, track]).toEqual([toHex(check!.foreground!), toHex(check!.background!)]);
    });
  }
}

test('the frames draw the bar as the look says, edit by edit', async ({ page }) => {
  await page.goto(await keepPage(page, `<main>${BOX}</main>`, BASE));
  await page
    .getByRole('complementary')
    .getByRole('button', { name: /^Scrollbar/ })
    .last()
    .click();
  const set = async (key: string, value: string) => {
    const own = page.locator(`[data-cell="${key}"]`).last();
    await own.click();
    await page.keyboard.press('Enter');
    await page.keyboard.type(value);
    await page.keyboard.press('Enter');
    await expect(own).toContainText(value);
  };
  await set('width/default', '30px');
  await page.getByRole('button', { name: 'Thumb', exact: true }).first().click();
  const reds = async (index: number) => {
    // The frame as it is seen: the page in it is larger, and reaches under what stands beside it.
    const frame = page.locator('.frame').nth(index);
    const { data } = await sharp(await frame.screenshot())
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    let count = 0;
    for (let i = 0; i < data.length; i += 4) if (data[i] === 204 && !data[i + 1] && !data[i + 2]) count++;
    return count;
  };
  for (const value of ['#0000aa', '#cc0000']) await set('background/default', value);
  await expect.poll(() => reds(0)).toBeGreaterThan(50);
  await set('background/hover', '#00aa00');
  await expect.poll(() => reds(1)).toBe(0);
  expect(await reds(0)).toBeGreaterThan(50);
});
