import { describe, expect, it } from '@jest/globals';
import { ComponentSession, EMPTY_LOOK, PageSession, type Look, type Setting } from '@retoque/core';
import { servedTogether } from './shared-rule';

/** The cells of a menu's text colour under a look. */
function cells(css: string, settings: readonly Setting[] = []) {
  const html = `<!doctype html><style>${css}</style><nav class="m"><a href="#1">One</a><a href="#2">Two</a></nav>`;
  const page = new PageSession({ html, address: 'https://page.invalid/', sheets: [] });
  const found = page.components().find(({ kind }) => kind === 'menu')!;
  const look: Look = { ...EMPTY_LOOK, settings };
  const { rows } = new ComponentSession(page, found.kind, found.locator).sheet(look, { unfolded: ['link'] });
  return rows.find(({ part, row }) => part === 'link' && row.key === 'text')!.cells;
}

const set = (...states: ('hover' | 'focus' | 'focus-visible')[]): Setting => ({
  part: 'link',
  property: 'color',
  value: '#112233',
  when: { states: states.map((state) => ({ part: 'link', state })) },
});

describe('states that one rule of the site serves', () => {
  const CSS = '.m a { color: navy } .m a:hover, .m a:focus { color: teal } .m a:active { color: red }';

  it('are offered where one of them was changed', () => {
    expect(servedTogether(cells(CSS, [set('hover')]), 'hover')).toEqual(['focus']);
    expect(servedTogether(cells(CSS, [set('focus', 'focus-visible')]), 'focus')).toEqual(['hover']);
  });

  it('are not where nothing was changed, or both were', () => {
    expect(servedTogether(cells(CSS), 'hover')).toEqual([]);
    expect(servedTogether(cells(CSS, [set('hover'), set('focus', 'focus-visible')]), 'hover')).toEqual([]);
  });

  it('are not where each has a rule of its own, or the rule is that of rest', () => {
    const apart = '.m a { color: navy } .m a:hover { color: teal } .m a:focus { color: teal }';
    expect(servedTogether(cells(apart, [set('hover')]), 'hover')).toEqual([]);
    expect(servedTogether(cells('.m a { color: navy }', [set('hover')]), 'hover')).toEqual([]);
  });
});
