import { showRatio, type WaysRecord } from '@retoque/core';
import type { Output } from './output.js';

export type PageWays = WaysRecord & { readonly page: string };

const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;

export function printWays({ page, name, select, together, checks }: PageWays, output: Output): void {
  const { css, mended, unmet } = together;
  output.out('');
  output.out(`Suggested fixes: ${name} (${select}, ${page})`);
  for (const check of checks) {
    const figure = check.measured === null ? '' : ` at ${showRatio(check.measured)} of ${check.needed}`;
    output.out(`  ${check.part}, ${check.state}, ${check.viewport}: ${check.demand.toLowerCase()}${figure}`);
    for (const { words, measured, breaks } of check.ways) {
      const harm = breaks ? `; makes ${count(breaks, 'other check', 'other checks')} fail` : '';
      output.out(`    - ${words}${measured === null ? '' : ` (${showRatio(measured)})`}${harm}`);
    }
    if (!check.ways.length) output.out('    - No single change was found that passes.');
  }
  output.out(
    css ? `  Together ${count(mended.length, 'check passes', 'checks pass')} with:` : '  Nothing was found that helps.',
  );
  if (css) output.out(css.trimEnd().replace(/^/gm, '  '));
  for (const { part, state, viewport, demand, why } of unmet) {
    output.out(`  Not met: ${part}, ${state}, ${viewport}: ${demand.toLowerCase()}. ${why}`);
  }
}
