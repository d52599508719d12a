import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { toHex } from '../colour/print.js';
import { contrastRatio } from '../colour/contrast.js';
import { opaque } from '../testing/arbitraries.js';
import { selectAll } from '../css/selector/locator.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { checkEdge, NEEDED_EDGE } from './edge.js';
import { checkIcon } from './icon/icon.js';
import { checkText } from './text.js';

// WCAG 2.2, 1.4.11: at least 3:1 for what identifies a control, and for graphics that are needed to understand.

const at = (css: string, body: string, selector: string) => {
  const page = pageOf(body, css);
  const view = page.stylesFor().at();
  return { view, element: selectAll(page.tree, selector)[0]! };
};
const edge = (css: string, body = '<div class="p"><input class="f"></div>') => {
  const { view, element } = at(css, body, '.f');
  return checkEdge(lookingAt(view), element);
};

describe('the edge of a control', () => {
  it('is measured against what surrounds it', () => {
    fc.assert(
      fc.property(opaque, opaque, (line, around) => {
        const check = edge(
          `.p { background: ${toHex(around)} } .f { border: 1px solid ${toHex(line)}; background: ${toHex(around)}; appearance: none }`,
        );
        expect(check.measured).toBeCloseTo(contrastRatio(line, around), 1);
        expect(check.verdict).toBe(check.measured! >= NEEDED_EDGE ? 'passes' : 'short');
      }),
      { numRuns: 60 },
    );
  });

  it('may be shown by its ground as well', () => {
    expect(edge('.f { border: 1px solid #eee; background: #333; appearance: none }')).toMatchObject({
      verdict: 'passes',
    });
    expect(edge('.f { border: 0; background: #fefefe; appearance: none }')).toMatchObject({ verdict: 'short' });
  });

  it('is as weak as its weakest side', () => {
    const check = edge('.f { border: 1px solid #000; border-left-color: #eee; background: #fff; appearance: none }');
    expect(check.verdict).toBe('short');
  });

  it('is exempt where it is disabled, unseen where it is hidden, and unsure over a picture', () => {
    expect(edge('.f { border: 1px solid #eee }', '<input class="f" disabled>')).toMatchObject({ verdict: 'exempt' });
    expect(edge('.f { display: none }')).toMatchObject({ verdict: 'unseen' });
    expect(edge('.p { background: url(x.png) }')).toMatchObject({ verdict: 'unsure' });
  });
});

describe('an icon', () => {
  const icon = (css: string, body: string) => {
    const { view, element } = at(css, body, '.i');
    return checkIcon(lookingAt(view), element);
  };
  it('is measured by the best of its colours', () => {
    const svg = '<svg class="i"><path d="M0 0h9"/><circle r="3"/></svg>';
    expect(icon('.i { fill: none; stroke: #777 }', svg).measured).toBeCloseTo(4.48, 1);
    expect(icon('.i path { fill: #eee } .i circle { fill: #000 }', svg).measured).toBeCloseTo(21, 5);
    expect(icon('.i { fill: #ddd }', svg)).toMatchObject({ verdict: 'short' });
  });
  it('may be text', () => {
    expect(icon('.i { color: #bbb; background: #fff }', '<button class="i">×</button>')).toMatchObject({
      verdict: 'short',
    });
  });
});

describe('the text of a placeholder', () => {
  it('is measured in its own colour and opacity over its field', () => {
    const { view, element } = at(
      '.f { background: #fff; color: #000 } .f::placeholder { color: #000; opacity: .5 }',
      '<input class="f" placeholder="x">',
      '.f',
    );
    const check = checkText(lookingAt(view), element, 'AA', 'placeholder');
    // Half black over white is #808080 (Compositing 1, section 5.1), whose ratio to white is 3.95.
    expect(check.measured).toBeCloseTo(3.95, 1);
  });
});
