import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { toHex } from '../colour/print.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK } from '../look/model.js';
import { geometryOf } from '../page/geometry.js';
import { opaque } from '../testing/arbitraries.js';
import { demoPage, pageOf } from '../testing/page.js';
import { ComponentSession } from '../session/component-session.js';
import { Remedies } from './remedies.js';
import { solve } from './solve.js';
import type { LedgerCheck } from '../ledger/ledger-check.js';

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));
const request = { viewports, at: 'wide' };
const only = { viewports: viewports.slice(0, 1), at: 'wide' };

function button(css: string, body = '<p>Words <a class="b" href="#">Board</a></p>') {
  const page = pageOf(body, css);
  const found = page.components().find(({ kind }) => kind === 'button')!;
  return new ComponentSession(page, found.kind, found.locator);
}
const short = (checks: readonly LedgerCheck[], criterion = '1.4.3') =>
  checks.filter((check) => check.verdict === 'short' && check.criterion === criterion);
const BUTTON = 'display: inline-block; padding: 8px 16px; border-radius: 4px';

describe('a suggested fix', () => {
  it('always passes when it is used, whatever the colours', () => {
    fc.assert(
      fc.property(opaque, opaque, (text, ground) => {
        const session = button(`.b { ${BUTTON}; color: ${toHex(text)}; background: ${toHex(ground)} }`);
        for (const check of short(session.ledger(EMPTY_LOOK, only)).slice(0, 1)) {
          const ways = new Remedies(session, EMPTY_LOOK, only).propose(check);
          expect(ways.length).toBeGreaterThan(0);
          for (const way of ways) {
            const after = session.ledger(changeLook(EMPTY_LOOK, way.settings), only);
            const same = after.find(
              (item) => item.demand === check.demand && item.column === check.column && item.part === check.part,
            )!;
            expect(same.verdict).toBe('passes');
            expect(same.measured).toBe(way.after.measured);
          }
        }
      }),
      { numRuns: 12 },
    );
  });

  it('names every value that it changes, and what it makes fall short', () => {
    // The text is black on white at rest, and on dark in the hover: one colour for both there is none.
    const session = button(`.b { ${BUTTON}; color: #777; background: #fff } .b:hover { background: #333 }`);
    const check = short(session.ledger(EMPTY_LOOK, only)).find(({ column }) => column === 'default')!;
    const ways = new Remedies(session, EMPTY_LOOK, only).propose(check);
    const ground = ways.find(({ settings }) => settings[0]!.property === 'color');
    for (const way of ways) {
      const next = changeLook(EMPTY_LOOK, way.settings);
      const after = short(session.ledger(next, only)).map(({ column }) => column);
      const before = short(session.ledger(EMPTY_LOOK, only)).map(({ column }) => column);
      const fresh = after.filter((column) => !before.includes(column));
      const told = way.breaks.filter(({ criterion }) => criterion === '1.4.3').map(({ column }) => column);
      expect(told.sort()).toEqual(fresh.sort());
      expect(way.alters.length).toBeGreaterThan(0);
    }
    expect(ground ?? ways[0]).toBeDefined();
  });

  it('may be weight, where that makes the text large', () => {
    const session = button(`.b { ${BUTTON}; font-size: 20px; color: #888; background: #fff }`);
    const [check] = short(session.ledger(EMPTY_LOOK, only));
    const kinds = new Remedies(session, EMPTY_LOOK, only).propose(check!).map(({ kind }) => kind);
    expect(kinds).toContain('weight');
    expect(kinds).toContain('size');
  });

  it('gives a control a ring where nothing shows the focus', () => {
    const session = button(`.b { ${BUTTON}; color: #fff; background: #0b5563 } .b:focus-visible { outline: none }`);
    const [check] = short(session.ledger(EMPTY_LOOK, only), '2.4.7');
    const [way] = new Remedies(session, EMPTY_LOOK, only).propose(check!);
    expect(way).toMatchObject({ kind: 'ring', breaks: [] });
  });

  it('puts the ring within a control whose surroundings cut it off', () => {
    const page = pageOf(
      '<div class="g"><a class="b" href="#">Board</a></div>',
      `.g { overflow: hidden } .b { ${BUTTON}; color: #fff; background: #0b5563 } .b:focus-visible { outline: 2px solid #000; outline-offset: 2px }`,
    );
    // All stands as tight as can be.
    const box = [20, 20, 120, 40] as const;
    const boxes = page.tree.elements.map(({ order }) => ({ order, box, lines: [box] }));
    page.measures.setGeometry(geometryOf(DESKTOP, boxes));
    const found = page.components().find(({ kind }) => kind === 'button')!;
    const session = new ComponentSession(page, found.kind, found.locator);
    const alone = { viewports: [{ name: 'wide', environment: DESKTOP }], at: 'wide' };
    const [check] = short(session.ledger(EMPTY_LOOK, alone), '2.4.7');
    const [way] = new Remedies(session, EMPTY_LOOK, alone).propose(check!);
    expect(way).toMatchObject({ kind: 'ring', breaks: [], words: expect.stringContaining('within') as unknown });
    const after = session.ledger(changeLook(EMPTY_LOOK, way!.settings), alone);
    expect(short(after, '2.4.7')).toEqual([]);
    expect(short(after, '1.4.11')).toEqual([]);
  });

  it('takes the dip out of a change over time', () => {
    const session = button(
      `.b { ${BUTTON}; color: #fff; background: #123; transition: background-color .4s } .b:hover { color: #123; background: #fff }`,
    );
    const [check] = short(session.ledger(EMPTY_LOOK, only), 'transition');
    expect(check!.reason).toMatch(/short for \d+ of 400 ms/);
    const ways = new Remedies(session, EMPTY_LOOK, only).propose(check!);
    expect(ways.map(({ kind }) => kind)).toContain('timing');
  });
});

