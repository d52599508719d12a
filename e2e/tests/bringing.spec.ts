import { expect, test } from '@playwright/test';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import { keepPage, pastePage, PRACTICE } from './support';

test('bad addresses are named, and nothing is lost', async ({ page }) => {
  // The dialog may be opened before the sites are there, and then takes the first of them all the same.
  await page.route('**/api/sites', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring a page' }).first().click();
  await expect(page.getByRole('combobox', { name: 'Site' })).not.toHaveValue('new');
  const address = page.getByLabel('Address of the page');
  await page.getByRole('button', { name: 'Bring the page' }).click();
  await expect(page.getByText('Give the address of a page.')).toBeVisible();
  await address.fill('quillhaven');
  await expect(page.getByText('Start the address with http:// or https://.')).toBeVisible();
  const before = await page.getByRole('button', { name: 'Bring the page' }).boundingBox();
  await address.fill('http://127.0.0.1:9/');
  await expect(page.getByText('Start the address')).toBeHidden();
  // A button that moves while it is being pressed is not pressed.
  expect(await page.getByRole('button', { name: 'Bring the page' }).boundingBox()).toEqual(before);
  await page.getByRole('button', { name: 'Bring the page' }).click();
  await expect(page.getByRole('alert')).toContainText('refused because it is this machine itself');
  await expect(address).toHaveValue('http://127.0.0.1:9/');
});

test('files are brought together', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring a page' }).first().click();
  await page.getByRole('tab', { name: 'Files' }).click();
  await page.getByRole('button', { name: 'Bring the page' }).click();
  await expect(page.getByText('Choose the HTML file of the page')).toBeVisible();
  await page.getByLabel('Files of the page').setInputFiles([
    {
      name: 'quay.html',
      mimeType: 'text/html',
      buffer: Buffer.from('<title>Quay</title><link rel=stylesheet href=q.css><a href="#">Board</a>'),
    },
    { name: 'q.css', mimeType: 'text/css', buffer: Buffer.from('a { color: #777 }') },
  ]);
  await page.getByRole('dialog').getByRole('combobox', { name: 'Site', exact: true }).selectOption('new');
  await page.getByLabel('Name of the new site').fill(`Files ${Date.now()}`);
  await page.getByRole('button', { name: 'Bring the page' }).click();
  await expect(page.getByRole('button', { name: /^Board.*4 states fail.*1 link/s })).toBeVisible();
});

test('a folder is brought whole: pictures of one name stay apart, and of its pages one is chosen', async ({ page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'retoque-folder-'));
  try {
    const dot = (colour: string) =>
      `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="40" height="40" fill="${colour}"/></svg>`;
    const files = {
      'index.html': '<!doctype html><title>Harbour</title><h1>Harbour</h1>',
      'crew.html':
        '<!doctype html><title>Crew</title><h1>Crew</h1><img src="about/1.svg" alt="a"><img src="team/1.svg" alt="b">',
      'about/1.svg': dot('#123456'),
      'team/1.svg': dot('#654321'),
    };
    for (const [path, text] of Object.entries(files)) {
      mkdirSync(dirname(join(folder, path)), { recursive: true });
      writeFileSync(join(folder, path), text);
    }
    await page.goto('/');
    await page.getByRole('button', { name: 'Bring a page' }).first().click();
    await page.getByRole('tab', { name: 'Files' }).click();
    await page.getByLabel('Folder of the page').setInputFiles(folder);
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByText('about/1.svg')).toBeVisible();
    await dialog.getByLabel('Page to bring').selectOption({ label: `${basename(folder)}/crew.html` });
    await dialog.getByRole('combobox', { name: 'Site', exact: true }).selectOption('new');
    await dialog.getByLabel('Name of the new site').fill(`Folder ${Date.now()}`);
    await dialog.getByRole('button', { name: 'Bring the page' }).click();
    await expect(page).toHaveURL(/\/pages\//);
    const id = page.url().split('/pages/')[1]!.split(/[/?#]/)[0]!;
    const { version } = (await (await page.request.get(`/api/pages/${id}`)).json()) as {
      version: { assets: { address: string }[]; html: string };
    };
    expect(version.html).toContain('Crew');
    expect(version.assets.map(({ address }) => address.split('/').slice(-2).join('/')).sort()).toEqual([
      'about/1.svg',
      'team/1.svg',
    ]);
  } finally {
    rmSync(folder, { recursive: true });
  }
});

test('a page that a script would build is recognised', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Bring a page' }).first().click();
  await page.getByRole('tab', { name: 'Paste' }).click();
  await page.getByLabel('Name of the page').fill('App');
  await page.getByLabel('HTML', { exact: true }).fill('<div id="root"></div><script src="app.js"></script>');
  await page.getByRole('button', { name: 'Bring the page' }).click();
  const alert = page.getByRole('alert').or(page.getByText('Name the site'));
  await expect(alert.first()).toContainText(/A script builds that page|Name the site/);
});

