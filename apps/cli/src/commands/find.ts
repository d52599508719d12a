import { placeOn, selectAll, type FoundComponent, type PageSession } from '@retoque/core';
import type { Command } from 'commander';
import { collect, oneOf } from '../options.js';
import type { Output } from '../output.js';
import { readPage } from '../read-page.js';
import { table } from '../table.js';

interface Options {
  css: string[];
  format: string;
  rest?: boolean;
}

/** A component as it is printed; `select` reaches all its members, and nothing else where the page tells them apart. */
interface FoundRecord {
  readonly page: string;
  readonly kind: string;
  readonly name: string;
  readonly select: string;
  readonly members: number;
  readonly parts: readonly { readonly name: string; readonly select: string; readonly members: number }[];
}

function recordOf(page: PageSession, file: string, { kind, name, locator, selector }: FoundComponent): FoundRecord {
  const { parts } = placeOn(page, { kind, locator });
  return {
    page: file,
    kind,
    name,
    select: selector,
    members: selectAll(page.tree, selector).length,
    parts: parts.map(({ part, selector: select, elements }) => ({
      name: part.name,
      select: part.pseudo === undefined ? select : `${select}::${part.pseudo}`,
      members: elements.length,
    })),
  };
}

export function addFind(program: Command, output: Output): void {
  program
    .command('find')
    .description('the components of pages, with their parts; a line a component')
    .argument('<pages...>', 'HTML files')
    .option('--css <file>', 'a further sheet, put behind each page’s own; may be repeated', collect, [])
    .option('--rest', 'also what belongs to no component, by section')
    .option('--format <format>', 'table or ndjson', 'table')
    .action((files: string[], options: Options) => {
      const format = oneOf('--format', options.format, ['table', 'ndjson']);
      const records = files.flatMap((file) => {
        const page = readPage(file, { css: options.css, warn: output.err });
        const found = [...page.components(), ...(options.rest ? page.rest() : [])];
        return found.map((component) => recordOf(page, file, component));
      });
      if (format === 'ndjson') for (const record of records) output.out(JSON.stringify(record));
      else if (!records.length) output.out('No components were found.');
      else
        output.out(
          table(
            ['page', 'kind', 'name', 'members', 'parts', 'select'],
            records.map((record) => [
              record.page,
              record.kind,
              record.name,
              String(record.members),
              record.parts.map(({ name, members }) => (members > 1 ? `${name} ×${members}` : name)).join(', '),
              record.select,
            ]),
          ),
        );
    });
}
