import { describe, expect, it } from '@jest/globals';
import { ROWS, rowNamed } from '@retoque/core';
import { lineFor } from './line-for';

describe('the line of an edge', () => {
  it('has a width and a style for each side of its row', () => {
    expect(Object.keys(lineFor(rowNamed('border')!)!)).toHaveLength(8);
    expect(lineFor(rowNamed('border-top-color')!)).toEqual({ 'border-top-width': '1px', 'border-top-style': 'solid' });
    expect(lineFor(rowNamed('outline')!)).toEqual({ 'outline-width': '1px', 'outline-style': 'solid' });
  });

  it('is nothing for other rows', () => {
    const edges = ROWS.filter((row) => lineFor(row));
    expect(edges.every(({ properties }) => properties.every((name) => /^(border-.+|outline)-color$/.test(name)))).toBe(
      true,
    );
    expect(lineFor(rowNamed('text')!)).toBeUndefined();
  });
});
