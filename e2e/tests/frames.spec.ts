import { expect, test } from '@playwright/test';
import { HOME, openKind } from './sheet-support';

test('pictures leave out what they do not show, and nothing that they show moves', async ({ page }) => {
  await openKind(page, HOME, /^Main menu/);
  const frames = page.locator('.frame iframe');
  await expect(frames.first()).toBeVisible();
  const skips = () =>
    frames.evaluateAll((all) =>
      all.map((frame) => {
        const document = (frame as HTMLIFrameElement).contentDocument!;
        const first = document.adoptedStyleSheets[0];
        return /display: none|content-visibility/.test(first?.cssRules[0]?.cssText ?? '') || first?.cssRules.length;
      }),
    );
  await expect.poll(async () => (await skips()).filter(Boolean).length).toBeGreaterThan(0);
  const moved = await frames.evaluateAll((all) =>
    all.flatMap((frame) => {
      const picture = frame.parentElement!.getBoundingClientRect();
      const own = frame.getBoundingClientRect();
      const scale = own.width / (frame as HTMLIFrameElement).offsetWidth;
      const document = (frame as HTMLIFrameElement).contentDocument!;
      const inPicture = (box: DOMRect) =>
        own.left + box.left * scale < picture.right &&
        own.left + box.right * scale > picture.left &&
        own.top + box.top * scale < picture.bottom &&
        own.top + box.bottom * scale > picture.top;
      const boxes = () =>
        new Map([...document.querySelectorAll('body *')].map((node) => [node, node.getBoundingClientRect()]));
      const skipping = boxes();
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter(
        (sheet) => !/display: none|content-visibility/.test([...sheet.cssRules].map((rule) => rule.cssText).join()),
      );
      return [...boxes()].flatMap(([node, box]) => {
        const before = skipping.get(node)!;
        const differs = Math.abs(box.top - before.top) > 1 || Math.abs(box.bottom - before.bottom) > 1;
        return box.width && box.height && inPicture(box) && differs ? [node.outerHTML.slice(0, 80)] : [];
      });
    }),
  );
  expect(moved).toEqual([]);
});
