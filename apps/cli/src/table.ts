import Table from 'cli-table3';
import stringWidth from 'string-width';

const NO_LINES = {
  top: '',
  'top-mid': '',
  'top-left': '',
  'top-right': '',
  bottom: '',
  'bottom-mid': '',
  'bottom-left': '',
  'bottom-right': '',
  left: '',
  'left-mid': '',
  mid: '',
  'mid-mid': '',
  right: '',
  'right-mid': '',
  middle: '  ',
};

/** Rows that are laid out at a time: the package looks at each row with all others, and widths are known beforehand. */
const AT_ONCE = 40;

/** Columns of text, without lines or colours, so that other programs can read them too. */
export function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const colWidths = head.map((name, i) => rows.reduce((most, row) => Math.max(most, stringWidth(row[i]!)), stringWidth(name)));
  const lines: string[] = [];
  for (let from = 0; from === 0 || from < rows.length; from += AT_ONCE) {
    const printed = new Table({
      ...(from === 0 ? { head: [...head] } : {}),
      colWidths,
      chars: NO_LINES,
      style: { head: [], border: [], 'padding-left': 0, 'padding-right': 0 },
    });
    printed.push(...rows.slice(from, from + AT_ONCE).map((row) => [...row]));
    for (const line of printed.toString().split('\n')) lines.push(line.trimEnd());
  }
  return lines.join('\n');
}
