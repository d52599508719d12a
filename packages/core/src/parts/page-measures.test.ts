import { describe, expect, it } from '@jest/globals';
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
    ['the window', (measures) => measures.setGeometry({ ...measured(), height: 700 })],
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
});
