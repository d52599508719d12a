import { existsSync, readFileSync } from 'node:fs';
import { extname, join, resolve } from 'node:path';
import type { Page } from '@playwright/test';
import { ORIGIN, packages } from './pages.mjs';

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html; charset=utf-8',
  '.css': 'text/css; charset=utf-8',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.jpg': 'image/jpeg',
  '.jpeg': 'image/jpeg',
  '.woff2': 'font/woff2',
  '.woff': 'font/woff',
};

/** Shows a page of a package, without its scripts and without anything from elsewhere; gives the pictures that it asked for. */
export async function show(page: Page, path: string): Promise<ReadonlyMap<string, Buffer>> {
  const root = resolve(packages, path.split('/')[0]!);
  const asked = new Map<string, Buffer>();
  await page.route('**/*', (route) => {
    const url = route.request().url();
    const file = url.startsWith(ORIGIN) ? join(root, decodeURIComponent(new URL(url).pathname)) : '';
    const type = TYPES[extname(file)];
    if (!type || !file.startsWith(root) || !existsSync(file)) return route.abort();
    const body = readFileSync(file);
    if (type.startsWith('image/')) asked.set(url, body);
    return route.fulfill({ contentType: type, body });
  });
  await page.goto(ORIGIN + path.split('/').slice(1).join('/'), { waitUntil: 'load' });
  return asked;
}
