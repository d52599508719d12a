import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import * as all from '../index.js';

const text = (path: string) => readFileSync(fileURLToPath(new URL(path, import.meta.url)), 'utf8');
const README = text('../../README.md');
const PACKAGE = JSON.parse(text('../../package.json')) as { exports: Record<string, unknown> };
const names = Object.keys(PACKAGE.exports)
  .filter((path) => path !== '.')
  .map((path) => path.slice(2));

const modules: Record<string, Record<string, unknown>> = {};
for (const name of names) modules[name] = (await import(`./${name}.ts`)) as Record<string, unknown>;

const blocks = [...README.matchAll(/```js\n([\s\S]*?)```/g)].map(([, code]) => code!);

/** Runs an example; a line that ends in `// → value` is an expression that comes to it. */
async function run(code: string): Promise<void> {
  const body = code
    .replace(/^import (\{[^}]*\}) from '@retoque\/core\/([\w-]+)';$/gm, (_, own: string, name: string) => {
      for (const [word] of own.matchAll(/\w+/g)) expect(Object.keys(modules[name]!)).toContain(word);
      return `const ${own} = modules['${name}'];`;
    })
    .replace(/^(.*); \/\/ → (.*)$/gm, (_, asked: string, value: string) => `expect(${asked}).toEqual(${value});`);
  const make = Object.getPrototypeOf(run).constructor as new (...given: string[]) => (...given: unknown[]) => unknown;
  await new make('modules', 'expect', body)(modules, expect);
}

describe('the paths of the package', () => {
  it.each(blocks.map((code) => [/core\/[\w-]+/.exec(code)![0], code] as const))(
    'do as the README says: %s',
    async (_, code) => {
      expect(code).toMatch(/\/\/ →/);
      await run(code);
    },
  );

  it('each stand in the README', () => {
    for (const name of names) expect(README).toContain(`\`@retoque/core/${name}\``);
  });

  it('have every name of the whole, each at one place', () => {
    const found = names.flatMap((name) => Object.keys(modules[name]!));
    expect([...found].sort()).toEqual(Object.keys(all).sort());
  });
});
