import {
  checkRecord,
  LEVELS,
  finish,
  pageChecks,
  pageWays,
  showRatio,
  waysRecord,
  type CheckRecord,
  type Criterion,
  type LedgerEntry,
  type Level,
  lookup,
} from '@retoque/core';
import type { Command } from 'commander';
import { Failure } from '../failure.js';
import { collect, environment, oneOf, select, states, viewport } from '../options.js';
import type { Output } from '../output.js';
import { addGeometry } from '../read-geometry.js';
import { besides } from '../besides.js';
import { dressFor } from '../read-looks.js';
import { readPage } from '../read-page.js';
import { readPictures } from '../read-pictures.js';
import { table } from '../table.js';
import { printWays, type PageWays } from '../ways.js';

interface Options {
  css: string[];
  viewport: string[];
  scheme: string;
  select?: string;
  states: string;
  level: string;
  format: string;
  failOn: string;
  geometry?: string;
  looks?: string;
  demands: string;
  advice?: boolean;
  remedies?: string | boolean;
}

/** One check as it is printed: its page and the viewport stand beside it. */
type PrintedCheck = CheckRecord & { readonly page: string; readonly viewport: string };

const printedCheck = (entry: LedgerEntry, page: string, size: string): PrintedCheck => {
  const { select, text, part, state, criterion, measured, needed, verdict, foreground, background, ...more } =
    checkRecord(entry);
  const { reason, demand, unit, basis, share, worst } = more;
  // In the order in which people have come to read them.
  return {
    ...{ page, select, text, part, state, viewport: size, criterion, measured, needed, verdict },
    ...{ foreground, background, reason, demand, unit, basis, share, worst },
  };
};

const MARKS: Readonly<Record<string, string>> = lookup({
  passes: 'passes',
  short: 'FAILS',
  unsure: 'unsure?',
  exempt: 'not required',
  unseen: 'not shown',
});

/** A figure as people write it: ratios and differences to two places, rounded down, sizes to whole pixels. */
const figure = ({ measured, unit }: PrintedCheck): string =>
  unit === 'px' ? `${Math.round(measured!)} px` : unit === 'share' ? '' : showRatio(measured!);

function printTable(records: readonly PrintedCheck[], output: Output): void {
  const rows = records.map((record) => [
    MARKS[record.verdict] ?? record.verdict,
    record.measured === null ? '' : figure(record),
    `${record.needed || ''}${record.unit === 'px' ? ' px' : ''}`,
    record.criterion,
    record.state,
    record.viewport,
    record.part,
    record.text.slice(0, 32),
    record.reason ?? record.select,
  ]);
  if (rows.length)
    output.out(
      table(['verdict', 'figure', 'needs', 'criterion', 'state', 'viewport', 'part', 'text', 'where or why'], rows),
    );
  const count = (verdict: string) => records.filter((record) => record.verdict === verdict).length;
  output.out(
    `${records.length} checks: ${count('short')} fail, ${count('unsure')} unsure, ${count('passes')} pass, ${count('exempt')} not required, ${count('unseen')} not measured, as they are not shown.`,
  );
}

/** Criteria of the level that is asked for, and advice on request. */
function isAsked(criterion: Criterion, level: Level, { advice = false }: Options): boolean {
  const own = LEVELS[criterion];
  if (own === 'advice') return advice;
  return own !== 'AAA' || level === 'AAA';
}

