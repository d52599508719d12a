import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { starterOf } from '../component/kinds/starters.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { lookOf, settingOf } from '../testing/settings.js';
import { EMPTY_LOOK, type Look } from '../look/model.js';
import { pageOf } from '../testing/page.js';
import { ComponentSession } from '../session/component-session.js';

/** What 2.2.2 asks of a component that was made anew. */
function moves(kind: string, look: Look = EMPTY_LOOK, change: (html: string) => string = (html) => html) {
  const { html, css } = starterOf(kind)!;
  const page = pageOf(`<main><h1>A</h1>${change(html)}</main>`, css);
  const found = page.components().find((own) => own.kind === kind)!;
  return new ComponentSession(page, kind, found.locator)
    .ledger(look, { viewports: [{ name: 'wide', environment: DESKTOP }] })
    .filter(({ criterion }) => criterion === '2.2.2');
}

// WCAG 2.2, 2.2.2 Pause, Stop, Hide.
describe('what a script moves', () => {
  it.each([
    ['announcement', 'notices', '--rq-turn', 'by-hand'],
    ['ticker', 'ticker', '--rq-run-speed', '0px'],
  ])(
    'a %s passes by its pause button, and is not asked where its settings keep it still',
    (kind, _name, property, still) => {
      expect(moves(kind)).toEqual([
        expect.objectContaining({ verdict: 'passes', demand: expect.stringMatching(/-moved$/) }),
      ]);
      expect(moves(kind)[0]!.reason).toContain('pause button');
      const root = moves(kind)[0]!.part;
      expect(moves(kind, lookOf(settingOf(root, property, still)))).toEqual([]);
      // Without a pause button the script moves nothing.
      expect(moves(kind, EMPTY_LOOK, (html) => html.replaceAll('data-do="pause"', ''))).toEqual([]);
    },
  );

  it('says nothing of what has no script of ours', () => {
    const page = pageOf('<p><a class="b" href="#">Board</a></p>', '.b { padding: 9px; background: #046 }');
    const [element] = selectAll(page.tree, '.b');
    const session = new ComponentSession(page, 'button', locatorFor(element!, '.b'));
    const checks = session.ledger(EMPTY_LOOK, { viewports: [{ name: 'wide', environment: DESKTOP }] });
    expect(checks.filter(({ criterion }) => criterion === '2.2.2')).toEqual([]);
  });
});
