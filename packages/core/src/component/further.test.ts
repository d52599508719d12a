import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { textCarriers } from '../check/text-case.js';
import { DESKTOP } from '../css/conditions/environment.js';
import { selectAll } from '../css/selector/locator.js';
import { EMPTY_LOOK } from '../look/model.js';
import type { PageSession } from '../parts/page-session.js';
import { placeOn } from '../parts/placed-component.js';
import { ComponentSession } from '../session/component-session.js';
import { DEMO_PAGES, demoPage, pageOf } from '../testing/page.js';
import { ancestors, hasOwnText, type ElementNode } from '../tree/tree.js';
import { canBePart } from './further.js';

/** Texts of a page, and those of them that some part measures. */
function texts(page: PageSession) {
  const all = page.tree.elements.filter(
    (element) => hasOwnText(element) && [element, ...ancestors(element)].every((node) => canBePart(node)),
  );
  const measured = new Set<ElementNode>();
  for (const { kind, locator } of [...page.components(), ...page.rest()]) {
    const placed = placeOn(page, { kind, locator });
    for (const { part, elements } of placed.parts) {
      for (const demand of placed.kind.demands) {
        if (demand.part !== part.name || demand.criterion !== '1.4.3' || part.pseudo !== undefined) continue;
        for (const element of elements) {
          if (demand.own) measured.add(element);
          else for (const carrier of textCarriers(element)) measured.add(carrier);
        }
      }
    }
  }
  return { all, missed: all.filter((element) => !measured.has(element)) };
}

const words = (element: ElementNode) => `${element.name}.${element.classes.join('.')}`;

