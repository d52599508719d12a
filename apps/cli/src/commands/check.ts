import { pageLedger, showRatio, toHex, type LedgerEntry, type Rgba } from '@retoque/core';
import type { Command } from 'commander';
import { Failure } from '../failure.js';
import { collect, environment, oneOf, select, states, viewport } from '../options.js';
import type { Output } from '../output.js';
import { readPage } from '../read-page.js';
import { table } from '../table.js';

interface Options {
  css: string[];
  viewport: string[];
  scheme: string;
  select?: string;
  states: string;
  level: string;
  format: string;
  failOn: string;
}

/** One check as it is printed. */
interface CheckRecord {
  readonly page: string;
  readonly select: string;
  readonly text: string;
  readonly part: string;
  readonly state: string;
  readonly viewport: string;
  readonly criterion: string;
  /** Unrounded; null when nothing was measured. */
  readonly measured: number | null;
  readonly needed: number;
  readonly verdict: string;
  readonly foreground: string | null;
  readonly background: string | null;
  readonly reason: string | null;
}

const colour = (value: Rgba | undefined): string | null => (value ? toHex(value) : null);

function recordOf(entry: LedgerEntry, page: string, size: string): CheckRecord {
  const { check } = entry;
  return {
    page,
    select: entry.select,
    text: entry.text,
    part: entry.part,
    state: entry.state,
    viewport: size,
    criterion: check.criterion,
    measured: check.measured ?? null,
    needed: check.needed,
    verdict: check.verdict,
    foreground: colour(check.foreground),
    background: colour(check.background),
    reason: check.reason ?? null,
  };
}

const MARKS: Readonly<Record<string, string>> = {
  passes: 'passes',
  short: 'SHORT',
  unsure: 'unsure?',
  exempt: 'exempt',
};

function printTable(records: readonly CheckRecord[], output: Output): void {
  const rows = records.map((record) => [
    MARKS[record.verdict] ?? record.verdict,
    record.measured === null ? '' : showRatio(record.measured),
    String(record.needed),
    record.state,
    record.viewport,
    record.part,
    record.text.slice(0, 32),
    record.reason ?? record.select,
  ]);
  if (rows.length)
    output.out(table(['verdict', 'ratio', 'needs', 'state', 'viewport', 'part', 'text', 'where or why'], rows));
  const count = (verdict: string) => records.filter((record) => record.verdict === verdict).length;
  output.out(
    `${records.length} checks: ${count('short')} short, ${count('unsure')} unsure, ${count('passes')} pass, ${count('exempt')} exempt.`,
  );
}

export function addCheck(program: Command, output: Output, exit: (code: number) => void): void {
  program
    .command('check')
    .description('contrast of every text, and of components in every state; exits 1 when something falls short')
    .argument('<pages...>', 'HTML files')
    .option('--css <file>', 'a further sheet, put behind each page’s own; may be repeated', collect, [])
    .option('--states <names>', 'default, hover, focus, active … or sets with +', 'default,hover,focus,active')
    .option('--viewport <size>', 'width and height in CSS pixels; may be repeated', collect, [])
    .option('--scheme <scheme>', 'colour scheme: light or dark', 'light')
    .option('--select <selector>', 'only texts in what it matches')
    .option('--level <level>', 'AA (WCAG 2.2, 1.4.3) or AAA (1.4.6)', 'AA')
    .option('--format <format>', 'table, ndjson or json', 'table')
    .option('--fail-on <verdict>', 'short, unsure (or short), never', 'short')
    .action((files: string[], options: Options) => {
      const format = oneOf('--format', options.format, ['table', 'ndjson', 'json']);
      const level = oneOf('--level', options.level, ['AA', 'AAA']);
      const failOn = oneOf('--fail-on', options.failOn, ['short', 'unsure', 'never']);
      const wantedStates = states(options.states);
      const sizes = options.viewport.length ? options.viewport : ['1280x800'];
      sizes.forEach(viewport);
      const environments = sizes.map((size) => [size, environment(size, options.scheme)] as const);
      const records = files.flatMap((file) => {
        const page = readPage(file, { css: options.css, warn: output.err });
        const targets = options.select === undefined ? undefined : select(page, options.select);
        if (targets && !targets.length) throw new Failure(`Nothing in ${file} matches ${options.select}.`);
        return environments.flatMap(([size, where]) =>
          pageLedger(page, {
            environment: where,
            states: wantedStates,
            level,
            ...(targets ? { within: targets.map((target) => target.element) } : {}),
          }).map((entry) => recordOf(entry, file, size)),
        );
      });
      if (format === 'json') output.out(JSON.stringify(records, null, 2));
      else if (format === 'ndjson') for (const record of records) output.out(JSON.stringify(record));
      else printTable(records, output);
      const failing = failOn === 'never' ? [] : failOn === 'unsure' ? ['short', 'unsure'] : ['short'];
      if (records.some((record) => failing.includes(record.verdict))) exit(1);
    });
}
