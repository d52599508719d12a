import stringWidth from 'string-width';

const PLAIN = /^[\x20-\x7e]*$/;
/** Columns that a terminal takes for a text. */
const widthOf = (text: string): number => (PLAIN.test(text) ? text.length : stringWidth(text));
const GAP = '  ';

/** Columns of text, without lines or colours, so that other programs can read them too. */
export function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const all = [head, ...rows];
  const widths = head.map((_name, i) => all.reduce((most, row) => Math.max(most, widthOf(row[i]!)), 0));
  const padded = (text: string, i: number) => text + ' '.repeat(widths[i]! - widthOf(text));
  return all.map((row) => row.map(padded).join(GAP).trimEnd()).join('\n');
}