test('nothing in a page can run, load from elsewhere, or be followed', async ({ page }) => {
  const asked: string[] = [];
  await page.route(/elsewhere\.invalid/, (route) => {
    asked.push(route.request().url());
    return route.abort();
  });
  const html = `<!doctype html><body onload="parent.hit = 1"><script>parent.hit = 2</script>
    <img src="https://elsewhere.invalid/p.png" onerror="parent.hit = 3"><a href="javascript:parent.hit=4" onclick="parent.hit=5">Click me</a>
    <a href="https://elsewhere.invalid/away" target="_top">Leave</a><svg onload="parent.hit=6"><script>parent.hit=7</script></svg>
    <form action="https://elsewhere.invalid/form"><button formaction="javascript:parent.hit=8">Send it</button></form>`;
  await pastePage(
    page,
    html,
    'body { background: url(https://elsewhere.invalid/b.png) } @import "https://elsewhere.invalid/i.css";',
  );
  const frame = page.locator('iframe[title="The page"]');
  // A page is listened to once its components are outlined.
  const outlined = () => expect(page.locator('[data-outline]').first()).toBeVisible();
  await expect(frame).toHaveAttribute('sandbox', 'allow-same-origin');
  await outlined();
  await frame.contentFrame().getByText('Leave').click();
  await expect(page).toHaveURL(/\/style\//);
  await page.goBack();
  await outlined();
  await frame.contentFrame().getByRole('button', { name: 'Send it' }).click();
  await expect(page).toHaveURL(/\/style\//);
  expect(await page.evaluate(() => (window as unknown as { hit?: number }).hit)).toBeUndefined();
  expect(asked).toEqual([]);
});

test('a component is picked on the page, or in the list by keyboard', async ({ page }) => {
  await page.goto('/');
  await page
    .getByRole('link', { name: /Book a crossing/ })
    .first()
    .click();
  await expect(page.locator('[data-outline]').first()).toBeVisible();
  const frame = page.locator('iframe[title="The page"]').contentFrame();
  await frame.locator('.crumbs a').first().hover();
  await expect(page.getByText('Breadcrumb · 1 match')).toBeVisible();
  await frame.locator('.crumbs a').first().click();
  await expect(page.getByRole('heading', { name: 'Breadcrumb', level: 1 })).toBeVisible();
  await expect(page.locator('[data-check="default"]')).toContainText('of 4.5');
  await page.goBack();
  await page.getByRole('button', { name: /^Skip to the content/ }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('button', { name: /^Service notice/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Service notice', level: 1 })).toBeVisible();
});

test('a removed site can be brought back', async ({ page }) => {
  await pastePage(page, '<a href="#">One</a>', '', 'Short-lived');
  await page.goto('/');
  const section = page.locator('section', { hasText: 'Short-lived' });
  await section.getByRole('button', { name: 'Remove site' }).click();
  await expect(section).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(section).toBeVisible();
  // A notice that stands in the way is put away by hand.
  await section.getByRole('button', { name: 'Remove site' }).click();
  await page.getByRole('button', { name: 'Dismiss' }).click();
  await expect(page.getByRole('button', { name: 'Undo' })).toBeHidden();
  await expect(section).toBeHidden();
});

test('the demo site works by itself', async ({ page }) => {
  await page.goto(`${PRACTICE}/`);
  await expect(page.getByRole('heading', { name: 'A biscuit with your crossing?' })).toBeVisible();
  await page.getByRole('button', { name: 'Accept all' }).click();
  await expect(page.getByRole('heading', { name: 'A biscuit with your crossing?' })).toBeHidden();
  await page.getByRole('link', { name: 'Crossings' }).hover();
  await expect(page.getByRole('link', { name: 'Night boat' })).toBeVisible();
});

test('a page seen before many others is still there', async ({ page }) => {
  const name = `First ${Date.now()}`;
  const others = Array.from({ length: 9 }, (_, i) => `Later ${i} ${name}`);
  for (const title of [`${name} boat`, ...others]) await keepPage(page, `<a href="#">${title}</a>`, '', title);
  await page.goto('/');
  const visit = async (title: string) => {
    await page.getByRole('link', { name: title }).first().click();
    await expect(page.getByRole('button', { name: new RegExp(`^${title}`) })).toBeVisible();
  };
  await visit(`${name} boat`);
  for (const title of others) {
    await page.getByRole('link', { name: 'Retoque, all sites' }).click();
    await visit(title);
  }
  await page.getByRole('link', { name: 'Retoque, all sites' }).click();
  await page
    .getByRole('link', { name: `${name} boat` })
    .first()
    .click();
  await expect(page.getByRole('button', { name: new RegExp(`^${name} boat`) })).toBeVisible();
});
