import { describe, expect, it } from '@jest/globals';
import { rowNamed, type SheetRow } from '@retoque/core';
import { asCss, asTable } from './clipboard';
import { readPasted } from './pasted';
import { cellsOf, oneCell, rangeOf, step, type ShownRow } from './selection';

const shown: ShownRow[] = [
  { part: 'link', row: 'text' },
  { part: 'link', row: 'background' },
  { part: 'link', row: 'padding' },
];
const columns = ['default', 'hover', 'focus'];
const at = (row: string, column: string) => ({ part: 'link', row, column });
const rows = shown.map(({ part, row }): SheetRow => ({
  part,
  row: rowNamed(row)!,
  first: true,
  cells: columns.map((column) => ({ column, applies: true, computed: `${row}-${column}`, own: undefined }) as never),
}));

describe('a selection', () => {
  it('is the rectangle between its ends, whichever way it is drawn', () => {
    const a = { anchor: at('background', 'focus'), head: at('text', 'hover') };
    const b = { anchor: a.head, head: a.anchor };
    expect(cellsOf(rangeOf(a, shown, columns))).toEqual(cellsOf(rangeOf(b, shown, columns)));
    expect(cellsOf(rangeOf(a, shown, columns))).toHaveLength(4);
  });

  it('moves within the sheet and stops at its edges', () => {
    expect(step(at('text', 'default'), shown, columns, 1, 1)).toEqual(at('background', 'hover'));
    expect(step(at('text', 'default'), shown, columns, -1, -1)).toEqual(at('text', 'default'));
    expect(step(at('padding', 'focus'), shown, columns, 9, 9)).toEqual(at('padding', 'focus'));
  });
});

describe('the clipboard', () => {
  const range = rangeOf({ anchor: at('text', 'default'), head: at('background', 'hover') }, shown, columns);

  it('holds cells as a table and as CSS', () => {
    expect(asTable(range, rows, () => undefined)).toBe(
      'text-default\ttext-hover\nbackground-default\tbackground-hover',
    );
    // What was just set counts before the sheet shows it.
    const own = ({ column }: { column: string }) =>
      column === 'hover' ? { color: 'red', 'background-color': 'red' } : undefined;
    expect(asTable(range, rows, own)).toBe('text-default\tred\nbackground-default\tred');
    expect(asCss(range, rows, () => undefined)).toBe('color: text-default;\nbackground-color: background-default;');
  });

  it('spreads a table to the right and down from the selection', () => {
    const { anchor } = oneCell(at('text', 'hover'));
    const one = rangeOf(oneCell(anchor), shown, columns);
    const { changes, problems } = readPasted(
      '0b5563\t333\r\n255, 255, 255, .5\tnonsense\n',
      anchor,
      one,
      shown,
      columns,
      rowNamed,
    );
    expect(changes.map(({ address, values }) => [address.row, address.column, values])).toEqual([
      ['text', 'hover', { color: '#0b5563' }],
      ['text', 'focus', { color: '#333' }],
      ['background', 'hover', { 'background-color': 'rgb(255 255 255 / .5)' }],
    ]);
    expect(problems).toEqual([expect.stringContaining('“nonsense” is not a CSS colour')]);
  });

  it('fills the whole selection with one value', () => {
    const { changes } = readPasted('gold', at('text', 'default'), range, shown, columns, rowNamed);
    expect(changes).toHaveLength(4);
  });

  it('takes CSS from a document, quotes and spaces mended, and names what it cannot take', () => {
    const text =
      'a:hover {\u00a0color: #fff;\n  font-family: \u201cFigtree\u201d, serif;\n  padding: 1px 2px;\n  colour: red;\n  opacity: much }';
    const one = rangeOf(oneCell(at('text', 'hover')), shown, columns);
    const { changes, problems } = readPasted(text, at('text', 'hover'), one, shown, columns, rowNamed);
    expect(changes).toHaveLength(1);
    expect(changes[0]!.values).toEqual({
      color: '#fff',
      'font-family': '"Figtree",serif',
      'padding-top': '1px',
      'padding-right': '2px',
      'padding-bottom': '1px',
      'padding-left': '2px',
    });
    expect(problems).toEqual([expect.stringContaining('colour'), expect.stringContaining('much')]);
  });
});
