import { describe, expect, it } from '@jest/globals';
import { changeLook, EMPTY_LOOK, type Look } from '../look/model.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';

const menu = (links: string, css: string) => {
  const page = pageOf(`<nav aria-label="Main"><ul>${links}</ul></nav>`, css);
  const found = page.components().find(({ kind }) => kind === 'menu')!;
  const bench = new ComponentSession(page, found.kind, found.locator);
  const cell = (column: string, look: Look = EMPTY_LOOK) =>
    bench
      .sheet(look, { unfolded: ['link'] })
      .rows.find(({ part, row }) => part === 'link' && row.key === 'text')!
      .cells.find((item) => item.column === column)!;
  const words = (column: string, look?: Look) =>
    cell(column, look).differs?.map(({ value, members }) => `${value} ×${members.length}`);
  return { cell, words };
};
const set = (value: string, more: object = {}) =>
  changeLook(EMPTY_LOOK, [{ part: 'link', property: 'color', value, when: { states: [] }, ...more }]);

describe('a cell of a part of several elements', () => {
  const LINKS = '<li><a href="#1">One</a></li><li><a href="#2">Two</a></li><li class="new"><a href="#3">New</a></li>';
  const CSS = 'a { color: #fff } ul .new a { color: #bfe9ff } a:hover { color: #ff0 }';

  it('says each value with how many have it, in each state', () => {
    const { words } = menu(LINKS, CSS);
    expect(words('default')).toEqual(['rgb(255, 255, 255) ×2', 'rgb(191, 233, 255) ×1']);
    // `ul .new a` weighs more than `a:hover`.
    expect(words('hover')).toEqual(['rgb(255, 255, 0) ×2', 'rgb(191, 233, 255) ×1']);
  });

  it('says nothing of the sort where all are alike, and where a value is set for all', () => {
    expect(menu('<li><a href="#1">One</a></li><li><a href="#2">Two</a></li>', CSS).words('default')).toBeUndefined();
    expect(menu(LINKS, CSS).words('default', set('#123456'))).toBeUndefined();
  });

  it('leaves members of an exception out, which have a place of their own', () => {
    const look: Look = {
      ...set('red', { exception: 'x' }),
      exceptions: [{ id: 'x', name: 'New', part: 'link', members: ['.new a'] }],
    };
    expect(menu(LINKS, CSS).words('default', look)).toBeUndefined();
  });

  it('does not take a current item for another value, however many marks it has', () => {
    const links = '<li><a href="#1" class="item-current" aria-current="page">One</a></li><li><a href="#2">Two</a></li>';
    const css = 'a { color: #fff } .item-current { color: #bfe9ff } [aria-current] { font-weight: 700 }';
    const { words, cell } = menu(links, css);
    expect(words('default')).toBeUndefined();
    expect(cell('default').computed).toBe('rgb(255, 255, 255)');
    expect(cell('current').computed).toBe('rgb(191, 233, 255)');
  });
});
