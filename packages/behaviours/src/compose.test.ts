import { describe, expect, test } from '@jest/globals';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { BEHAVIOURS } from './index.js';
import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { BehaviourScript } from './compose.js';

const names = Object.keys(BEHAVIOURS);
const built = fileURLToPath(new URL('../dist/compose.js', import.meta.url));

/** In a process of its own: the bundler's library takes nothing from the realm that tests run in. */
function composeScript(wanted: readonly string[]): BehaviourScript {
  const code = `import { composeScript } from ${JSON.stringify(built)};
    process.stdout.write(JSON.stringify(await composeScript(${JSON.stringify(wanted)})));`;
  return JSON.parse(
    execFileSync(process.execPath, ['--input-type=module', '-e', code], { encoding: 'utf8' }),
  ) as BehaviourScript;
}

describe('the script that is handed over', () => {
  test.each(names)('%s alone is under 3 kB compressed', (name) => {
    const { minified } = composeScript([name]);
    expect(gzipSync(minified).length).toBeLessThan(3000);
    expect(minified).toContain(`rq-${name}`);
  });

  test('all of them are under 8 kB, and hold nothing that a strict policy refuses', () => {
    const { minified, source } = composeScript(names);
    expect(gzipSync(minified).length).toBeLessThan(8000);
    expect(brotliCompressSync(minified).length).toBeLessThan(8000);
    for (const text of [minified, source]) {
      expect(text).not.toMatch(/\beval\b|new Function|innerHTML|setAttribute\(.style|import[ (]/);
      expect(text.split('\n')[0]).toMatch(/^\/\* Behaviours \d+\.\d+\.\d+, made with Retoque: /);
    }
  });

  test('is the same in whichever order they are named, and only what is used is in it', () => {
    const one = composeScript(['ticker', 'countdown', 'ticker', '__proto__', 'unknown']);
    expect(one).toEqual(composeScript(['countdown', 'ticker']));
    expect(one.source).not.toContain('rq-consent');
    expect(one.source).toContain('/** Counts down to a moment');
  });
});
