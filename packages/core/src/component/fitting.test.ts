import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { selectAll } from '../css/selector/locator.js';
import { pageOf } from '../testing/page.js';
import { selectorWithin, tellingApart } from './fitting.js';

const attribute = fc.constantFrom(
  'class="a"',
  'class="b"',
  'class="a is-active"',
  'href="/fares"',
  'href="/quays"',
  'href="#"',
  'type="submit"',
  'aria-label="Close"',
  'aria-current="page"',
  '',
);

/** Rows of links, each with an attribute drawn at random or none, and some of them chosen. */
const rows = fc
  .array(fc.tuple(attribute, fc.boolean()), { minLength: 1, maxLength: 7 })
  .map((links) => {
    const body = links.map(([own]) => `<li><a ${own}>Quay</a></li>`).join('');
    const { tree } = pageOf(`<main><ul class="row">${body}</ul></main>`, '');
    const all = selectAll(tree, 'a');
    const isChosen = (_: unknown, i: number) => links[i]![1];
    return { tree, chosen: all.filter(isChosen), others: all.filter((one, i) => !isChosen(one, i)) };
  })
  .filter(({ chosen }) => chosen.length > 0);

describe('names that tell elements apart', () => {
  it('reach all that are chosen and none of the others, whatever they are called', () => {
    fc.assert(
      fc.property(rows, ({ tree, chosen, others }) => {
        const reached = selectAll(tree, `a:is(${tellingApart(chosen, others).join(', ')})`);
        expect(reached).toEqual(chosen);
      }),
    );
  });

  it('reach the same from what holds them', () => {
    fc.assert(
      fc.property(rows, ({ tree, chosen }) => {
        expect(selectAll(tree, selectorWithin(tree, '.row', chosen))).toEqual(chosen);
      }),
    );
  });

  it('count only where no name is left', () => {
    const { tree } = pageOf(
      '<ul class="row"><li><a href="/fares">Fares</a></li><li><a href="/quays">Quays</a></li><li><a href="#">Top</a></li></ul>',
      '',
    );
    const [fares, quays, top] = selectAll(tree, 'a');
    expect(tellingApart([fares!], [quays!, top!])).toEqual(['[href="/fares"]']);
    expect(selectorWithin(tree, '.row', [quays!])).toBe('.row a[href="/quays"]');
    expect(tellingApart([top!], [fares!, quays!])[0]).toMatch(/nth-child/);
    expect(selectorWithin(tree, '.row', [top!])).toMatch(/nth-child/);
  });

  it('are as few as are common to them', () => {
    const { tree } = pageOf('<p><a id="x" class="a">1</a><a class="a b">2</a><a class="b">3</a><a>4</a></p>', '');
    const [one, two, three, four] = selectAll(tree, 'a');
    expect(tellingApart([one!, two!], [three!, four!])).toEqual(['.a']);
    expect(tellingApart([one!, two!, three!], [four!])).toEqual(['.a', '.b']);
  });

  it('say nothing of the state that an element is in', () => {
    const { tree } = pageOf('<p><a class="is-active" aria-current="page">1</a><a>2</a></p>', '');
    const [one, two] = selectAll(tree, 'a');
    expect(tellingApart([one!], [two!])[0]).toMatch(/nth-child/);
  });
});
