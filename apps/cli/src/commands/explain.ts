import {
  explain,
  forceStates,
  idleRulesFor,
  leftBehind,
  nearMisses,
  pathSelector,
  specificityText,
  type Contender,
  type Explanation,
} from '@retoque/core';
import type { Command } from 'commander';
import { Failure } from '../failure.js';
import { collect, environment, oneOf, properties, select, states } from '../options.js';
import type { Output } from '../output.js';
import { readPage } from '../read-page.js';

interface Options {
  css: string[];
  viewport: string;
  scheme: string;
  select: string;
  state: string;
  property: string;
  format: string;
}

function describe(contender: Contender): string {
  const place =
    contender.source === 'browser'
      ? 'browser'
      : contender.source === 'sheet'
        ? `${contender.sheet}:${contender.line}:${contender.column}`
        : contender.source;
  const notes = [
    ...(contender.source === 'sheet' || contender.source === 'browser' ? [specificityText(contender.specificity)] : []),
    ...(contender.layer.length ? [`layer ${contender.layer.join('.')}`] : []),
    ...contender.conditions,
  ];
  return `${contender.wins ? '* ' : '  '}${contender.selector} { ${contender.value}${contender.important ? ' !important' : ''} }  ${place}  ${notes.join('  ')}`;
}

function print(explanation: Explanation, output: Output): void {
  output.out(`${explanation.property}: ${explanation.computed}`);
  if (explanation.otherwise === 'inherited') output.out('  Nothing declares it here; it is inherited from the parent.');
  if (explanation.otherwise === 'initial') output.out('  Nothing declares it; it has its initial value.');
  for (const contender of explanation.contenders) {
    output.out(describe(contender));
    if (!contender.wins) output.out(`      ${contender.why}`);
  }
  output.out(`To win: ${explanation.toWin.sentence}`);
}

export function addExplain(program: Command, output: Output): void {
  program
    .command('explain')
    .description('why a property has its value: every declaration in the running, and why each lost')
    .argument('<page>', 'an HTML file')
    .requiredOption('--select <selector>', 'the element; of several the first')
    .option('--state <name>', 'default, hover, focus, active … or a set with +', 'default')
    .requiredOption('--property <name>', 'a longhand or shorthand')
    .option('--css <file>', 'a further sheet, put behind the page’s own; may be repeated', collect, [])
    .option('--viewport <size>', 'width and height in CSS pixels', '1280x800')
    .option('--scheme <scheme>', 'colour scheme: light or dark', 'light')
    .option('--format <format>', 'text or json', 'text')
    .action((file: string, options: Options) => {
      const format = oneOf('--format', options.format, ['text', 'json']);
      const where = environment(options.viewport, options.scheme);
      const [state] = states(options.state);
      const names = properties(options.property);
      const page = readPage(file, { css: options.css, warn: output.err });
      const [target] = select(page, options.select);
      if (!target) {
        const misses = nearMisses(page.tree, options.select);
        const hints = misses.map((miss) => `${miss.hint} ${miss.selector} matches ${miss.matches}.`);
        throw new Failure(`Nothing on the page matches ${options.select}. ${hints.join(' ')}`.trim());
      }
      const { element, pseudo } = target;
      const view = page.stylesFor(where).at(forceStates([[element, state!.bits]]));
      const style = view.of(element, pseudo);
      const explanations = names.map((name) => explain(style, name));
      const idle = idleRulesFor(page.tree, page.sheets, element, names);
      const behind = names.includes('color') && !pseudo ? leftBehind(view, element) : [];
      const path = pathSelector(element) + (pseudo ? `::${pseudo}` : '');
      if (format === 'json') {
        output.out(
          JSON.stringify({
            path,
            state: state!.name,
            explanations,
            idle: idle.map(({ misses, ...rule }) => ({
              ...rule,
              misses: misses.map(({ selector, hint, matches }) => ({ selector, hint, matches })),
            })),
            leftBehind: behind,
          }),
        );
        return;
      }
      output.out(`${path}, ${state!.name}`);
      for (const explanation of explanations) print(explanation, output);
      for (const rule of idle) {
        const miss = rule.misses[0]!;
        output.out(`Matches nothing: ${rule.selector}  ${rule.sheet}:${rule.line}`);
        output.out(`      ${miss.hint} ${miss.selector} would match ${miss.matches}, this element among them.`);
      }
      for (const child of behind) {
        output.out(
          `Has a colour of its own: ${child.path} “${child.text}” ${child.colour}, set by ${child.selector}${child.inline ? '' : ` (${child.sheet}:${child.line})`}`,
        );
      }
    });
}
