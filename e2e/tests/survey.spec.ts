import { keepPage } from './support';
import { expect, test } from './warm';

const HTML =
  '<!doctype html><title>Slip</title><main><h1>Slip</h1><p>Words</p><a class="foot" href="#">Call the crew</a></main>';
const CSS =
  '.foot { position: fixed; left: 20px; bottom: 20px; padding: 9px 14px; background: #0b5563; color: #fff } main { height: 200px }';

test('outlines stay with what is fixed to the window as that changes its height', async ({ page }) => {
  await page.goto(await keepPage(page, HTML, CSS, 'Slip'));
  const outline = page.locator('[data-outline=".foot"]');
  const button = page.locator('iframe[title="The page"]').contentFrame().locator('.foot');
  /** How far the outline is from what it is of, in CSS pixels of the screen. */
  const off = async () => {
    const [own, of] = [await outline.boundingBox(), await button.boundingBox()];
    return Math.abs(own!.y + own!.height / 2 - (of!.y + of!.height / 2));
  };
  await expect(outline).toBeVisible();
  await expect.poll(off).toBeLessThan(3);
  const before = (await outline.boundingBox())!.y;
  await page.setViewportSize({ width: 1280, height: 620 });
  await expect.poll(async () => (await outline.boundingBox())!.y).toBeLessThan(before - 100);
  await expect.poll(off).toBeLessThan(3);
});
