import { describe, expect, it } from '@jest/globals';
import { ComponentSession } from '../session/component-session.js';
import { changeLook, type Look } from '../look/model.js';
import { lookOf, settingOf } from '../testing/settings.js';
import { DESKTOP } from '../css/conditions/environment.js';
import { asLastSheet } from '../handover/index.js';
import { selectAll } from '../css/selector/locator.js';
import { pageOf } from '../testing/page.js';
import { checkThumb } from './thumb.js';

const HTML = '<div class="s" tabindex="0">Words</div>';
const BASE = '.s { overflow: auto; max-height: 90px }';

const thumb = (css: string) => {
  const page = pageOf(HTML, `${BASE} ${css}`);
  const view = page.stylesFor(DESKTOP).at();
  const [box] = selectAll(page.tree, '.s');
  return checkThumb(view.of(box!), (name) => view.of(box!, name));
};

// Which of them Chromium draws: CSS Scrollbars 1, and chromium/src/core/paint/paint_layer_scrollable_area.cc, from memory;
// compared with its pixels in e2e/tests/scrollbar.spec.ts.
describe('a scrollbar’s thumb against its track', () => {
  it('is measured by the pseudo-elements where the bar has a rule', () => {
    const css = '.s::-webkit-scrollbar { width: 12px } .s::-webkit-scrollbar-track { background: #fff } ';
    // #777 on white: 4.48 (WCAG 2.2, relative luminance).
    expect(thumb(`${css} .s::-webkit-scrollbar-thumb { background: #777 }`).measured).toBeCloseTo(4.48, 2);
    // Of a gradient the place that is seen least.
    expect(thumb(`${css} .s::-webkit-scrollbar-thumb { background: linear-gradient(#000, #fff) }`)).toMatchObject({
      verdict: 'short',
      measured: 1,
    });
    expect(thumb(`${css} .s::-webkit-scrollbar-thumb { background: url(x.png) }`).verdict).toBe('unsure');
  });

  it('is not seen where the bar has a rule and the thumb none', () => {
    expect(thumb('.s::-webkit-scrollbar { width: 12px }')).toMatchObject({ verdict: 'short', measured: 1 });
    expect(thumb('.s::-webkit-scrollbar { width: 0 }').verdict).toBe('unseen');
    expect(thumb('.s { scrollbar-width: none }').verdict).toBe('unseen');
  });

  it('is the browser’s own without a rule for the bar, whatever its pieces say', () => {
    expect(thumb('').verdict).toBe('exempt');
    expect(thumb('.s::-webkit-scrollbar-thumb { background: #fefefe }').verdict).toBe('exempt');
    expect(thumb('.s { scrollbar-width: thin } .s::-webkit-scrollbar { width: 9px }').verdict).toBe('exempt');
  });

  it('is measured by the standard property before all', () => {
    const css =
      '.s { scrollbar-color: #777 #fff } .s::-webkit-scrollbar { width: 9px } .s::-webkit-scrollbar-thumb { background: #fff }';
    expect(thumb(css)).toMatchObject({ verdict: 'passes' });
    expect(thumb('.s { scrollbar-color: rgb(0 0 0 / 20%) #fff }')).toMatchObject({ verdict: 'short' });
  });
});

describe('a look of a scrollbar', () => {
  /** What a browser with the handed-over CSS shows. */
  function live(css: string, own: Look) {
    const page = pageOf(HTML, `${BASE} ${css}`);
    const found = page.components().find(({ kind, selector }) => kind === 'scrollbar' && selector !== 'html')!;
    const session = new ComponentSession(page, found.kind, found.locator);
    const handed = session.handover(own);
    const view = page.pages
      .extended([asLastSheet(handed.css)])
      .at()
      .stylesFor(DESKTOP)
      .at();
    const [box] = selectAll(page.tree, '.s');
    const checks = session.requiredChecks(own, { viewports: [{ name: 'wide', environment: DESKTOP }] });
    return {
      css: handed.css,
      failures: handed.proof.failures,
      check: checkThumb(view.of(box!), (name) => view.of(box!, name)),
      shown: checks.find(({ part }) => part === 'thumb'),
      colours: ['thumb', 'track'].map((name) => view.of(box!, `-webkit-scrollbar-${name}`).text('background-color')),
    };
  }

  it('brings along what its rule would take away', () => {
    const { css, failures, check, shown } = live('', lookOf(settingOf('bar', 'width', '12px')));
    expect(failures).toEqual([]);
    expect(check.verdict).toBe('passes');
    expect(shown).toMatchObject({ verdict: 'passes', measured: check.measured });
    expect(css).toMatch(/-webkit-scrollbar-thumb \{[^}]*background-color/);
    expect(css).not.toContain('rgba(0, 0, 0, 0)');
  });

  it('gives the bar a rule, without which its pieces count for nothing', () => {
    const { css, colours } = live('', lookOf(settingOf('thumb', 'background-color', '#102030')));
    expect(css).toMatch(/-webkit-scrollbar \{[^}]*width: 15px/);
    expect(colours[0]).toBe('rgb(16, 32, 48)');
  });

  it('takes the place of the standard properties, and keeps their colours', () => {
    const site = '.s { scrollbar-color: rgb(1, 2, 3) rgb(250, 251, 252) }';
    const { css, colours, failures } = live(site, lookOf(settingOf('bar', 'width', '20px')));
    expect(failures).toEqual([]);
    expect(css).toContain('scrollbar-color: auto');
    expect(colours).toEqual(['rgb(1, 2, 3)', 'rgb(250, 251, 252)']);
  });

  it('adds nothing where the site draws the bar, or where it says so itself', () => {
    const site = '.s::-webkit-scrollbar { width: 9px } .s::-webkit-scrollbar-thumb { background: #345 }';
    const { css, colours } = live(site, lookOf(settingOf('bar', 'width', '20px')));
    expect(css).not.toContain('-thumb {');
    expect(colours[0]).toBe('rgb(51, 68, 85)');
    const own = live(
      '',
      lookOf(settingOf('bar', 'width', '20px'), settingOf('thumb', 'background-image', 'linear-gradient(red, red)')),
    );
    expect(own.css).not.toMatch(/-thumb \{[^}]*background-color/);
  });

  it('has the fallback in the sheet of a page that says something else', () => {
    const page = pageOf(HTML, BASE);
    const found = page.components().find(({ kind, selector }) => kind === 'scrollbar' && selector !== 'html')!;
    const session = new ComponentSession(page, found.kind, found.locator, { pageId: 'home' });
    const own = changeLook(lookOf(settingOf('thumb', 'background-color', '#102030')), [
      { part: 'thumb', property: 'background-color', value: '#405060', when: { states: [], page: 'home' } },
    ]);
    const { css, pageCss } = session.handover(own);
    expect(css).toContain('scrollbar-color: rgb(16, 32, 48)');
    expect(pageCss).toContain('scrollbar-color: rgb(64, 80, 96)');
  });
});
