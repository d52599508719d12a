import { describe, expect, it } from '@jest/globals';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { changeLook, EMPTY_LOOK, statesOf } from '../look/model.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';
import { kindNamed } from './kinds/index.js';
import { isPartName, ownPartNames, withOwnParts } from './own-parts.js';

const BODY =
  '<main><article class="k"><h3>Isles</h3><p>Words <b class="p">4.20</b> <b class="q">more</b></p><p class="two">Twice a day</p><a class="l" href="#">Book</a></article></main>';
const CSS =
  '.k { background: #fff; color: #333; padding: 20px; border: 1px solid #ccc } .p { color: #999 } .p:hover { color: #bbb }';

function sessionWith(parts: Record<string, string>) {
  const page = pageOf(BODY, CSS);
  const [element] = selectAll(page.tree, '.k');
  return new ComponentSession(page, 'card', locatorFor(element!, '.k'), { parts });
}

describe('a part that the owner adds', () => {
  it('is one like any other: in the sheet, measured, set and proven in every state', () => {
    const session = sessionWith({ 'Price tag': '.k .p' });
    const sheet = session.sheet(EMPTY_LOOK, { unfolded: ['Price tag'] });
    const part = sheet.parts.find(({ name }) => name === 'Price tag')!;
    expect(part).toMatchObject({ label: 'Price tag', selector: '.k .p', reach: 1, corrected: true });
    expect(part.columns).toEqual(expect.arrayContaining(['default', 'hover', 'focus', 'pressed']));
    const text = session.ledger(EMPTY_LOOK, { viewports: [] as never });
    expect(text).toEqual([]);
    expect(
      sheet.checks.filter((check) => check.part === 'Price tag' && check.verdict === 'short').length,
    ).toBeGreaterThan(0);
    const look = {
      ...changeLook(EMPTY_LOOK, [
        { part: 'Price tag', property: 'color', value: '#111111', when: { states: [] } },
        { part: 'Price tag', property: 'color', value: '#7a1f0f', when: { states: statesOf('Price tag', ['hover']) } },
      ]),
      parts: { 'Price tag': '.k .p' },
    };
    const { css, proof } = session.handover(look);
    expect(css).toContain('/* Default */\n.k .p {\n  color: #111111;\n}');
    expect(proof.failures).toEqual([]);
    expect(proof.compared).toBeGreaterThan(0);
    const after = session.sheet(look, { unfolded: [] }).checks;
    expect(after.filter((check) => check.part === 'Price tag' && check.verdict === 'short')).toEqual([]);
  });

  it('takes its elements from the part that had them, so that each is of one part', () => {
    const all = (session: ComponentSession) =>
      session
        .sheet(EMPTY_LOOK)
        .parts.flatMap(({ name, pseudo }) =>
          pseudo ? [] : session.members(name).map(({ order }) => [order, name] as const),
        );
    const before = new Map(all(sessionWith({})));
    const session = sessionWith({ Note: '.k .two' });
    const after = all(session);
    const [note] = selectAll(session.page.tree, '.two');
    expect(before.get(note!.order)).toBeDefined();
    expect(after.filter(([order]) => order === note!.order)).toEqual([[note!.order, 'Note']]);
    expect(new Map(after).size).toBe(after.length);
    expect(new Set(before.keys())).toEqual(new Set(after.map(([order]) => order)));
  });

  it('is said to be missing on a page that has none, and does no harm there', () => {
    const session = sessionWith({ 'Price tag': '.k .nowhere' });
    expect(session.sheet(EMPTY_LOOK).missing.map(({ label }) => label)).toContain('Price tag');
  });

  it('has a name that tells it, and never one of a kind or of JavaScript', () => {
    expect(['Price', 'Preis 2', 'Цена', 'best-offer'].every(isPartName)).toBe(true);
    expect(['', ' x', 'a|b', '__proto__', 'a:hover', 'x'.repeat(41), 'a\nb'].some(isPartName)).toBe(false);
    const card = kindNamed('card')!;
    expect(ownPartNames(card, { [card.parts[0]!.name]: '.x', Price: '.p', __proto__: '.y' } as never)).toEqual([
      'Price',
    ]);
    expect(withOwnParts(card, {})).toBe(card);
    const priced = (selector: string) => withOwnParts(card, { parts: { Price: selector } });
    expect(priced('.p')).toBe(priced('.other'));
  });
});
