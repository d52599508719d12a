import { keepPage, saved } from './support';
import { expect, test } from './warm';

// A mark that CSS puts beside words is changed into an icon of an open set, which goes along as a file.

const PAGE = `<!doctype html><html lang="en"><title>Quay</title><nav aria-label="Breadcrumb" class="way"><ol>
  <li><a href="/">Start</a></li><li><a href="/isles">Isles</a></li><li aria-current="page">Quay</li></ol></nav>
  <main><h1>Quay</h1></main></html>`;
const CSS = `.way ol { list-style: none; display: flex; gap: 8px; padding: 0; color: #14506a }
  .way li + li::before { content: "/"; margin-right: 8px; color: #8a1c1c } .way a { color: #14506a }`;

test('a separator becomes an icon in the colour of the text, and goes along as a file', async ({ page }) => {
  await page.goto(await keepPage(page, PAGE, CSS));
  await page.getByRole('button', { name: /^Breadcrumb/ }).click();
  await page.locator('[data-part=separator] .fold').click();
  const content = page.locator('[data-part=separator] [data-cell="content/default"]');
  await content.click();
  const editor = page.getByRole('complementary', { name: 'Editor' });
  const generated = () =>
    page
      .locator('[data-state="default"] iframe')
      .first()
      .contentFrame()
      .locator('li + li')
      .first()
      .evaluate((element) => getComputedStyle(element, '::before').content);

  // A character first: hidden from screen readers, and said by them where that is wanted.
  await editor.getByRole('button', { name: '»' }).click();
  await expect.poll(generated).toBe('"»"');
  await editor.getByLabel('Said by screen readers').uncheck();
  await expect.poll(generated).toBe('"»" / ""');

  await editor.getByRole('button', { name: 'Icon…' }).click();
  await editor.getByLabel('Find an icon').fill('spoon');
  await expect(editor.getByText('No icon is called that.')).toBeVisible();
  await editor.getByLabel('Find an icon').fill('chevron');
  await editor.getByRole('button', { name: 'chevron right', exact: true }).click();
  await expect(content).toContainText('chevron-right');
  await expect.poll(generated).toMatch(/^url\(.*\) \/ ""$/);
  await saved(page);

  // Chosen again it is the same file.
  await editor.getByRole('button', { name: 'Icon…' }).click();
  await editor.getByRole('button', { name: 'chevron right', exact: true }).click();
  await expect(editor.getByRole('group', { name: 'Icons' })).toHaveCount(0);

  await page.getByRole('link', { name: 'Take the CSS' }).click();
  await expect(page.getByText('Proven on this page.')).toBeVisible();
  await expect(page.locator('.cm-content').first()).toContainText('chevron-right-16-8a1c1c.svg');
  await page.getByRole('link', { name: 'Hand over' }).click();
  const files = page.getByRole('region', { name: 'Files' });
  await expect(files).toContainText('chevron-right-16-8a1c1c.svg');
  await expect(files.getByText(/chevron-right/)).toHaveCount(1);
});