describe('solving together', () => {
  it('makes every state of the demo’s cookie notice pass in one step, and says what cannot be met', () => {
    const page = demoPage();
    const found = page.components().find(({ kind }) => kind === 'cookie-notice')!;
    const session = new ComponentSession(page, found.kind, found.locator);
    const before = short(session.ledger(EMPTY_LOOK, request));
    expect(before.length).toBeGreaterThan(3);
    const solution = solve(session, EMPTY_LOOK, { of: 'component' }, request);
    const after = short(session.ledger(changeLook(EMPTY_LOOK, solution.settings), request));
    const unmet = new Set(solution.unmet.map(({ check }) => `${check.part} ${check.column} ${check.viewport}`));
    expect(after.filter((check) => !unmet.has(`${check.part} ${check.column} ${check.viewport}`))).toEqual([]);
    expect(solution.mended.length).toBeGreaterThan(3);
    for (const { why } of solution.unmet) expect(why).toBeTruthy();
  });

  it('leaves other parts alone when one part is asked for', () => {
    const page = demoPage();
    const found = page.components().find(({ kind }) => kind === 'cookie-notice')!;
    const session = new ComponentSession(page, found.kind, found.locator);
    const { settings } = solve(session, EMPTY_LOOK, { of: 'part', part: 'save' }, only);
    expect(new Set(settings.map(({ part }) => part))).toEqual(new Set(['save']));
  });

  it('replaces one colour wherever it is, or says that none passes everywhere', () => {
    const session = button(`.b { ${BUTTON}; color: #999; background: #fff } .b:hover { background: #f4f4f4 }`);
    const good = solve(session, EMPTY_LOOK, { of: 'colour', colour: '#999999' }, only);
    expect(new Set(good.settings.map(({ value }) => value)).size).toBe(1);
    expect(short(session.ledger(changeLook(EMPTY_LOOK, good.settings), only))).toEqual([]);
    const torn = button(
      `.b { ${BUTTON}; color: #999; background: #fff } .b:hover { background: #000 } .b:focus-visible { background: #777 }`,
    );
    const none = solve(torn, EMPTY_LOOK, { of: 'colour', colour: '#999999' }, only);
    if (!none.settings.length) expect(none.unmet[0]!.why).toMatch(/No one colour/);
  });
});
