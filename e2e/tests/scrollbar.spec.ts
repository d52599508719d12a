import { expect, test } from '@playwright/test';
import { changeLook, ComponentSession, EMPTY_LOOK, statesOf } from '../../packages/core/dist/index.js';
import { openDemo } from '../agreement/demo';
import { PRACTICE } from './support';

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
