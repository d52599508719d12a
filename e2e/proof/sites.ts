import { Site } from '../../packages/core/dist/index.js';
import { sourceOf } from '../corpus/pages.mjs';

/** Pages of the packages of the corpus that stand on one site, by the package's name. */
export const SITES: Readonly<Record<string, readonly string[]>> = {
  'startbootstrap-modern-business': [
    ...['dist/index.html', 'dist/contact.html', 'dist/pricing.html', 'dist/blog-post.html', 'dist/faq.html'],
  ],
  'startbootstrap-sb-admin-2': ['index.html', 'login.html', 'buttons.html', 'cards.html'],
  'now-ui-kit': ['index.html', 'examples/login-page.html', 'examples/landing-page.html'],
  'paper-dashboard': ['notifications.html', 'user.html', 'table.html'],
  'startbootstrap-freelancer': ['dist/index.html'],
  'startbootstrap-grayscale': ['dist/index.html'],
  'startbootstrap-shop-homepage': ['dist/index.html'],
  'startbootstrap-stylish-portfolio': ['dist/index.html'],
};

/** A site of the corpus, nothing worn yet; pages are called by their paths. */
export function siteOf(name: string): Site {
  const site = new Site();
  for (const file of SITES[name]!) {
    const path = `${name}/${file}`;
    site.putPage({ version: path, pageId: path, name: file, source: sourceOf(path) });
  }
  return site;
}
