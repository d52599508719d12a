import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { carrierFor, CarriedStates } from '../component/carriers.js';
import { CARRIED_ATOMS, bitOf } from '../css/selector/states.js';
import { demoPage, pageOf } from '../testing/page.js';
import { parseHtml } from '../tree/parse-html.js';
import { selectAll } from '../css/selector/locator.js';
import { stageTree } from './stage.js';

describe('a staged page', () => {
  it('is the page as if it had been written so', () => {
    const html = '<p class="a">x</p><input placeholder="y"><ul><li><a href="#">z</a></li></ul>';
    const tree = parseHtml(html);
    const [p] = selectAll(tree, 'p');
    const [input] = selectAll(tree, 'input');
    const staged = stageTree(tree, [
      { order: p!.order, name: 'class', value: 'b c' },
      { order: input!.order, name: 'value', value: 'typed' },
    ]);
    const written = parseHtml(html.replace('class="a"', 'class="b c"').replace('<input', '<input value="typed"'));
    const shape = (node: (typeof written.elements)[number]) => [
      node.order,
      node.name,
      node.classes,
      node.siblingIndex,
      node.parent?.order,
    ];
    expect(staged.elements.map(shape)).toEqual(written.elements.map(shape));
    expect(selectAll(staged, '.b.c, input:not(:placeholder-shown)').map(({ order }) => order)).toEqual(
      selectAll(written, '.b.c, input:not(:placeholder-shown)').map(({ order }) => order),
    );
    // The page itself is as it was.
    expect(selectAll(tree, '.a')).toHaveLength(1);
  });

  it('changes nothing where nothing is asked', () => {
    const { tree } = demoPage('booking.html');
    const staged = stageTree(tree, []);
    expect(staged.elements).toHaveLength(tree.elements.length);
    fc.assert(
      fc.property(fc.nat(tree.elements.length - 1), (order) => {
        const [a, b] = [tree.elements[order]!, staged.elements[order]!];
        expect([b.name, b.attributes, b.children.map((child) => child.order)]).toEqual([
          a.name,
          a.attributes,
          a.children.map((child) => child.order),
        ]);
        expect(b.stagedFrom).toBe(a);
      }),
    );
  });
});

describe('states that the markup carries', () => {
  const page = pageOf(
    `<nav><a href="#1" aria-current="page">1</a><a href="#2">2</a></nav>
     <ul><li class="is-active"><a href="#3">3</a></li><li><a href="#4">4</a></li></ul>
     <button disabled>5</button><a id="l" href="#">6</a><input type="checkbox" checked><i role="switch" aria-checked="false"></i>
     <fieldset disabled><button id="g">9</button></fieldset><details open><summary>7</summary></details><input id="f" placeholder="x" required><button role="tab" aria-selected="true">8</button>`,
    '',
  );
  const one = (selector: string) => selectAll(page.tree, selector)[0]!;

  it.each([
    ['current', 'nav a', '[aria-current="page"]', true],
    ['current', 'ul a', '.is-active > *', true],
    ['disabled', 'button', ':disabled', true],
    ['disabled', '#g', ':disabled', true],
    ['disabled', '#l', '[aria-disabled="true"]', false],
    ['checked', 'input[type=checkbox]', ':checked', true],
    ['checked', '[role=switch]', '[aria-checked="true"]', false],
    ['expanded', 'summary', '[open] > *', true],
    ['filled', '#f', '[placeholder]:not(:placeholder-shown)', false],
    ['current', '[role=tab]', '[aria-selected="true"]', true],
  ] as const)('%s of %s is told by %s', (atom, selector, told, holds) => {
    const element = one(selector);
    const like = selector === 'nav a' || selector === 'ul a' ? selectAll(page.tree, selector) : [element];
    const carrier = carrierFor(atom, element, like)!;
    expect(carrier.selector).toBe(told);
    expect(carrier.holds(element)).toBe(holds);
    // What the selector says and what the carrier says are the same, on and off.
    for (const on of [true, false]) {
      const staged = stageTree(page.tree, carrier.put(element, on));
      const now = staged.elements[element.order]!;
      expect(carrier.holds(now)).toBe(on);
      expect(selectAll(staged, carrier.selector).includes(now)).toBe(on);
    }
  });

  it('are put on and off from however the page has them, each by itself', () => {
    const field = one('#f');
    const states = new CarriedStates(field, [field]);
    const atoms = CARRIED_ATOMS.filter((atom) => states.possible & bitOf(atom));
    fc.assert(
      fc.property(fc.subarray([...atoms]), (wanted) => {
        const bits = wanted.reduce((all, atom) => all | bitOf(atom), 0);
        const staged = stageTree(page.tree, states.changesFor(bits));
        const now = new CarriedStates(staged.elements[field.order]!, [staged.elements[field.order]!]);
        expect(now.atRest).toBe(bits);
      }),
    );
    expect(states.changesFor(states.atRest)).toEqual([]);
  });
});
