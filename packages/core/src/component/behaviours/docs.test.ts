import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { BEHAVIOURS } from './index.js';

const folder = new URL('../../../../../docs/behaviours/', import.meta.url);
const read = (name: string) => readFileSync(new URL(`${name}.md`, folder), 'utf8');

describe('the docs of behaviours', () => {
  test.each(BEHAVIOURS)('$name: every setting, with what it takes and what is usual', ({ name, label, rows }) => {
    const text = read(name);
    expect(text).toMatch(new RegExp(`^# ${label}\n`));
    expect(read('README')).toContain(`[${label}](${name}.md)`);
    const lines = text.split('\n').filter((line) => line.startsWith('|'));
    for (const row of rows) {
      const line = lines.find((own) => own.includes(`\`${row.key}\``));
      expect(line).toContain(row.label);
      if (row.usual) expect(line).toContain(`\`${row.usual}\``);
      for (const word of row.words ?? []) expect(line).toContain(`\`${word}\``);
      if (row.amount) expect(line).toContain(`${row.amount.least}${row.amount.unit} to ${row.amount.most}`);
    }
    expect(Math.max(0, lines.length - 2)).toBe(rows.length);
  });
});
