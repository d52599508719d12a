import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { EMPTY_LOOK } from '../look/model.js';
import { geometryOf } from '../page/geometry.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';

type Numbers = readonly [number, number, number, number];

/** The checks of the texts of the rest of a page; boxes by the words of their elements. */
function texts(body: string, css: string, boxes?: Readonly<Record<string, Numbers>>) {
  const page = pageOf(`<main>${body}</main>`, css);
  if (boxes) {
    const all = page.tree.elements.map(({ order, content, classes }) => {
      const box = boxes[String(content[0]).trim()] ?? boxes[`.${classes[0] ?? ''}`] ?? ([0, 0, 1280, 800] as const);
      return { order, box, lines: [box] };
    });
    page.measures.setGeometry(geometryOf(DESKTOP, all));
  }
  const [section] = page.rest();
  const checks = new ComponentSession(page, section!.kind, section!.locator).ledger(EMPTY_LOOK, {
    viewports: [{ name: 'wide', environment: DESKTOP }],
  });
  return (column = 'default') =>
    checks.find((check) => check.part === 'further-text' && check.column === column && check.criterion === '1.4.3');
}

describe('a part of several elements', () => {
  it('is as its worst, wherever that inherits its colour or its ground from', () => {
    const body = '<p>One</p><div class="dark"><p>Two</p></div><div class="pale"><p>Three</p></div>';
    const css = 'main { color: #222 } .dark { background: #222 } .pale { color: #bbb }';
    // #222 on #222 is 1:1.
    expect(texts(body, css)()).toMatchObject({ verdict: 'short', measured: 1, worstText: 'Two' });
    expect(texts('<p>One</p><div><p>Two</p></div>', css)()).toMatchObject({ verdict: 'passes', measuredElements: 2 });
  });

  it('is as its worst where that stands over something else', () => {
    const body = '<div class="bar"></div><p>One</p><p>Two</p><p>Three</p>';
    const css = '.bar { position: absolute; background: #222; z-index: -1 } p { color: #222 } p:hover { color: #333 }';
    const boxes = {
      '.bar': [0, 40, 400, 20],
      One: [0, 0, 90, 16],
      Two: [0, 42, 90, 16],
      Three: [0, 80, 90, 16],
    } as const;
    const check = texts(body, css, boxes);
    expect(check()).toMatchObject({ verdict: 'short', measured: 1, worstText: 'Two', basis: 'geometry' });
    // In other states it is the same one that is looked at.
    expect(check('hover')).toMatchObject({ verdict: 'short', worstText: 'Two' });
    expect(texts(body, css, { ...boxes, '.bar': [600, 40, 400, 20] })('default')).toMatchObject({ verdict: 'passes' });
  });
});
