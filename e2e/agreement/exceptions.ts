import type { Difference } from './compare';

/** A difference that is known, with its cause. */
export interface Exception {
  readonly cause: string;
  readonly covers: (difference: Difference) => boolean;
}

/** Two legacy colours whose channels differ by one step of 255 at most. */
function oneStepApart(a: string, b: string): boolean {
  const [left, right] = [a.match(/\d+/g)?.map(Number) ?? [], b.match(/\d+/g)?.map(Number) ?? []];
  return (
    /^rgba?\(/.test(a) && left.length === right.length && left.every((value, i) => Math.abs(value - right[i]!) <= 1)
  );
}

/** Every way in which the core is known to differ from Chromium on the pages of the suite. */
export const EXCEPTIONS: readonly Exception[] = [
  {
    cause:
      'A channel of hsl() that lies on the very edge between two bytes may fall to the other: 5 of 9120 colours of a grid.',
    covers: ({ core, browser }) => oneStepApart(core, browser),
  },
  {
    cause: 'A picture that is not loaded is shown as its text, whose width Chromium takes from layout.',
    covers: ({ where, property }) => where.startsWith('input') && property === 'width',
  },
  {
    cause: 'Conversions to lab() and its kin differ in the fifth digit, since Chromium uses its own matrices.',
    covers: ({ core, browser }) => /^(ok)?l(ab|ch)\(/.test(core) && /^(ok)?l(ab|ch)\(/.test(browser),
  },
];

export const unexplained = (differences: readonly Difference[]): Difference[] =>
  differences.filter((difference) => !EXCEPTIONS.some((exception) => exception.covers(difference)));
