import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { DESKTOP } from '../css/conditions/environment.js';
import { ACTIVE, CURRENT, DISABLED, FOCUS, FOCUS_VISIBLE, HOVER } from '../css/selector/states.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';
import { siteWinners } from './site-winners.js';
import { Forcer } from '../component/subject.js';

/** More states than most rules mention. */
const ALL = HOVER | FOCUS | FOCUS_VISIBLE | ACTIVE | CURRENT | DISABLED;
const BODY =
  '<main><p class="row"><button class="go">Go</button> <button class="go" aria-current="page">Stay</button></p></main>';

function winnersOf(css: string) {
  const page = pageOf(BODY, css);
  const found = page.components().find(({ kind }) => kind === 'button')!;
  const subject = new ComponentSession(page, found.kind, found.locator).standingFor('button');
  return siteWinners(page.pages, DESKTOP, subject, new Forcer(), ALL);
}

describe('what the site alone says of an element', () => {
  it('is in each state what wins in that very state, though it is looked up in those that rules mention', () => {
    const outer = fc.constantFrom('', '.row ', '.row:hover ', 'main:focus-within ', '.row:has(:active) ');
    const state = fc.constantFrom(
      '',
      ':hover',
      ':focus',
      ':focus-visible',
      ':active',
      ':focus-within',
      ':disabled',
      '[disabled]',
      '[aria-current]',
      ':not(:hover)',
      ':not(:focus-within)',
      ':is(:hover, :focus):active',
    );
    const rule = fc
      .tuple(outer, fc.constantFrom('.go', 'button', '.row > .go:first-child'), state, fc.integer({ min: 0, max: 255 }))
      .map(([around, own, when, level]) => `${around}${own}${when} { color: rgb(${level} 0 0) }`);
    fc.assert(
      fc.property(fc.array(rule, { maxLength: 6 }), (rules) => {
        const winners = winnersOf(rules.join('\n'));
        expect(winners.sets.length).toBeGreaterThan(12);
        for (const bits of winners.sets) {
          const direct = winners.style(bits).winner('color')?.declaration.value;
          expect([bits, winners.winner('color', bits)?.declaration.value]).toEqual([bits, direct]);
        }
      }),
      { numRuns: 120 },
    );
  });

  it('belongs to the smallest set in which it wins already', () => {
    const winners = winnersOf('.go { color: red } .go:focus-within { color: green } .go:hover:active { color: blue }');
    expect(winners.belongs('color', HOVER)).toBe(0);
    expect(winners.winner('color', FOCUS)?.declaration.value).toBe('green');
    expect(winners.winner('color', HOVER | ACTIVE)?.declaration.value).toBe('blue');
    expect(winners.belongs('color', HOVER | ACTIVE)).toBe(HOVER | ACTIVE);
  });
});
