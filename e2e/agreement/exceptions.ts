import type { Difference } from './compare';

/** A difference that is known, with its cause. */
export interface Exception {
  readonly cause: string;
  readonly covers: (difference: Difference) => boolean;
}

/** Every way in which the core is known to differ from Chromium on the pages of the suite. */
export const EXCEPTIONS: readonly Exception[] = [
  {
    cause: 'Conversions to lab() and its kin differ in the fifth digit, since Chromium uses its own matrices.',
    covers: ({ core, browser }) => /^(ok)?l(ab|ch)\(/.test(core) && /^(ok)?l(ab|ch)\(/.test(browser),
  },
];

export const unexplained = (differences: readonly Difference[]): Difference[] =>
  differences.filter((difference) => !EXCEPTIONS.some((exception) => exception.covers(difference)));
