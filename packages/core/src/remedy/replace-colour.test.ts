import { describe, expect, it } from '@jest/globals';
import { DESKTOP, VIEWPORTS } from '../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK } from '../look/model.js';
import { demoPage, pageOf } from '../testing/page.js';
import { ComponentSession } from '../session/component-session.js';
import { finish } from '../base/steps.js';
import { replacingColour, type SiteComponentLook } from './replace-colour.js';
import type { PageSession } from '../parts/page-session.js';
import { isDue } from '../ledger/due.js';

const viewports = Object.entries(VIEWPORTS).map(([name, size]) => ({ name, environment: { ...DESKTOP, ...size } }));
const request = { viewports, at: 'wide' };

const replaceColour = (
  components: readonly SiteComponentLook[],
  css: string,
  asked: typeof request,
  onStep: (done: number) => void = () => undefined,
) => finish(replacingColour(components, css, asked), ({ done }) => onStep(done));

const componentsOf = (page: PageSession) =>
  page
    .components()
    .map(({ kind, locator }) => ({ session: new ComponentSession(page, kind, locator), look: EMPTY_LOOK }));

describe('one colour in place of another across a site', () => {
  it('passes in every component that has it, and is one and the same', () => {
    const components = componentsOf(demoPage());
    const steps: number[] = [];
    const found = replaceColour(components, '#7fa2a6', request, (done) => void steps.push(done));
    expect(steps).toEqual(components.map((_, i) => i + 1));
    const changed = found.shares.filter(({ settings }) => settings.length);
    expect(changed.length).toBeGreaterThan(1);
    expect(new Set(changed.flatMap(({ settings }) => settings.map(({ value }) => value)))).toEqual(
      new Set([found.css]),
    );
    expect(changed.reduce((sum, { mended }) => sum + mended.length, 0)).toBeGreaterThan(10);
    found.shares.forEach(({ settings, mended, broken }, i) => {
      const { session, look } = components[i]!;
      const due = session.ledger(changeLook(look, settings), request).filter((check) => isDue(check)).length;
      expect(due).toBe(
        session.ledger(look, request).filter((check) => isDue(check)).length - mended.length + broken.length,
      );
    });
  });

  it('names a value once, and not again in the states that follow it', () => {
    const css =
      '.b { display: inline-block; padding: 8px 16px; color: #999; background: #fff; border: 1px solid #999 } .b:hover { background: #f4f4f4 }';
    const button = componentsOf(pageOf('<p>Words <a class="b" href="#">Board</a></p>', css)).find(
      ({ session }) => session.kind.name === 'button',
    );
    const { css: replacement, shares } = replaceColour([button!], '#999', request);
    const settings = shares[0]!.settings;
    expect(settings.map(({ property }) => property).sort()).toEqual([
      'border-bottom-color',
      'border-left-color',
      'border-right-color',
      'border-top-color',
      'color',
    ]);
    expect(settings.every(({ when, value }) => when.states.length === 0 && value === replacement)).toBe(true);
  });

  it('says so where no colour passes everywhere, and where no component has it', () => {
    const css =
      '.b { color: #999; background: #fff } .b:hover { background: #000 } .b:focus-visible { background: #777 }';
    const torn = componentsOf(pageOf('<a class="b" href="#">Board</a>', css));
    expect(replaceColour(torn, '#999', request)).toMatchObject({ css: undefined, places: 1 });
    expect(replaceColour(torn, '#123456', request)).toMatchObject({ css: undefined, places: 0 });
    expect(replaceColour(torn, 'no colour', request)).toMatchObject({ css: undefined, places: 0 });
  });

  it('stops where it is told to', () => {
    const stop = () => {
      throw new Error('Stopped.');
    };
    expect(() => replaceColour(componentsOf(demoPage()), '#7fa2a6', request, stop)).toThrow('Stopped.');
  });
});
