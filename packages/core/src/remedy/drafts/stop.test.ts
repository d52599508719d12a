import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { runsFor, LONGEST_MOTION_MS } from '../../check/motion.js';
import { DESKTOP } from '../../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK } from '../../look/model.js';
import { ComponentSession } from '../../session/component-session.js';
import { pageOf } from '../../testing/page.js';
import { Remedies } from '../remedies.js';
import { solve } from '../solve.js';

const request = { viewports: [{ name: 'wide', environment: DESKTOP }], at: 'wide' };

function moving(animation: string) {
  const css = `@keyframes beat { to { transform: scale(1.1) } } .b { display: inline-block; padding: 9px 20px; background: #046; color: #fff; animation: ${animation} }`;
  const page = pageOf('<p>Words <a class="b" href="#">Board</a></p>', css);
  const found = page.components().find(({ kind }) => kind === 'button')!;
  const session = new ComponentSession(page, found.kind, found.locator);
  const check = session
    .ledger(EMPTY_LOOK, request)
    .find(({ criterion, verdict }) => criterion === '2.2.2' && verdict === 'short');
  return { session, check };
}

describe('what moves by itself', () => {
  // WCAG 2.2, 2.2.2: moving that starts by itself and lasts more than five seconds.
  it('rests within five seconds with the first that is offered, and does not move with the other', () => {
    const { session, check } = moving('beat 1.2s .3s infinite');
    const ways = new Remedies(session, EMPTY_LOOK, request).propose(check!);
    expect(ways.map(({ words }) => words)).toEqual([
      'Button moves 3 times, and rests within five seconds',
      'Button does not move',
    ]);
    expect(ways.map(({ after }) => after.verdict)).toEqual(['passes', 'passes']);
    expect(ways.every(({ breaks }) => !breaks.length)).toBe(true);
  });

  it('is solved with the rest of the component, and moves for no longer whatever its times', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 90 }),
        fc.integer({ min: -20, max: 70 }),
        fc.constantFrom('infinite', '12', '40'),
        (duration, delay, count) => {
          const { session, check } = moving(`beat ${duration / 10}s ${delay / 10}s ${count}`);
          if (!check) return;
          const solved = solve(session, EMPTY_LOOK, { of: 'component' }, request);
          expect(solved.unmet.filter((own) => own.check.criterion === '2.2.2')).toEqual([]);
          const look = changeLook(EMPTY_LOOK, solved.settings);
          const { style } = session.seenUnder(look, 'button', 'default', { environment: DESKTOP });
          expect(runsFor(style)).toBeLessThanOrEqual(LONGEST_MOTION_MS);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('is offered nothing where values do not stop it', () => {
    const page = pageOf(
      '<div class="announce" role="region" aria-label="News"><marquee>News of the day</marquee></div>',
      '',
    );
    let asked = 0;
    for (const { kind, locator } of [...page.components(), ...page.rest()]) {
      const session = new ComponentSession(page, kind, locator);
      for (const check of session.ledger(EMPTY_LOOK, request)) {
        if (check.criterion !== '2.2.2' || check.verdict !== 'short') continue;
        asked++;
        expect(new Remedies(session, EMPTY_LOOK, request).propose(check)).toEqual([]);
      }
    }
    expect(asked).toBeGreaterThan(0);
  });
});
