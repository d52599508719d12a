import Table from 'cli-table3';

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

/** Columns of text, without lines or colours, so that other programs can read them too. */
export function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const printed = new Table({
    head: [...head],
    chars: NO_LINES,
    style: { head: [], border: [], 'padding-left': 0, 'padding-right': 0 },
  });
  printed.push(...rows.map((row) => [...row]));
  return printed
    .toString()
    .split('\n')
    .map((line) => line.trimEnd())
    .join('\n');
}
