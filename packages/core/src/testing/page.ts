import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { Geometry } from '../page/geometry.js';
import { NO_PICTURES, type PictureSource } from '../paint/pictures.js';
import type { Looking } from '../paint/scene.js';
import { PageSession } from '../parts/page-session.js';

/** A page out of a body and one sheet. */
export const pageOf = (body: string, css: string, head = ''): PageSession =>
  new PageSession({
    html: `<!doctype html><html><head>${head}<link rel="stylesheet" href="site.css"></head><body>${body}</body></html>`,
    address: 'https://page.invalid/',
    sheets: [{ address: 'https://page.invalid/site.css', text: css }],
  });

/** A view with what it is measured with; nothing of it measured unless given. */
export const lookingAt = (view: StyledPage, geometry?: Geometry, pictures: PictureSource = NO_PICTURES): Looking => ({
  view,
  geometry,
  pictures,
});

const site = (path: string) =>
  readFileSync(fileURLToPath(new URL(`../../../../apps/practice-host/site/${path}`, import.meta.url)), 'utf8');

/** A page of the demo site, as it is served. */
export const DEMO_PAGES = ['index', 'booking', 'timetable', 'islands', 'contact', 'sign-in'].map(
  (name) => `${name}.html`,
);

export const demoPage = (file = 'index.html'): PageSession =>
  new PageSession({
    html: site(file),
    address: 'http://quillhaven.invalid/',
    sheets: ['theme', 'site'].map((name) => ({
      address: `http://quillhaven.invalid/css/${name}.css`,
      text: site(`css/${name}.css`),
    })),
  });
