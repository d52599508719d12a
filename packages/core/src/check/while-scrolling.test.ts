import { describe, expect, it } from '@jest/globals';
import { selectAll } from '../css/selector/locator.js';
import { lookingAt, pageOf } from '../testing/page.js';
import { placed, type Boxes } from '../testing/placed.js';
import { checkEdge } from './edge.js';
import { checkText } from './text.js';

const boxes = (height: number): Boxes => ({
  html: [0, 0, 400, height],
  body: [0, 0, 400, height],
  '.bar': [0, 0, 400, 60],
  '.t': [20, 20, 100, 20],
});
const BODY = '<header class="bar"><a class="t" href="#">Text</a></header>';
const bar = (css: string, height = 2000, text = '#000') =>
  placed(BODY, `.bar { position: fixed; ${css} } .t { color: ${text} }`, boxes(height)).text('.t');

describe('what stays while the page moves beneath it', () => {
  it('passes where its own ground lets nothing through', () => {
    expect(bar('background: #fff')).toMatchObject({ verdict: 'passes', measured: 21 });
  });

  it('passes where it would over anything', () => {
    expect(bar('background: rgb(255 255 255 / 80%)').verdict).toBe('passes');
  });

  it('is not sure where it passes only over what is there at first', () => {
    const check = bar('background: rgb(255 255 255 / 20%)');
    expect(check).toMatchObject({ verdict: 'unsure', reason: expect.stringContaining('passes, at 21') as unknown });
    expect(bar('').verdict).toBe('unsure');
    // A grey is lost in the middle, though it stands out from black and from white.
    expect(bar('', 2000, '#767676').verdict).toBe('unsure');
  });

  it('falls short where it does at first, whatever comes', () => {
    expect(bar('', 2000, '#eee').verdict).toBe('short');
  });

  it('is measured as anything else on a page that fits its window', () => {
    expect(bar('', 300)).toMatchObject({ verdict: 'passes', measured: 21 });
  });

  it('is so for what sticks, as far as what holds it reaches', () => {
    expect(bar('position: sticky; top: 0').verdict).toBe('unsure');
    const short = placed(`<div class="w">${BODY}</div>`, '.bar { position: sticky; top: 0 } .t { color: #000 }', {
      ...boxes(2000),
      '.w': [0, 0, 400, 60],
    });
    expect(short.text('.t').verdict).toBe('passes');
  });

  it('is not sure without geometry, unless it has a ground of its own', () => {
    const bare = (css: string) => {
      const page = pageOf(BODY, `.bar { position: sticky; top: 0; ${css} } .t { color: #000 }`);
      return checkText(lookingAt(page.stylesFor().at()), selectAll(page.tree, '.t')[0]!).verdict;
    };
    expect(bare('')).toBe('unsure');
    expect(bare('background: #fff')).toBe('passes');
  });

  it('is so for the edge of a control as well', () => {
    const edge = (css: string) => {
      const { looking, one } = placed(
        '<header class="bar"><input class="t"></header>',
        `.bar { position: fixed; ${css} } .t { border: 1px solid #000; background: transparent }`,
        boxes(2000),
      );
      return checkEdge(looking, one('.t')).verdict;
    };
    expect(edge('background: #fff')).toBe('passes');
    expect(edge('')).toBe('unsure');
  });

  it('is so for a picture that is fixed to the window, behind what moves', () => {
    const text = (attachment: string, height: number) =>
      placed(
        '<b class="t">Text</b>',
        `body { background: linear-gradient(#fff 50%, #000 50%) ${attachment} } .t { color: #000 }`,
        { html: [0, 0, 400, height], body: [0, 0, 400, height], '.t': [20, 20, 100, 20] },
      ).text('.t').verdict;
    expect(text('fixed', 300)).toBe('passes');
    expect(text('fixed', 2000)).toBe('unsure');
    expect(text('scroll', 2000)).toBe('passes');
  });
});
