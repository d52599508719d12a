import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import type { Geometry } from '../page/geometry.js';
import { pageOf } from '../testing/page.js';
import { PageMeasures } from './page-measures.js';

const measured = (width = 100): Geometry => ({
  width: 1280,
  height: 800,
  elements: new Map([[3, { box: { x: 0, y: 0, width, height: 20 }, lines: [] }]]),
});
const view = pageOf('<p>Text</p>', '').stylesFor().at();

describe('what was measured of a page', () => {
  it('holds as long as nothing else is told', () => {
    const measures = new PageMeasures();
    const tell = () => {
      measures.setGeometry(measured());
      measures.setGeometry(measured(), 'menu');
      measures.setPicture('https://page.invalid/a.png', null);
      measures.setWeight('https://page.invalid/a.png', 1000);
    };
    tell();
    const [{ version }, looking] = [measures, measures.looking(view)];
    tell();
    expect(measures.version).toBe(version);
    expect(measures.looking(view)).toBe(looking);
  });

  it.each<[string, (measures: PageMeasures) => void]>([
    ['a box', (measures) => measures.setGeometry(measured(101))],
    ['what is opened', (measures) => measures.setGeometry(measured(), 'menu')],
    ['an element', (measures) => measures.setGeometry({ ...measured(), elements: new Map() })],
    ['a picture', (measures) => measures.setPicture('https://page.invalid/a.png', null)],
    ['a weight', (measures) => measures.setWeight('https://page.invalid/a.png', 1)],
  ])('is another where %s is another', (_, tell) => {
    const measures = new PageMeasures();
    measures.setGeometry(measured());
    const [{ version }, looking] = [measures, measures.looking(view)];
    tell(measures);
    expect(measures.version).not.toBe(version);
    expect(measures.looking(view)).not.toBe(looking);
  });

  it('at another size of the window leaves what is seen at this one as it is', () => {
    const measures = new PageMeasures();
    measures.setGeometry(measured());
    const [{ version }, here, looking] = [measures, measures.versionAt(DESKTOP), measures.looking(view)];
    measures.setGeometry({ ...measured(), height: 700 });
    expect(measures.version).not.toBe(version);
    expect(measures.versionAt(DESKTOP)).toBe(here);
    expect(measures.looking(view)).toBe(looking);
    expect(measures.versionAt({ ...DESKTOP, height: 700 })).not.toBe(here);
  });

  it('where looks have moved boxes is another with pictures alone', () => {
    const measures = new PageMeasures();
    const [before, looking] = [measures.unplaced.versionAt(DESKTOP), measures.unplaced.looking(view)];
    measures.setGeometry(measured());
    expect(measures.unplaced.versionAt(DESKTOP)).toBe(before);
    expect(measures.unplaced.looking(view)).toBe(looking);
    measures.setPicture('https://page.invalid/a.png', null);
    expect(measures.unplaced.versionAt(DESKTOP)).not.toBe(before);
    expect(measures.unplaced.looking(view)).not.toBe(looking);
  });
});