describe('what stands in a component beside its kind’s own parts', () => {
  it.each(DEMO_PAGES)('leaves no text of %s without a part that is measured', (file) => {
    const { all, missed } = texts(demoPage(file));
    expect(all.length).toBeGreaterThan(5);
    expect(missed.map(words)).toEqual([]);
  });

  const leaf = fc.constantFrom(
    '<p class="k">A <b>word</b></p>',
    '<h2>Head</h2>',
    '<a href="#x">Link</a>',
    '<button>Press</button>',
    '<label>Name <input placeholder="n"></label>',
    '<span>loose</span>',
    'bare words',
    '<ul><li><a href="#1">One</a></li><li><a href="#2">Two</a></li></ul>',
    '<img src="a.png" alt="">',
    '<time datetime="2026-01-01">Soon</time>',
  );
  const box = fc.constantFrom('div', 'section', 'article', 'nav', 'form', 'header', 'footer', 'aside', 'main', 'td');
  const names = fc.constantFrom('', 'card', 'panel', 'hero', 'notice', 'x1', 'menu', 'dialog', 'countdown');
  const { tree } = fc.letrec<{ tree: string }>((tie) => ({
    tree: fc.oneof(
      { depthSize: 'small' },
      leaf,
      fc
        .tuple(box, names, fc.array(tie('tree'), { minLength: 1, maxLength: 4 }))
        .map(([tag, name, inner]) =>
          tag === 'td'
            ? `<table><tr><td class="${name}">${inner.join('')}</td></tr></table>`
            : `<${tag} class="${name}">${inner.join('')}</${tag}>`,
        ),
    ),
  }));

  it('leaves none in whatever a page is made of, and no element has two parts', () => {
    fc.assert(
      fc.property(tree, (body) => {
        const page = pageOf(
          body,
          '.card { border: 1px solid #ccc } .k::before { content: "»" } a:hover { color: red }',
        );
        expect(texts(page).missed.map(words)).toEqual([]);
        for (const { kind, locator } of [...page.components(), ...page.rest()]) {
          const { parts } = placeOn(page, { kind, locator });
          const own = parts.filter(({ part }) => part.pseudo === undefined).flatMap(({ elements }) => elements);
          expect(new Set(own).size).toBe(own.length);
          for (const { selector, elements } of parts) expect(selectAll(page.tree, selector)).toEqual(elements);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('leaves out no words beside a list in a menu', () => {
    const page = pageOf(
      '<footer><nav>See also <ul><li><a href="#1">One</a></li><li><a href="#2">Two</a></li></ul></nav></footer>',
      '',
    );
    expect(texts(page).missed).toEqual([]);
  });

  const block = (body: string, css = '') => {
    const page = pageOf(`<main>${body}</main>`, css);
    const [root] = selectAll(page.tree, '.b');
    const locator = { ...page.rest()[0]!.locator, selector: '.b', tag: root!.name, classes: root!.classes };
    return new ComponentSession(page, 'block', locator);
  };

  it('tells the parts of any block by what they are', () => {
    const body =
      '<div class="b"><h2>Fares</h2><h3>Foot</h3><p>One <em>way</em></p><a href="#">All</a><svg><path d="M0 0h9"/></svg><hr><div class="inner"><span>New</span></div></div>';
    const bench = block(body, '.inner { background: #eee } .b p::before { content: "» " }');
    expect(Object.fromEntries(bench.parts.map(({ part, selector }) => [part.label, selector]))).toEqual({
      Block: '.b',
      Link: '.b a',
      'Heading, level 2': '.b h2',
      'Heading, level 3': '.b h3',
      Text: '.b :is(p, span)',
      Icon: '.b svg',
      Line: '.b hr',
      Box: '.b .inner',
      'Mark before': '.b p',
    });
  });

  it('has words that stand out of a text as a part of their own, and no others', () => {
    const body =
      '<div class="b"><p>More <span class="new">New</span> <b>bold</b> <em class="red">soon</em></p><a href="#">Seats <span class="new">3</span></a></div>';
    const css = '.new { background: #ffd54a } .red { color: #b3261e }';
    const bench = block(body, css);
    const marked = bench.parts.find(({ part }) => part.name === 'further-marked')!;
    expect(marked.part.label).toBe('Marked text');
    expect(marked.elements.map(words)).toEqual(['span.new', 'em.red', 'span.new']);
    const look = {
      ...EMPTY_LOOK,
      settings: [{ part: 'further-marked', property: 'color', value: '#ffffff', when: { states: [] } }],
    };
    const checks = bench.ledger(look, { viewports: [{ name: 'wide', environment: DESKTOP }] });
    expect(checks.find(({ demand }) => demand === 'further-marked-text')?.verdict).toBe('short');
  });

  it('measures each of them, marks that a sheet makes too', () => {
    const css =
      '.b { background: #fff } .b p { color: #767676 } .b p::before { content: "»"; color: #ccc } .b a:hover { color: #fff }';
    const checks = block('<div class="b">Bare<p>Foot</p><a href="#">All</a></div>', css).ledger(EMPTY_LOOK, {
      viewports: [{ name: 'wide', environment: DESKTOP }],
    });
    const verdict = (part: string, column = 'default') =>
      checks.find((check) => check.part === part && check.column === column && check.criterion === '1.4.3')?.verdict;
    expect(verdict('block')).toBe('passes');
    expect(verdict('further-text')).toBe('passes');
    expect(verdict('further-before')).toBe('short');
    expect(verdict('further-link', 'hover')).toBe('short');
  });

  it('has the marks of lists among them, but for disclosures, which have theirs', () => {
    const body =
      '<div class="b"><ol><li>One</li></ol><ul class="bare"><li>Two</li></ul><details><summary>Q</summary>A</details></div>';
    const bench = block(body, '.bare { list-style: none } ol li::marker { color: #ccc }');
    const marks = bench.parts.find(({ part }) => part.name === 'further-marker')!;
    expect(marks.elements.map(({ parent }) => parent!.name)).toEqual(['ol']);
    const checks = bench.ledger(EMPTY_LOOK, { viewports: [{ name: 'wide', environment: DESKTOP }] });
    expect(checks.find(({ demand }) => demand === 'further-marker-text')?.verdict).toBe('short');
  });

  it('has the marks of the component itself among them', () => {
    const page = pageOf('<a class="more" href="#">All times</a>', '.more::after { content: " »"; color: #ccc }');
    const link = page.components().find(({ kind }) => kind === 'link')!;
    const bench = new ComponentSession(page, link.kind, link.locator);
    const mark = bench.parts.find(({ part }) => part.name === 'further-after')!;
    expect(mark).toMatchObject({ elements: [{ name: 'a' }] });
    const checks = bench.ledger(EMPTY_LOOK, { viewports: [{ name: 'wide', environment: DESKTOP }] });
    expect(checks.find(({ demand }) => demand === 'further-after-text')?.verdict).toBe('short');
  });

  it('leaves alone what is a component of its own inside, and names what is alike by its place in the last resort', () => {
    const bench = block(
      '<div class="b"><p>Ours</p><form><label>Name <input></label></form><div><p>Ours too</p></div></div>',
    );
    const text = bench.parts.find(({ part }) => part.name === 'further-text')!;
    expect(text.elements.map(({ name }) => name)).toEqual(['p', 'p']);
    expect(bench.parts.some(({ part }) => part.name === 'further-field')).toBe(false);
  });
});
