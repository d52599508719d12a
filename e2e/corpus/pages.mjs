// Pages of packages that were not made for this, as they are shipped, and with every class called something else.
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve, sep } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ident, parse, generate, walk } from 'css-tree';
import { PageSession, parseHtml } from '../../packages/core/dist/index.js';

const here = dirname(fileURLToPath(import.meta.url));
/** The folder in which the packages are. */
export const packages = process.env.CORPUS ?? join(here, 'node_modules');
export const ORIGIN = 'https://corpus.invalid/';

/** The pages with their labels. */
export const PAGES = JSON.parse(readFileSync(join(here, 'pages.json'), 'utf8'));

/** A small generator of random numbers, so that a seed gives the same names again. */
export function randomFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** Other names for classes: nonsense, the same one each time. */
export function renamer(seed) {
  const random = randomFrom(seed);
  const names = new Map();
  return (name) => {
    let other = names.get(name);
    if (other === undefined) {
      other = `q${Math.floor(random() * 36 ** 6).toString(36)}${names.size}`;
      names.set(name, other);
    }
    return other;
  };
}

export const renameHtml = (html, rename) =>
  html.replace(/(\sclass\s*=\s*)(?:"([^"]*)"|'([^']*)')/gi, (_all, head, double, single) => {
    const classes = (double ?? single).split(/\s+/).filter(Boolean).map(rename);
    return `${head}"${classes.join(' ')}"`;
  });

export function renameCss(css, rename) {
  const sheet = parse(css, { parseValue: false, parseAtrulePrelude: false, parseCustomProperty: false });
  walk(sheet, (node) => {
    if (node.type === 'ClassSelector') node.name = ident.encode(rename(ident.decode(node.name)));
  });
  return generate(sheet);
}

/**
 * What a page is made of.
 *
 * @param rename gives classes other names; as they are shipped without it
 */
export function sourceOf(path, rename) {
  const file = resolve(packages, path);
  const root = resolve(packages, path.startsWith('@') ? path.split('/').slice(0, 2).join('/') : path.split('/')[0]);
  const shipped = readFileSync(file, 'utf8');
  const address = new URL(relative(root, file).split(sep).join('/'), ORIGIN).href;
  const sheets = [];
  const read = (at) => {
    const bare = at.split(/[?#]/)[0];
    if (!bare.startsWith(ORIGIN) || sheets.some((sheet) => sheet.address === at)) return;
    const local = join(root, decodeURIComponent(bare.slice(ORIGIN.length)));
    if (!existsSync(local)) return;
    const text = readFileSync(local, 'utf8');
    sheets.push({ address: at, text: rename ? renameCss(text, rename) : text });
  };
  for (const { attributes, name } of parseHtml(shipped).elements) {
    if (name === 'link' && /stylesheet/i.test(attributes.get('rel') ?? ''))
      read(new URL(attributes.get('href'), address).href);
  }
  const html = rename ? renameHtml(shipped, rename) : shipped;
  return { html, address, sheets };
}

export const readPage = (path, rename) => new PageSession(sourceOf(path, rename));
