import { cell, openButton } from './support';
import { expect, test } from './warm';

test('the pictures stay in sight while lower rows are edited, and are as large as they were dragged', async ({
  page,
}) => {
  await openButton(page);
  await page.getByRole('button', { name: 'All properties' }).first().click();
  const picture = page.locator('[data-state="default"] .picture');
  const last = page.locator('.cell').last();
  await last.scrollIntoViewIfNeeded();
  await last.click();
  await expect(picture).toBeInViewport({ ratio: 1 });
  await expect(cell(page, 'text', 'default')).not.toBeInViewport();

  const before = (await picture.boundingBox())!;
  const handle = page.getByRole('separator', { name: 'Size of the pictures' });
  const box = (await handle.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + 84, { steps: 4 });
  await page.mouse.up();
  const height = async () => (await picture.boundingBox())!.height;
  await expect.poll(height).toBeCloseTo(before.height + 80, -1);
  await page.reload();
  await expect.poll(height).toBeCloseTo(before.height + 80, -1);
  await handle.focus();
  await page.keyboard.press('Home');
  await expect.poll(height).toBeLessThan(before.height);
  await handle.dblclick();
  await expect.poll(height).toBeCloseTo(before.height, 0);
});
