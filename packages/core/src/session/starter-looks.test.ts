import { describe, expect, it } from '@jest/globals';
import { KINDS } from '../component/kinds/index.js';
import { starterOf } from '../component/kinds/starters.js';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { isDue } from '../ledger/due.js';
import { isShareable } from '../look/finish.js';
import { pageOf } from '../testing/page.js';
import { ComponentSession } from './component-session.js';
import { starterLooks } from './starter-looks.js';

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));
const request = { viewports };
const MADE = KINDS.filter(({ name }) => starterOf(name)).map(({ name }) => [name] as const);

describe('looks to start from', () => {
  it.each(MADE)('%s: there are several, and all that is asked of them passes', (kind) => {
    const looks = starterLooks(kind);
    expect(looks.map(({ name }) => name)).toEqual(['Harbour', 'Heather', 'Rust', 'Moss']);
    const { html, css } = starterOf(kind)!;
    const page = pageOf(`<main>${html}</main>`, css);
    const found = page.components().find((own) => own.kind === kind)!;
    const session = new ComponentSession(page, kind, found.locator);
    for (const { name, look } of looks) {
      expect(look.settings.every(isShareable)).toBe(true);
      const short = session.requiredChecks(look, request).filter((check) => isDue(check));
      expect(
        short.map(({ part, column, demand, measured }) => `${name} ${part} ${column} ${demand} ${measured}`),
      ).toEqual([]);
    }
  });

  it('are other colours of the same lightness, and nothing else', () => {
    const [own, other] = starterLooks('button');
    const plain = (settings: readonly { property: string; value: string }[]) =>
      settings.filter(({ value }) => !/#|rgb/.test(value)).map(({ property, value }) => `${property} ${value}`);
    expect(plain(other!.look.settings)).toEqual(plain(own!.look.settings));
    expect(other!.look.settings).not.toEqual(own!.look.settings);
  });

  it('are whole: what a site says of a state has no part in them', () => {
    const css =
      '.go { display: inline-block; padding: 9px 16px; color: #222; background: #ddd; border: 2px solid #333 } .go:hover { color: #14323a; background: #2a7f8e; border-color: red } .go:active { color: red; opacity: .3 } .go:focus { color: #000 }';
    const page = pageOf('<p>Words <a class="go" href="#b">Board</a></p>', css);
    const found = page.components().find((own) => own.kind === 'button')!;
    const session = new ComponentSession(page, 'button', found.locator);
    for (const { look } of starterLooks('button'))
      expect(session.requiredChecks(look, request).filter((check) => isDue(check))).toEqual([]);
  });

  it('speak of more than the state at rest', () => {
    for (const kind of ['button', 'menu', 'card', 'cookie-notice'])
      expect(starterLooks(kind)[0]!.look.settings.some(({ when }) => when.states.length > 0)).toBe(true);
  });

  it('are none of what is never made', () => {
    expect(starterLooks('section')).toEqual([]);
    expect(starterLooks('nothing of that name')).toEqual([]);
  });
});
