import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { isRequired } from '../check/check.js';
import { toHex } from '../colour/print.js';
import { columnNamed } from '../component/states.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK, statesOf, type Look } from '../look/model.js';
import { anyColour, opaque } from '../testing/arbitraries.js';
import { looksFor } from '../testing/looks.js';
import { demoPage, pageOf } from '../testing/page.js';
import { ComponentSession } from '../session/component-session.js';
import { checkKey, isDue } from '../ledger/due.js';
import type { PageSession } from '../parts/page-session.js';
import { solve } from './solve.js';

const viewports = [
  { name: 'wide', environment: { ...DESKTOP, ...VIEWPORTS.wide } },
  { name: 'narrow', environment: { ...DESKTOP, ...VIEWPORTS.narrow } },
];
const request = { viewports, at: 'wide' };

const componentOf = (page: PageSession, kind: string) => {
  const found = page.components().find((item) => item.kind === kind)!;
  return new ComponentSession(page, found.kind, found.locator);
};

const BODY = `<header class="top"><nav aria-label="Main"><ul><li><a href="#1" aria-current="page">One</a></li>
  <li><a href="#2">Two</a><ul><li><a href="#3">Three</a></li></ul></li></ul></nav><a class="btn" href="#b">Book</a></header>`;

interface Colours {
  readonly text: string;
  readonly ground: string;
  readonly hoverText: string;
  readonly hoverGround: string;
  readonly panel: string;
  readonly button: string;
}

const hex = opaque.map(toHex);
const colours: fc.Arbitrary<Colours> = fc.record({
  text: hex,
  ground: hex,
  hoverText: hex,
  hoverGround: anyColour.map(toHex),
  panel: hex,
  button: hex,
});

const menu = ({ text, ground, hoverText, hoverGround, panel, button }: Colours) =>
  componentOf(
    pageOf(
      BODY,
      `.top { color: #fff; background: ${ground} } .top a { color: ${text}; padding: 8px; display: block }
      .top a:hover { background: ${hoverGround}; color: ${hoverText} } .top a[aria-current] { background: ${panel} }
      .top ul ul { background: ${panel} } .top a.btn { background: ${button} } .top a:focus-visible { outline: none }
      @media (max-width: 500px) { .top { background: ${panel} } }`,
    ),
    'menu',
  );

const dueOf = (session: ComponentSession, look: Look) => session.ledger(look, request).filter((check) => isDue(check));

describe('all of a component solved in one step', () => {
  it('mends what it says, leaves what it says, and makes nothing else fall short, whatever the colours', () => {
    fc.assert(
      fc.property(colours, (of) => {
        const session = menu(of);
        const before = dueOf(session, EMPTY_LOOK).map(checkKey);
        const { settings, mended, unmet } = solve(session, EMPTY_LOOK, { of: 'component' }, request);
        // A session that knows nothing of what was tried comes to the same.
        const after = dueOf(menu(of), changeLook(EMPTY_LOOK, settings)).map(checkKey);
        expect(after.filter((key) => !before.includes(key))).toEqual([]);
        expect(after.sort()).toEqual(unmet.map(({ check }) => checkKey(check)).sort());
        expect([...mended.map(checkKey), ...after].sort()).toEqual([...before].sort());
        for (const { why } of unmet) expect(why).toMatch(/\.$/);
      }),
      { numRuns: 15 },
    );
  });

  it('meets every demand where one colour for each text and ground is enough', () => {
    fc.assert(
      fc.property(hex, hex, (text, ground) => {
        const css = `.b { display: inline-block; padding: 8px 16px; color: ${text}; background: ${ground} } .b:hover { color: ${ground} } .b:focus-visible { outline: none }`;
        const session = componentOf(pageOf('<p>Words <a class="b" href="#">Board</a></p>', css), 'button');
        const due = dueOf(session, EMPTY_LOOK).filter(({ criterion }) => criterion !== '2.5.8');
        const { mended, unmet } = solve(session, EMPTY_LOOK, { of: 'component' }, request);
        expect(mended.length).toBe(due.length);
        expect(unmet.filter(({ check }) => check.criterion !== '2.5.8')).toEqual([]);
      }),
      { numRuns: 25 },
    );
  });

  it('changes nothing where nothing is due, and nothing more once it is solved', () => {
    const session = componentOf(demoPage(), 'cookie-notice');
    const { settings } = solve(session, EMPTY_LOOK, { of: 'component' }, request);
    const again = solve(session, changeLook(EMPTY_LOOK, settings), { of: 'component' }, request);
    expect(settings.length).toBeGreaterThan(0);
    expect(again).toMatchObject({ settings: [], mended: [], distance: 0 });
  });
});

