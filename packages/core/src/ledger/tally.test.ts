import { describe, expect, it } from '@jest/globals';
import type { Verdict } from '../check/check.js';
import { tallyAcross, tallyOf } from './tally.js';

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

  it('takes what one width does not show from another, and nothing else', () => {
    const wide = checks('a passes', 'b unseen');
    expect(tallyAcross([wide, checks('a short', 'b short')])).toMatchObject({ short: 1, passes: 1, unseen: 0 });
    expect(tallyAcross([wide, checks('b unseen'), checks('b passes')])).toMatchObject({ passes: 2, unseen: 0 });
    expect(tallyAcross([wide, checks('a short')])).toMatchObject({ short: 0, passes: 1, unseen: 1 });
  });

  it('asks for other widths only where it must', () => {
    let asked = 0;
    function* widths() {
      for (const one of [checks('a passes'), checks('a short')]) {
        asked++;
        yield one;
      }
    }
    expect(tallyAcross(widths())).toMatchObject({ passes: 1, short: 0 });
    expect(asked).toBe(1);
  });
});
