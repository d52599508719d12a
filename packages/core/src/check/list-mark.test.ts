import { describe, expect, it } from '@jest/globals';
import { selectAll } from '../css/selector/locator.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { placed, type Boxes } from '../testing/placed.js';
import { listMarkOf } from './list-mark.js';
import { checkText } from './text.js';

const LIST = '<ol class="l"><li class="i">First</li></ol>';
const BOXES: Boxes = { '.l': [0, 0, 400, 100], '.i': [40, 10, 300, 20] };

const measured = (css: string, boxes = BOXES, body = LIST) => {
  const { looking, one } = placed(body, `.l { margin: 0; background: #fff } ${css}`, boxes);
  return checkText(looking, one('.i'), 'AA', 'marker');
};
const estimated = (css: string) => {
  const page = pageOf(LIST, css);
  return checkText(lookingAt(page.stylesFor().at()), selectAll(page.tree, '.i')[0]!, 'AA', 'marker');
};

describe('the mark of a list item', () => {
  it.each([
    ['', 'text'],
    ['.i { list-style-type: disc }', 'bullet'],
    ['.i { list-style-type: "→ " }', 'text'],
    ['.i { list-style: none }', undefined],
    ['.i { list-style-image: url(a.png) }', 'picture'],
    ['.i { list-style: none } .i::marker { content: "»" }', 'text'],
    ['.i::marker { content: none }', undefined],
    ['.i { display: block }', undefined],
  ])('with %s is %s (CSS Lists 3, section 3)', (css, made) => {
    const page = pageOf(LIST, css);
    expect(listMarkOf(page.stylesFor().at(), selectAll(page.tree, '.i')[0]!)).toBe(made);
  });

  it('is measured in its own colour, on what it stands on beside the item', () => {
    expect(measured('.i::marker { color: #bbb }')).toMatchObject({ verdict: 'short', basis: 'geometry' });
    expect(measured('.i { color: #fff; background: #000 }').verdict).toBe('short');
    expect(measured('.i { color: #fff; background: #000; list-style-position: inside }').verdict).toBe('passes');
    // In a right-to-left list it stands at the other side, where this one has another ground.
    const body = '<div class="r"></div><ol class="l" dir="rtl"><li class="i">First</li></ol>';
    const boxes: Boxes = { ...BOXES, '.r': [350, 0, 50, 100] };
    const css = '.l { background: none } .r { position: absolute; background: #000; z-index: -1 }';
    expect(measured(css, boxes, body).verdict).toBe('short');
    expect(measured(css, boxes, body.replace(' dir="rtl"', '')).verdict).toBe('passes');
  });

  it('is not told where nothing was measured and the item has a ground of its own', () => {
    expect(estimated('.i { color: #fff; background: #000 }').verdict).toBe('unsure');
    expect(estimated('.i { color: #000 }').verdict).toBe('passes');
    expect(estimated('.i { list-style-image: url(a.png) }').verdict).toBe('unsure');
  });

  it('is nothing to read where it is a bullet', () => {
    expect(measured('.i { list-style-type: square } .i::marker { color: #eee }').verdict).toBe('exempt');
  });
});