export function addCheck(program: Command, output: Output, exit: (code: number) => void): void {
  program
    .command('check')
    .description(
      'contrast of every text and what else is asked of components, in every state; exits 1 when something fails',
    )
    .argument('<pages...>', 'HTML files')
    .option('--css <file>', 'a further sheet, put behind each page’s own; may be repeated', collect, [])
    .option('--states <names>', 'default, hover, focus, active … or sets with +', 'default,hover,focus,active')
    .option('--viewport <size>', 'width and height in CSS pixels; may be repeated', collect, [])
    .option('--scheme <scheme>', 'colour scheme: light or dark', 'light')
    .option('--select <selector>', 'only texts in what it matches')
    .option('--level <level>', 'AA (WCAG 2.2, 1.4.3) or AAA (1.4.6)', 'AA')
    .option('--geometry <file>', 'where things stand on the page, as a browser laid it out (see docs/geometry.md)')
    .option('--looks <file>', 'the looks that a site wears, as the API gives them; pages are checked with these on')
    .option('--demands <which>', 'text: contrast of texts alone; all: what is asked of components too', 'all')
    .option('--advice', 'also what is not the standard’s: states told apart, leftovers, the way between')
    .option(
      '--remedies [which]',
      'suggested fixes for what fails, component by component: together, or each check by itself',
    )
    .option('--format <format>', 'table, ndjson or json', 'table')
    .option('--fail-on <verdict>', 'short, unsure (or short), never', 'short')
    .action(async (files: string[], options: Options) => {
      const format = oneOf('--format', options.format, ['table', 'ndjson', 'json']);
      const level = oneOf('--level', options.level, ['AA', 'AAA']);
      const failOn = oneOf('--fail-on', options.failOn, ['short', 'unsure', 'never']);
      const wantedStates = states(options.states);
      const sizes = options.viewport.length ? options.viewport : ['1280x800'];
      sizes.forEach(viewport);
      const environments = sizes.map((size) => [size, environment(size, options.scheme)] as const);
      const demands = oneOf('--demands', options.demands, ['text', 'all']);
      if (options.geometry !== undefined && files.length > 1) {
        throw new Failure('--geometry is of one page; check that page alone.');
      }
      const remedies =
        options.remedies === undefined
          ? undefined
          : oneOf('--remedies', options.remedies === true ? 'together' : String(options.remedies), [
              'together',
              'each',
            ]);
      const records: PrintedCheck[] = [];
      const ways: PageWays[] = [];
      for (const file of files) {
        const page = readPage(file, { css: options.css, warn: output.err });
        const shown = options.looks === undefined ? 'none' : 'worn';
        const dressed = await dressFor(page, options.looks);
        const asked = { states: wantedStates, level, demands };
        await besides(readPictures(page, output.err), () =>
          environments.map(([, where]) => pageChecks(dressed, shown, { ...asked, environment: where })),
        );
        if (options.geometry !== undefined) {
          addGeometry(page, options.geometry);
          for (const [size] of environments.filter(([, own]) => !page.measures.geometryFor(own))) {
            output.err(`${options.geometry} was not measured at ${size}, so grounds are estimated there.`);
          }
        }
        const targets = options.select === undefined ? undefined : select(page, options.select);
        if (targets && !targets.length) throw new Failure(`Nothing in ${file} matches ${options.select}.`);
        for (const [size, where] of environments) {
          const steps = pageChecks(dressed, shown, {
            ...asked,
            environment: where,
            ...(targets ? { within: targets.map((target) => target.element) } : {}),
          });
          const entries = finish(steps);
          records.push(
            ...entries
              .filter(({ check }) => isAsked(check.criterion, level, options))
              .map((entry) => printedCheck(entry, file, size)),
          );
        }
        if (remedies) {
          const viewports = environments.map(([name, where]) => ({ name, environment: where }));
          const within = targets?.map((target) => target.element);
          const solving = { viewports, level, each: remedies === 'each', ...(within ? { within } : {}) };
          const found = pageWays(dressed, shown, solving);
          ways.push(...found.map((component) => ({ page: file, ...waysRecord(component) })));
        }
      }
      if (format === 'json')
        output.out(JSON.stringify(remedies ? { checks: records, remedies: ways } : records, null, 2));
      else if (format === 'ndjson') for (const record of [...records, ...ways]) output.out(JSON.stringify(record));
      else {
        printTable(records, output);
        for (const component of ways) printWays(component, output);
      }
      const failing = failOn === 'never' ? [] : failOn === 'unsure' ? ['short', 'unsure'] : ['short'];
      if (records.some((record) => failing.includes(record.verdict))) exit(1);
    });
}
