import { describe, expect, test } from '@jest/globals';
import { pageOf } from '../../testing/page.js';
import { parseHtml } from '../../tree/parse-html.js';
import { KINDS } from '../kinds/index.js';
import { starterOf } from '../kinds/starters.js';
import { rowNamed, ROWS } from '../rows.js';
import { BEHAVIOURS, behavioursNamed, behavioursOf, elementOf, markupOf, SETTING_ROWS, settingRows } from './index.js';

describe('behaviours', () => {
  test('make a component of what has them, wherever it was put', () => {
    const { html, css } = starterOf('countdown')!;
    const page = pageOf(
      `<!doctype html><title>Quay</title><main><form><h1>Write</h1>${html}<label>Name <input></label><button>Send</button></form></main>`,
      css,
    );
    expect(page.components().map(({ kind }) => kind)).toEqual(expect.arrayContaining(['form', 'countdown']));
  });

  test('have settings with a name, a value that is usual, and no name of CSS', () => {
    for (const { name, rows, label } of BEHAVIOURS) {
      expect([name, label.length > 0]).toEqual([name, true]);
      for (const row of rows) {
        expect(row.key).toMatch(/^--rq-[a-z-]+$/);
        expect(row.usual).toBeDefined();
        expect(row.properties).toEqual([row.key]);
        expect(rowNamed(row.key)).toBe(row);
        if (row.where) expect(rowNamed(row.where.property)!.words).toContain(row.where.is);
        if (row.words) expect(row.words[0]).toBe(row.usual);
      }
    }
    expect(ROWS.some(({ group }) => group === 'Behaviour')).toBe(false);
  });

  test('what two of them share is one row', () => {
    const keys = settingRows(BEHAVIOURS).map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys).toEqual(SETTING_ROWS.map(({ key }) => key));
  });

  test('are those of the element that holds what sets them going, and of none around it', () => {
    const tree = parseHtml(`<main><section>${BEHAVIOURS.map(markupOf).join('')}</section></main>`);
    const [section] = tree.elements.filter(({ name }) => name === 'section');
    const [main] = tree.elements.filter(({ name }) => name === 'main');
    expect(behavioursOf(section!)).toEqual(BEHAVIOURS);
    expect(behavioursOf(main!)).toEqual([]);
  });

  test.each(KINDS.filter(({ behaviours }) => behaviours).map(({ name }) => name))(
    'a %s that is made anew has some of those of its kind',
    (name) => {
      const { html } = starterOf(name)!;
      const had = behavioursNamed(html);
      const possible = KINDS.find((kind) => kind.name === name)!.behaviours!;
      expect(had.length).toBeGreaterThan(0);
      for (const own of had) {
        const behaviour = possible.find((one) => one.name === own);
        expect(behaviour && elementOf(behaviour)).toBe(`rq-${own}`);
      }
    },
  );
});
