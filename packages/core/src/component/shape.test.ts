import { describe, expect, it } from '@jest/globals';
import { pageOf } from '../testing/page.js';

/** Kinds and selectors of what is found, without the page's scrollbar; names of classes say nothing. */
const found = (body: string, css = '') =>
  pageOf(body, css)
    .components()
    .filter(({ kind }) => kind !== 'scrollbar')
    .map(({ kind, selector, elements }) => `${kind} ${selector} ×${elements.length}`);

const LINKS = ['One', 'Two', 'Three'].map((text) => `<li><a href="#${text}">${text}</a></li>`).join('');

// What a person would name, on pages whose classes are nonsense.
describe('components are recognised by what they are', () => {
  it('a row of boxes with the same sort of things is cards', () => {
    const box = '<div class="q1"><img src="a.png" alt=""><h3>Isles</h3><p>Fifty minutes</p></div>';
    expect(found(`<main><div>${box.repeat(3)}</div></main>`, '.q1 { border: 1px solid #ccc }')).toEqual([
      'card .q1 ×3',
    ]);
    // A tile that a script makes of use, a link around all of it, and cards with fields in them.
    const tile = '<div class="q2"><img src="a.png" alt="A"></div>';
    expect(found(`<main><div>${tile.repeat(3)}</div></main>`, '.q2 { cursor: pointer }')).toEqual(['card .q2 ×3']);
    const link = '<a class="q3" href="#"><h3>Isles</h3><p>Fifty minutes</p></a>';
    expect(
      found(`<main><div>${link.repeat(2)}</div></main>`, '.q3 { display: block; padding: 9px; background: #eee }'),
    ).toEqual(['card .q3 ×2']);
    const held = '<div class="q4"><h3>Isles</h3><input aria-label="Seats"></div>';
    expect(found(`<main><div>${held.repeat(2)}</div></main>`, '.q4 { border: 1px solid #ccc }')[0]).toBe('card .q4 ×2');
  });

  it('a box under a title on a ground of its own is a panel, with a field in it or not, and stacked links are a list', () => {
    const css =
      '.q1 { border: 1px solid #ccc; background: #fff } .q2 { background: #eee; padding: 9px } .q4 { display: block; padding: 9px; border-bottom: 1px solid #ccc }';
    const panel = (inner: string) => `<div class="q1"><div class="q2">Search</div><div>${inner}</div></div>`;
    expect(found(`<main><aside>${panel('Words of it')}</aside></main>`, css)).toEqual(['panel .q1 ×1']);
    expect(found(`<main><aside>${panel('<input aria-label="Words"><button>Go</button>')}</aside></main>`, css)[0]).toBe(
      'panel .q1 ×1',
    );
    // Without a ground of its own, or an edge around both, it is words over words.
    expect(found(`<main>${panel('Words of it')}</main>`, '.q1 { background: #fff }')).toEqual([]);
    const links = ['A', 'B', 'C'].map((text) => `<a class="q4" href="#${text}">Isle ${text}</a>`).join('');
    expect(found(`<main><h1>A</h1><div class="q3">${links}</div></main>`, css)).toEqual(['link-list .q3 ×1']);
  });

  it('columns of text are no cards', () => {
    expect(found('<main><div><div><p>One text</p></div><div><p>Another</p></div></div></main>')).toEqual([]);
  });

  it('a list of links before all else is a menu, whatever it stands in', () => {
    expect(found(`<div class="q1"><ul>${LINKS}</ul></div><h1>Ferries</h1>`)).toEqual(['menu .q1 ×1']);
    expect(found(`<h1>Ferries</h1><div class="q1"><ul>${LINKS}</ul></div>`)).toEqual(['link-list ul ×1']);
  });

  it('fields with a button are a form, in a form element or not, with a password or not', () => {
    const fields = '<input aria-label="Mail"><button>Send</button>';
    expect(found(`<main><div class="q1">${fields}</div></main>`)).toEqual(['form .q1 ×1']);
    expect(
      found(
        `<nav><a href="#">A</a><a href="#">B</a></nav><div><form class="q2"><input type="password">${fields}</form></div>`,
      ),
    ).toContain('form .q2 ×1');
  });

  it('what lies over the window once it is opened is a dialog, and what speaks of cookies at its edge a cookie notice', () => {
    const over = '.q1 { position: fixed; top: 0; left: 0; width: 100%; height: 100%; display: none }';
    expect(found('<div class="q1"><p>Are you sure?</p><button>No</button></div>', over)).toEqual(['dialog .q1 ×1']);
    const notice = '<div class="q2"><p>We keep one Cookie.</p><button>Fine</button></div>';
    expect(found(notice, '.q2 { position: fixed; bottom: 0 }')).toEqual(['cookie-notice .q2 ×1']);
  });

  it('a strip before the header is an announcement, and so is a box that can be closed', () => {
    const css = '.q1 { background: #fc0 } .q2 { background: #eef; padding: 9px 12px }';
    expect(found('<div class="q1">Wind on Thursday</div><header><h1>Ferries</h1></header>', css)).toEqual([
      'announcement .q1 ×1',
    ]);
    expect(found('<main><h1>A</h1><div class="q2">Late <button>×</button></div></main>', css)).toEqual([
      'announcement .q2 ×1',
    ]);
  });

  it.each([
    ['en', 'days', 'hours'],
    ['de', 'Tage', 'Stunden'],
    ['fr', 'jours', 'heures'],
    ['cs', 'dní', 'hodin'],
  ])('numbers with units of time are a countdown, in %s', (_language, days, hours) => {
    const body = `<main><h1>A</h1><div class="q1"><p><b>12</b> <i>${days}</i></p><p><b>07</b> <i>${hours}</i></p></div></main>`;
    expect(found(body)).toEqual(['countdown .q1 ×1']);
  });

  it('other numbers are none', () => {
    expect(
      found('<main><h1>A</h1><div class="q1"><p><b>12</b> <i>boats</i></p><p><b>7</b> <i>isles</i></p></div></main>'),
    ).toEqual([]);
  });

  it('a line that runs without end in a window is a ticker', () => {
    const css =
      '.q1 { overflow: hidden } .q2 { animation: run 9s linear infinite } @keyframes run { to { transform: translateX(-50%) } }';
    expect(
      found(
        '<main><div class="q1"><div class="q2"><span>Seals at the lighthouse</span><span>Bicycles free</span></div></div></main>',
        css,
      ),
    ).toEqual(['ticker .q1 ×1']);
  });

  it('links with marks between them and an end are a breadcrumb, numbers a pagination, a painted share a progress bar', () => {
    expect(
      found('<main><p class="q1"><a href="#">Start</a> › <a href="#">Isles</a> › Outer</p><h1>A</h1></main>'),
    ).toEqual(['breadcrumb .q1 ×1']);
    const numbers = [1, 2, 3].map((n) => `<a href="#${n}">${n}</a>`).join(' ');
    expect(found(`<main><h1>A</h1><div class="q2">${numbers}</div></main>`)).toEqual(['pagination .q2 ×1']);
    const css = '.q3 { background: #eee } .q4 { background: #06c; height: 9px }';
    expect(
      found('<main><h1>A</h1><div class="q3"><div class="q4" style="width: 40%"></div></div></main>', css),
    ).toEqual(['progress .q3 ×1']);
  });

  it('boxes that scroll are named where the site draws their bars, or gives them a height', () => {
    const box = '<main><h1>A</h1><div class="q1"><p>Long</p></div></main>';
    const kinds = (css: string) =>
      pageOf(box, css)
        .components()
        .map(({ kind, selector }) => `${kind} ${selector}`);
    expect(kinds('.q1 { overflow: auto }')).toEqual(['scrollbar html']);
    expect(kinds('.q1 { overflow: auto; max-height: 90px }')).toContain('scrollbar .q1');
    expect(kinds('.q1 { overflow: auto; max-height: 90px; position: fixed }')).toEqual(['scrollbar html']);
    expect(kinds('.q1 { overflow: auto } .q1::-webkit-scrollbar { width: 9px }')).toContain('scrollbar .q1');
  });
});

