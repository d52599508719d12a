import { describe, expect, it } from '@jest/globals';
import { NO_TALLY, REST } from '@retoque/core';
import type { FoundWithChecks } from '../engine/protocol';
import { summaryOf } from './summary';

const item = (more: Partial<FoundWithChecks> = {}) =>
  ({ ...NO_TALLY, passes: 3, region: 'Header', counted: true, ...more }) as FoundWithChecks;
const rest = (more: Partial<FoundWithChecks> = {}) => item({ region: REST, ...more });

describe('the summary of a page', () => {
  it('says that all is well only where all of it was measured and passes', () => {
    expect(summaryOf([item(), rest()])).toMatch(/all text and controls with enough contrast/);
    for (const flaw of [{ short: 1 }, { unsure: 1 }, { unseen: 1 }, { counted: false }]) {
      expect(summaryOf([item(), rest(flaw)])).not.toMatch(/enough/);
      expect(summaryOf([item(flaw), rest()])).not.toMatch(/enough/);
    }
  });

  it('names each flaw with how many have it', () => {
    expect(summaryOf([item({ short: 2 }), item({ unsure: 1 }), rest({ short: 1 })])).toBe(
      '2 components, and the rest of the page in 1 section: 2 fail on contrast, 1 with figures that are unsure.',
    );
    expect(summaryOf([item({ unseen: 2 })])).toBe('1 component: 1 in part not shown here, so not measured.');
  });

  it('offers to point where nothing was recognised', () => {
    expect(summaryOf([])).toBe('No components were found on this page. Point at anything to take it.');
    expect(summaryOf([rest()])).toMatch(/^No components were found .* Point at anything/);
  });
});
