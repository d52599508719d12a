import { describe, expect, it } from '@jest/globals';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { retoque } from './testing/retoque.js';

const ROOT = fileURLToPath(new URL('../../..', import.meta.url));
const pages = ['README.md', 'CONTRIBUTING.md', 'docs', 'docs/guide', 'docs/behaviours'].flatMap((path) =>
  path.endsWith('.md')
    ? [path]
    : readdirSync(join(ROOT, path))
        .filter((name) => name.endsWith('.md'))
        .map((name) => `${path}/${name}`),
);
const text = (path: string) => readFileSync(join(ROOT, path), 'utf8');

describe('the guide', () => {
  it.each(pages)('leads somewhere with every link: %s', (path) => {
    const links = Array.from(text(path).matchAll(/\]\((?!https?:)([^)#\s]+)/g), ([, link]) => link!);
    expect(links.filter((link) => !existsSync(join(ROOT, dirname(path), link)))).toEqual([]);
  });

  it('shows every picture of a view, and the first page links all of them', () => {
    const shots = readdirSync(join(ROOT, 'docs/screenshots'));
    const all = pages.map(text).join('\n');
    expect(shots.filter((name) => !text('README.md').includes(`docs/screenshots/${name}`))).toEqual([]);
    expect(shots.filter((name) => !all.includes(`screenshots/${name}`))).toEqual([]);
  });

  it('names no command and no option that there is not', async () => {
    const page = text('docs/guide/the-command.md');
    const commands = [...new Set(Array.from(page.matchAll(/npx retoque (\w+)/g), ([, name]) => name!))];
    expect(commands.sort()).toEqual(['check', 'explain', 'find', 'resolve']);
    const help = (await Promise.all(commands.map((name) => retoque(name, '--help')))).map(({ out }) => out).join('\n');
    const options = new Set(Array.from(page.matchAll(/(?<![\w-])--[a-z]+/g), ([option]) => option));
    options.delete('--help');
    expect([...options].filter((option) => !help.includes(option))).toEqual([]);
  });
});
