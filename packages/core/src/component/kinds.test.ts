import { describe, expect, it } from '@jest/globals';
import { parseSheet } from '../css/sheet/parse-sheet.js';
import { compileText } from '../css/selector/match.js';
import { EMPTY_LOOK } from '../look/model.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';
import { KINDS } from './kinds/index.js';
import { starterOf } from './kinds/starters.js';
import { findParts } from './parts.js';
import { fromRoot } from './parts-of-root.js';
import { rowNamed, ROWS } from './rows.js';
import { columnFor, columnNamed, setBits, STATE_COLUMNS } from './states.js';
import { PROPERTIES } from '../css/property/table.js';

describe.each(KINDS.map((kind) => [kind.name, kind] as const))('the kind %s', (_, kind) => {
  it('has parts with names of their own, readable selectors, known rows and carriers that exist', () => {
    const names = kind.parts.map(({ name }) => name);
    expect(new Set(names).size).toBe(names.length);
    for (const part of kind.parts) {
      for (const find of part.find) expect(() => compileText(fromRoot(find, '.root'))).not.toThrow();
      for (const row of part.first) expect(rowNamed(row)).toBeDefined();
      if (part.carrier !== undefined) expect(names).toContain(part.carrier);
      expect(part.states[0]).toBe('default');
    }
    for (const demand of kind.demands) {
      expect(names).toContain(demand.part);
    }
    expect(new Set(kind.demands.map(({ name }) => name)).size).toBe(kind.demands.length);
  });

  it('recognises what it starts from, whose CSS is valid, and measures it', () => {
    const { html, css } = starterOf(kind.name)!;
    const sheet = parseSheet('starter.css', css);
    expect(sheet.problems).toEqual([]);
    for (const rule of sheet.rules) expect(rule.dropped).toEqual([]);
    // A sign-in page is a page of its own.
    const page = pageOf(html, css);
    const found = page.components().find((item) => item.kind === kind.name);
    expect(found).toBeDefined();
    const bench = new ComponentSession(page, kind.name, found!.locator);
    const result = bench.sheet(EMPTY_LOOK, { unfolded: bench.parts.map(({ part }) => part.name) });
    expect(result.parts.length).toBeGreaterThan(0);
    expect(result.rows.length).toBeGreaterThan(0);
    // What a kind starts from falls short of nothing that is measured.
    expect(
      result.checks
        .filter((check) => check.verdict === 'short')
        .map(({ part, column, measured }) => `${part} ${column} ${measured}`),
    ).toEqual([]);
  });
});

describe('parts', () => {
  const menu = KINDS.find(({ name }) => name === 'menu')!;
  const page = pageOf(
    '<header class="top"><nav><ul><li><a href="#a">A</a><ul><li><a href="#b">B</a></li></ul></li><li><a href="#c" class="btn">C</a></li></ul></nav></header>',
    '',
  );
  const parts = findParts(page.tree, menu, '.top');
  const reach = (name: string) =>
    parts.find(({ part }) => part.name === name)?.elements.map((node) => node.attributes.get('href'));

  it('reach different elements', () => {
    expect(reach('link')).toEqual(['#a', '#c']);
    expect(reach('sub-link')).toEqual(['#b']);
    const elements = parts.filter(({ part }) => part.pseudo === undefined).flatMap(({ elements: own }) => own);
    expect(new Set(elements).size).toBe(elements.length);
  });

  it('are what the owner says where it is corrected', () => {
    const corrected = findParts(page.tree, menu, '.top', { corrected: { link: '.top .btn' } });
    const link = corrected.find(({ part }) => part.name === 'link')!;
    expect(link).toMatchObject({ corrected: true, selector: '.top .btn' });
    expect(link.elements).toHaveLength(1);
  });

  it('follow the state of what carries them', () => {
    const card = KINDS.find(({ name }) => name === 'card')!;
    const cards = pageOf('<article class="card"><h3>One</h3><p>Two</p></article>', '');
    const heading = findParts(cards.tree, card, '.card').find(({ part }) => part.name === 'heading')!;
    expect(heading.relation).toBe('ancestor');
    expect(heading.subjects[0]!.carrier.classes).toEqual(['card']);
  });
});

describe('rows and columns', () => {
  it('have names and keys of their own, and properties that the core computes', () => {
    expect(new Set(ROWS.map(({ key }) => key)).size).toBe(ROWS.length);
    expect(new Set(ROWS.map(({ label }) => label)).size).toBe(ROWS.length);
    for (const row of ROWS) {
      for (const property of row.properties) expect(PROPERTIES.has(property)).toBe(true);
      if (row.under !== undefined) {
        expect(rowNamed(row.under)!.properties).toEqual(expect.arrayContaining([...row.properties]));
      }
    }
  });

  it('are found again by their names, combined states too', () => {
    for (const column of Object.values(STATE_COLUMNS)) expect(columnNamed(column.name)).toBe(column);
    const combined = columnNamed('invalid+focus-visible')!;
    expect(combined.label).toBe('Focus + invalid');
    expect(columnNamed(combined.name)).toEqual(combined);
    expect(columnFor(setBits(combined))).toEqual(combined);
    expect(columnNamed('hoover')).toBeUndefined();
  });
});
