import { describe, expect, it } from '@jest/globals';
import type { DriftedCell } from '@retoque/core';
import { linesOf, noneWords, reachWords } from './drift-words';

const unit = (name: string, elements: number[]) => ({ version: 'v', name, elements, place: {} as never });
const cell = (property: string, column: string, wanted: string, text: string): DriftedCell => ({
  property,
  column,
  wanted,
  having: 5,
  others: [{ text, units: [unit('Read on', [3, 4]), unit('Read on', [9])] }],
});

describe('drift in words', () => {
  it('says corners that differ alike once', () => {
    const corners = ['top-left', 'top-right', 'bottom-right'].map((corner) =>
      cell(`border-${corner}-radius`, 'default', '5px', '4px'),
    );
    const lines = linesOf([...corners, cell('border-bottom-left-radius', 'default', '5px', '3px')]);
    expect(lines.map(({ css, others }) => [css, others[0]!.text])).toEqual([
      ['border-radius', '4px'],
      ['border-radius', '3px'],
    ]);
    expect(lines[0]!.others[0]).toEqual({ text: '4px', elements: 3, names: ['Read on'] });
  });

  it('names the state, and nothing at rest', () => {
    const lines = linesOf([cell('color', 'default', 'red', 'blue'), cell('color', 'hover', 'red', 'blue')]);
    expect(lines.map(({ state, label }) => `${label} ${state}`.trim())).toEqual(['Text', 'Text hover']);
  });

  it('says where what is made alike holds', () => {
    expect(reachWords({ viewport: 'wide', scheme: 'light' })).toBe(
      'What is made alike here holds at every width and in both schemes.',
    );
    expect(reachWords({ viewport: 'narrow', scheme: 'dark' })).toBe(
      'What is made alike here holds up to narrow width, in the dark scheme alone.',
    );
    expect(noneWords({ viewport: 'medium', scheme: 'light' })).toMatch(/^Nothing drifts up to medium width: /);
  });
});
