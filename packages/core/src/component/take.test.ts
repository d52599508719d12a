import { describe, expect, it } from '@jest/globals';
import { selectAll } from '../css/selector/locator.js';
import { placeOn } from '../parts/placed-component.js';
import { DEMO_PAGES, demoPage, pageOf } from '../testing/page.js';

const at = (body: string, selector: string, css = '') => {
  const page = pageOf(body, css);
  return page.proposalsAt(selectAll(page.tree, selector)[0]!.order);
};
const shown = (proposals: ReturnType<typeof at>) =>
  proposals.map(({ as, kind, selector, reach }) => `${as} ${kind} ${selector} ${reach}`);

describe('what can be taken where somebody points', () => {
  it('is the nearest component first, then the element, then what holds it', () => {
    const body = '<main><form class="f"><p class="hint">All of it</p><label>Name <input></label></form></main>';
    expect(shown(at(body, '.hint'))).toEqual(['component form .f 1', 'element block .hint 1', 'holder block main 1']);
  });

  it('is anything at all, whatever it is called', () => {
    const body =
      '<div class="q1"><div aria-roledescription="carousel" class="q2"><div class="q3">One</div></div></div>';
    expect(shown(at(body, '.q3'))).toEqual(['element block .q3 1', 'holder block .q2 1', 'holder block .q1 1']);
  });

  it('reaches what is alike, and can be had alone', () => {
    const body = '<section id="a"><p class="lead">One</p></section><section><p class="lead">Two</p></section>';
    const [both, one] = at(body, '#a .lead');
    expect(both).toMatchObject({ selector: '.lead', reach: 2 });
    expect(one).toMatchObject({ selector: '#a p.lead', reach: 1 });
  });

  it('is no component that the element stands in and is none of', () => {
    const body =
      '<header class="h"><div><nav><a href="#1">A</a><a href="#2">B</a></nav></div><div class="hero"><h1>Five isles</h1></div></header>';
    expect(shown(at(body, 'h1'))[0]).toBe('element block h1 1');
    expect(shown(at(body, 'nav a'))[0]).toBe('component menu .h 1');
  });

  it.each(DEMO_PAGES)('can be placed with its parts, for every element of %s', (file) => {
    const page = demoPage(file);
    const body = page.tree.elements.find(({ name }) => name === 'body')!;
    for (const { order, name } of page.tree.elements) {
      if (order <= body.order || ['path', 'circle', 'option'].includes(name)) continue;
      const proposals = page.proposalsAt(order);
      expect(proposals.some(({ as, elements }) => as !== 'holder' && elements.includes(order))).toBe(true);
      for (const proposal of proposals) {
        expect(selectAll(page.tree, proposal.selector).map((element) => element.order)).toEqual(
          [...proposal.elements].sort((a, b) => a - b),
        );
      }
      const own = proposals.find(({ as }) => as === 'element');
      if (own) expect(placeOn(page, own).parts.length).toBeGreaterThan(0);
    }
  });
});