describe('components are grouped as they look', () => {
  const css =
    '.b { display: inline-block; padding: 9px 14px; background: #06c; color: #fff } .c { background: #fff; color: #06c }';
  it('buttons of one class and two looks are two, and one class and one look is one', () => {
    const body = '<main><a class="b" href="#">A</a><a class="b c" href="#">B</a><a class="b" href="#">C</a></main>';
    expect(found(body, css)).toEqual(['button .b:not(:where(.c)) ×2', 'button .c ×1']);
    expect(found('<main><a class="b" href="#">A</a><p><a class="b" href="#">C</a></p></main>', css)).toEqual([
      'button .b ×2',
    ]);
  });

  it('cards of one row are one thing, though one of them has another class, also straight in the main content', () => {
    const card = (name: string) => `<article class="${name}"><h3>Isles</h3><p>Fifty minutes</p></article>`;
    const drawn = '.q1, .q2 { border: 1px solid #ccc } .row { display: grid; grid-template-columns: 1fr 1fr 1fr }';
    const row = card('q1') + card('q1') + card('q2');
    expect(found(`<main><h1>A</h1><div class="row">${row}</div></main>`, drawn)).toEqual(['card .row > article ×3']);
    expect(found(`<main class="row">${row}</main>`, drawn)).toEqual(['card .row > article ×3']);
    // What stands below each other there is a section each.
    expect(found(`<main>${row}</main>`, drawn).some((one) => one.endsWith('×3'))).toBe(false);
    // A second row of the first class belongs to what that class names.
    expect(found(`<main><div class="row">${row}</div><div>${card('q1').repeat(2)}</div></main>`, drawn)).toEqual([
      'card .q1 ×4',
      'card .q2 ×1',
    ]);
  });

  it('links that nothing tells apart are one, not one each by their places', () => {
    const body = `<main><div>${'<p><a href="#">L</a></p>'.repeat(28)}</div></main>`;
    const all = found(body);
    expect(all).toHaveLength(1);
    expect(all[0]).toMatch(/^link .* ×28$/);
    expect(all[0]).not.toContain('nth-child');
  });

  it('menus of one name have numbers', () => {
    const nav = (name: string) => `<nav class="${name}"><ul>${LINKS}</ul></nav>`;
    const names = pageOf(`${nav('q1')}<main>${nav('q2')}</main>`, '')
      .components()
      .filter(({ kind }) => kind === 'menu');
    expect(names.map(({ name }) => name)).toEqual(['Main menu', 'Main menu 2']);
  });
});
