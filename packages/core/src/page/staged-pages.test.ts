import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { LookedPages } from '../incremental/looked-pages.js';
import { EMPTY_LOOK } from '../look/model.js';
import { demoPage, pageOf } from '../testing/page.js';
import { textOf } from '../tree/tree.js';

const disabled = (order: number) => [{ order, name: 'disabled', value: '' }];

describe('a page in the states of its markup', () => {
  const form = pageOf(`<form>${'<input>'.repeat(300)}</form>`, 'input:disabled { color: gray } input { color: teal }');

  it('is made once for each of the states that a long form has', () => {
    const inputs = form.tree.elements.filter(({ name }) => name === 'input');
    const stages = inputs.map(({ order }) => form.pages.at(disabled(order)));
    expect(new Set(stages).size).toBe(300);
    inputs.forEach(({ order }, i) => expect(form.pages.at(disabled(order))).toBe(stages[i]));
    for (const [i, { order }] of inputs.entries()) {
      const { tree } = stages[i]!;
      const colours = inputs.map((input) =>
        stages[i]!.stylesFor(DESKTOP).at().of(tree.elements[input.order]!).text('color'),
      );
      expect(colours.filter((colour) => colour === 'rgb(128, 128, 128)')).toHaveLength(1);
      expect(stages[i]!.stylesFor(DESKTOP).at().of(tree.elements[order]!).text('color')).toBe('rgb(128, 128, 128)');
    }
  });

  it('puts what is seldom asked for away, and makes it again the same', () => {
    const [first, ...others] = form.tree.elements.filter(({ name }) => name === 'input');
    const page = pageOf(`<form>${'<input>'.repeat(1500)}</form>`, 'input:disabled { color: gray }');
    const before = page.pages.at(disabled(first!.order));
    for (let order = first!.order + 1; order < first!.order + 600; order++) page.pages.at(disabled(order));
    const again = page.pages.at(disabled(first!.order));
    expect(others.length).toBeGreaterThan(0);
    expect(again).not.toBe(before);
    const [old, made] = [before, again].map((stage) =>
      stage.stylesFor(DESKTOP).at().of(stage.tree.elements[first!.order]!).text('color'),
    );
    expect(made).toBe(old);
  });

  it('holds what the page holds', () => {
    const { tree, pages } = demoPage('booking.html');
    const staged = pages.at([{ order: 1, name: 'lang', value: 'cy' }]).tree;
    expect(textOf(staged.root)).toBe(textOf(tree.root));
    for (const element of staged.elements) {
      for (const child of element.children) expect(child.parent).toBe(element);
      const inside = element.content.filter((item) => typeof item !== 'string');
      expect(inside).toEqual(element.children);
    }
  });

  it('is the site’s own under a look that says nothing', () => {
    const looked = new LookedPages(form.pages, ['field']).under(EMPTY_LOOK, DESKTOP, undefined, () => []);
    expect(looked.pages).toBe(form.pages);
    expect(looked.frames).toEqual([]);
  });
});