describe('what levels A and AA ask', () => {
  it('is the same asked for alone as among all checks, under any look', () => {
    const session = componentOf(demoPage(), 'cookie-notice');
    const { parts } = session.sheet(EMPTY_LOOK);
    fc.assert(
      fc.property(looksFor(session, parts, 'home'), (look) => {
        const all = session.ledger(look, request).filter(({ criterion }) => isRequired(criterion));
        const byKey = new Map(all.map((check) => [checkKey(check), check]));
        const alone = session.requiredChecks(look, request);
        expect(new Map(alone.map((check) => [checkKey(check), check]))).toEqual(byKey);
      }),
      { numRuns: 15 },
    );
  });
});

describe('whatIf', () => {
  const session = componentOf(demoPage(), 'menu');
  const { parts } = session.sheet(EMPTY_LOOK);
  const rows = { text: 'color', background: 'background-color' } as const;

  it('name the columns that would follow another, as the sheet shows them once it is set', () => {
    fc.assert(
      fc.property(looksFor(session, parts, 'home'), fc.constantFrom(...parts), (look, { name }) => {
        const sheet = { environment: DESKTOP, unfolded: [name], whole: [name] };
        const { carrier, columns } = parts.find((part) => part.name === name)!;
        for (const [key, property] of Object.entries(rows)) {
          for (const column of columns) {
            const when = { states: statesOf(carrier, columnNamed(column)!.atoms) };
            const set = changeLook(look, [{ part: name, property, when, value: '#010203' }]);
            const found = session.sheet({ ...set, exceptions: [] }, sheet).rows;
            const row = found.find((item) => item.part === name && item.row.key === key)!;
            const cells = row.cells.filter(({ applies }) => applies);
            const shown = cells.filter((cell) => cell.column === column || cell.follows === column);
            const followers = session.whatIf.followers(
              { ...look, exceptions: [] },
              { part: name, property, column },
              sheet,
            );
            const able = followers.filter((item) => cells.some((cell) => cell.column === item.name));
            expect(able.map((item) => item.name).sort()).toEqual(shown.map((cell) => cell.column).sort());
          }
        }
      }),
      { numRuns: 8 },
    );
  });

  it('name every text in which a changed colour is seen', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...parts),
        fc.nat(),
        fc.constantFrom(...Object.values(rows)),
        hex,
        (part, which, property, value) => {
          const column = columnNamed(part.columns[which % part.columns.length]!)!;
          const slot = { part: part.name, property, when: { states: statesOf(part.carrier, column.atoms) } };
          const showing = session.whatIf.showing(EMPTY_LOOK, slot, request);
          const places = new Set(showing.map((at) => `${at.part} ${at.column} ${at.viewport}`));
          const before = new Map(session.requiredChecks(EMPTY_LOOK, request).map((check) => [checkKey(check), check]));
          const changed = session
            .requiredChecks(changeLook(EMPTY_LOOK, [{ ...slot, value }]), request)
            .filter((check) => check.criterion === '1.4.3')
            .filter((check) => before.get(checkKey(check))?.measured !== check.measured)
            .map((check) => `${check.part} ${check.column} ${check.viewport}`);
          expect(changed.filter((place) => !places.has(place))).toEqual([]);
        },
      ),
      { numRuns: 60 },
    );
  });
});
