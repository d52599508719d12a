import { forceStates, pathSelector, printShorthand } from '@retoque/core';
import type { Command } from 'commander';
import { collect, environment, fontMetrics, oneOf, properties, select, states } from '../options.js';
import type { Output } from '../output.js';
import { readPage } from '../read-page.js';
import { table } from '../table.js';

const SHOWN = [
  'color',
  'background-color',
  'background-image',
  'border-top-color',
  'border-top-style',
  'border-top-width',
  'outline-color',
  'outline-style',
  'outline-width',
  'box-shadow',
  'opacity',
  'font-size',
  'font-weight',
  'text-decoration-line',
].join(',');

interface Options {
  css: string[];
  viewport: string;
  scheme: string;
  select: string;
  states: string;
  properties: string;
  format: string;
  fontMetrics?: string;
}

/** One selected element in one state. */
interface ResolvedRecord {
  readonly index: number;
  readonly state: string;
  readonly path: string;
  readonly values: Readonly<Record<string, string>>;
}

export function addResolve(program: Command, output: Output): void {
  program
    .command('resolve')
    .description('computed values of a page’s elements in each state')
    .argument('<page>', 'an HTML file; sheets that it links by relative address are read too')
    .option('--css <file>', 'a further sheet, put behind the page’s own; may be repeated', collect, [])
    .option('--viewport <size>', 'width and height in CSS pixels', '1280x800')
    .option('--scheme <scheme>', 'colour scheme: light or dark', 'light')
    .option('--select <selector>', 'elements, or a pseudo-element of theirs', '*')
    .option(
      '--states <names>',
      'default, hover, focus (by keyboard), active (hovered and pressed), visited, disabled; sets with +',
      'default',
    )
    .option('--properties <names>', 'longhands, shorthands or custom properties', SHOWN)
    .option('--format <format>', 'table or ndjson', 'table')
    .option('--font-metrics <file>', 'JSON with measures of fonts, for ch, ex, cap and lh')
    .action((file: string, options: Options) => {
      const format = oneOf('--format', options.format, ['table', 'ndjson']);
      const where = environment(options.viewport, options.scheme);
      const wantedStates = states(options.states);
      const names = properties(options.properties, true);
      const page = readPage(file, {
        css: options.css,
        measures: { fonts: fontMetrics(options.fontMetrics) },
        warn: output.err,
      });
      const targets = select(page, options.select);
      const styles = page.stylesFor(where);
      const records = targets.flatMap(({ element, pseudo }, index) => {
        const path = pathSelector(element) + (pseudo ? `::${pseudo}` : '');
        return wantedStates.map((state): ResolvedRecord => {
          const style = styles.at(forceStates([[element, state.bits]])).of(element, pseudo);
          return {
            index,
            state: state.name,
            path,
            values: Object.fromEntries(
              names.map((name) => [name, printShorthand(name, (longhand) => style.text(longhand)) ?? style.text(name)]),
            ),
          };
        });
      });
      if (format === 'ndjson') for (const record of records) output.out(JSON.stringify(record));
      else if (records.length) {
        output.out(
          table(
            ['element', 'state', 'property', 'value'],
            records.flatMap((record) =>
              names.map((name, i) => [
                i === 0 ? record.path : '',
                i === 0 ? record.state : '',
                name,
                record.values[name]!,
              ]),
            ),
          ),
        );
      } else output.err(`Nothing on the page matches ${options.select}.`);
      for (const condition of styles.unknownConditions) output.err(`Not known from CSS, so left out: ${condition}`);
      if (styles.unresolvedUnits.size) {
        output.err(`Not resolved without font metrics: ${[...styles.unresolvedUnits].join(', ')}`);
      }
    });
}
