import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { DESKTOP } from '../css/conditions/environment.js';
import { forceStates } from '../css/selector/forced.js';
import { selectAll } from '../css/selector/locator.js';
import { VISITED } from '../css/selector/states.js';
import { pageOf } from '../testing/page.js';
import { markerOf } from './markers.js';
import { markStates } from './rewrite-sheet.js';

const HTML = '<nav><a class="x" href="#1">One <b>new</b></a></nav>';
const SHOWN = ['color', 'background-color', 'font-weight', 'text-decoration-line', 'padding-left'];

/** What a link and what stands in it come to: visited on the page, and marked so in a frame. */
function both(css: string) {
  const base = 'a, b { background-color: #fff }';
  const page = pageOf(HTML, `${base} ${css}`);
  const [link] = selectAll(page.tree, 'a');
  const real = page.stylesFor(DESKTOP).at(forceStates([[link!, VISITED]]));
  const marked = pageOf(HTML.replace('<a ', `<a ${markerOf('visited')} `), markStates(`${base} ${css}`));
  const frame = marked.stylesFor(DESKTOP).at();
  return [real, frame].map((view) =>
    ['a', 'b'].map((name) => {
      const tree = view === real ? page.tree : marked.tree;
      const [element] = selectAll(tree, name);
      return SHOWN.map((property) => view.of(element!).text(property));
    }),
  );
}

describe('rules about the history in a frame', () => {
  it('come to what they come to on the page, whatever they say of links', () => {
    const colour = fc.constantFrom('#0b5563', '#ffd166', '#7a1fa2');
    const declaration = fc.oneof(
      colour.map((value) => `color: ${value}`),
      colour.map((value) => `background-color: ${value}`),
      fc.constantFrom('font-weight: 700', 'text-decoration: none', 'padding-left: 9px'),
    );
    const selector = fc.constantFrom('a:link', 'a:visited', 'a.x:link', 'a.x:visited', 'a:visited b', 'a:link b', 'a');
    const rule = fc
      .tuple(fc.array(selector, { minLength: 1, maxLength: 2 }), fc.array(declaration, { minLength: 1, maxLength: 3 }))
      .map(([selectors, declarations]) => `${selectors.join(', ')} { ${declarations.join('; ')} }`);
    fc.assert(
      fc.property(fc.array(rule, { minLength: 1, maxLength: 5 }), (rules) => {
        // The browser's own colour of visited links is given to frames by itself.
        const css = `a { color: #111 } ${rules.join('\n')}`;
        const [real, frame] = both(css);
        expect(frame).toEqual(real);
      }),
      { numRuns: 200 },
    );
  });

  it('leave rules about other things as they are', () => {
    const css = 'a:hover { color: red } .linked { color: blue } a::before { content: ":visited" }';
    expect(markStates(css)).toContain('.linked { color: blue } a::before { content: ":visited" }');
  });
});
