import { describe, expect, it } from '@jest/globals';
import type { Verdict } from '../check/check.js';
import { finish } from '../base/steps.js';
import { tallyAcross, tallyOf, type ChecksAtWidth } from './tally.js';

const checks = (...all: readonly `${string} ${Verdict}`[]) =>
  all.map((text) => {
    const [part, verdict] = text.split(' ') as [string, Verdict];
    return { part, verdict };
  });

describe('the tally of a component', () => {
  it('counts states, and parts that are shown in none', () => {
    expect(tallyOf(checks('a short', 'a passes', 'b unsure', 'c unseen', 'c unseen', 'd unseen', 'd passes'))).toEqual({
      short: 1,
      unsure: 1,
      passes: 2,
      unseen: 1,
    });
    expect(tallyOf([])).toEqual({ short: 0, unsure: 0, passes: 0, unseen: 0 });
  });

  type Checks = ReturnType<typeof checks>;
  /** The tally over some widths, and which parts each of them was asked for. */
  function across(...widths: readonly Checks[]) {
    const asked: (readonly string[] | undefined)[] = [];
    const each = widths.map(
      (own): ChecksAtWidth =>
        function* (parts) {
          asked.push(parts && [...parts]);
          yield { done: 1, of: 1 };
          return own.filter(({ part }) => !parts || parts.has(part));
        },
    );
    return { tally: finish(tallyAcross(each)), asked };
  }

  it('takes what one width does not show from another, and nothing else', () => {
    const wide = checks('a passes', 'b unseen');
    expect(across(wide, checks('a short', 'b short')).tally).toMatchObject({ short: 1, passes: 1, unseen: 0 });
    expect(across(wide, checks('b unseen'), checks('b passes')).tally).toMatchObject({ passes: 2, unseen: 0 });
    expect(across(wide, checks('a short')).tally).toMatchObject({ short: 0, passes: 1, unseen: 1 });
  });

  it('asks for other widths only where it must, and for no more than it must', () => {
    expect(across(checks('a passes'), checks('a short'))).toEqual({
      tally: { short: 0, unsure: 0, passes: 1, unseen: 0 },
      asked: [undefined],
    });
    expect(across(checks('a passes', 'b unseen', 'c unseen'), checks('b passes'), []).asked).toEqual([
      undefined,
      ['b', 'c'],
      ['c'],
    ]);
  });
});
