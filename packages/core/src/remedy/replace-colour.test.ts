import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
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
    expect(found.colours).toHaveLength(1);
    const changed = found.shares.filter(({ settings }) => settings.length);
    expect(changed.length).toBeGreaterThan(1);
    expect(new Set(changed.flatMap(({ settings }) => settings.map(({ value }) => value)))).toEqual(
      new Set(found.colours.map(({ css }) => css)),
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
    const { colours, shares } = replaceColour([button!], '#999', request);
    const replacement = colours[0]!.css;
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

  it('is the fewest colours that pass where no one does, state by state', () => {
    const css =
      '.b { color: #999; background: #fff } .b:hover { background: #000 } .b:focus-visible { background: #777 }';
    const torn = componentsOf(pageOf('<a class="b" href="#">Board</a>', css));
    const { colours, left, shares } = replaceColour(torn, '#999', request);
    // A dark one on white, a light one on black; one of the two suffices on the grey.
    expect(colours).toHaveLength(2);
    expect(left).toBe(0);
    const [share] = shares.filter(({ settings }) => settings.length);
    expect(share!.broken).toEqual([]);
    const { session, look } = torn[shares.indexOf(share!)]!;
    const due = (own: typeof look) =>
      session.ledger(own, request).filter((check) => isDue(check) && check.criterion === '1.4.3').length;
    expect(due(look)).toBeGreaterThan(0);
    expect(due(changeLook(look, share!.settings))).toBe(0);
  });

  it('names as many colours as are needed and no more, for grounds of any lightness', () => {
    const ground = fc
      .integer({ min: 0, max: 255 })
      .map((level) => toHex({ r: level / 255, g: level / 255, b: level / 255, alpha: 1 }));
    fc.assert(
      fc.property(fc.array(ground, { minLength: 2, maxLength: 4 }), (grounds) => {
        const body = grounds.map((_, i) => `<p><a class="b${i}" href="#">Board</a></p>`).join('');
        const css = grounds
          .map((own, i) => `.b${i} { display: inline-block; color: #999; background: ${own} }`)
          .join('');
        const components = componentsOf(pageOf(body, css));
        const { colours, left, shares } = replaceColour(components, '#999', request);
        const reaches = (text: string) => (own: string) => contrastRatio(parseColour(text)!, parseColour(own)!) >= 4.5;
        // Black or white passes on any ground (WCAG 2.2: 21 to 1 between them), so two are always enough.
        expect(left).toBe(0);
        expect(colours.length).toBeLessThanOrEqual(2);
        if (colours.length === 2) {
          const greys = Array.from({ length: 256 }, (_, level) =>
            toHex({ r: level / 255, g: level / 255, b: level / 255, alpha: 1 }),
          );
          expect(greys.some((grey) => grounds.every(reaches(grey)))).toBe(false);
        }
        components.forEach(({ session, look }, i) => {
          const after = session.ledger(changeLook(look, shares[i]!.settings), request);
          expect(after.filter((check) => check.criterion === '1.4.3' && isDue(check))).toEqual([]);
        });
      }),
      { numRuns: 60 },
    );
  });

  it('leaves a ground as it is under text of the same colour', () => {
    const grounds = ['#999999', '#000000', '#000000'];
    const body = grounds.map((_, i) => `<p><a class="b${i}" href="#">Board</a></p>`).join('');
    const css = grounds.map((own, i) => `.b${i} { display: inline-block; color: #999; background: ${own} }`).join('');
    const components = componentsOf(pageOf(body, css));
    const { shares, left } = replaceColour(components, '#999', request);
    expect(left).toBe(0);
    expect(shares.flatMap(({ settings }) => settings.map(({ property }) => property))).not.toContain(
      'background-color',
    );
    components.forEach(({ session, look }, i) => {
      const after = session.ledger(changeLook(look, shares[i]!.settings), request);
      expect(after.filter((check) => check.criterion === '1.4.3' && isDue(check))).toEqual([]);
    });
  });

  it('has nothing to replace where no component has the colour', () => {
    const one = componentsOf(pageOf('<a class="b" href="#">Board</a>', '.b { color: #999; background: #fff }'));
    expect(replaceColour(one, '#123456', request)).toMatchObject({ colours: [], places: 0 });
    expect(replaceColour(one, 'no colour', request)).toMatchObject({ colours: [], places: 0 });
  });

  it('stops where it is told to', () => {
    const stop = () => {
      throw new Error('Stopped.');
    };
    expect(() => replaceColour(componentsOf(demoPage()), '#7fa2a6', request, stop)).toThrow('Stopped.');
  });
});
