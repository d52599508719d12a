import { describe, expect, it } from '@jest/globals';
import { rowNamed } from '../component/rows.js';
import { rowText } from './cells.js';

const text = (row: string, values: Readonly<Record<string, string>>) =>
  rowText(rowNamed(row)!, (property) => values[property] ?? '');

describe('the text of a row of several longhands', () => {
  it('says a place as two terms, since one alone means the middle of the other', () => {
    const at = (x: string, y: string) =>
      text('background-position', { 'background-position-x': x, 'background-position-y': y });
    expect(at('100%', '100%')).toBe('100% 100%');
    expect(at('0%, 10%, 20%', '5%, 6%')).toBe('0% 5%, 10% 6%, 20% 5%');
    expect(at('inherit', 'inherit')).toBe('inherit');
  });
  it('says what is alike once', () => {
    const sides = ['top', 'right', 'bottom', 'left'];
    const padding = (...values: string[]) =>
      text('padding', Object.fromEntries(sides.map((side, i) => [`padding-${side}`, values[i]!])));
    expect(padding('4px', '4px', '4px', '4px')).toBe('4px');
    expect(padding('4px', '8px', '4px', '8px')).toBe('4px 8px');
  });
});
