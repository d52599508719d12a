import { describe, expect, test } from '@jest/globals';
import { PreviewMemory } from './preview-memory';

describe('what a visitor remembers in the preview', () => {
  test('lasts until its time, or until somebody new comes', () => {
    const memory = new PreviewMemory();
    memory.keep('closed', 'yes', 100);
    memory.keep('visit', 'yes');
    expect(memory.kept('closed', 99)).toBe('yes');
    expect(memory.kept('closed', 100)).toBeUndefined();
    expect(memory.kept('visit', 1e15)).toBe('yes');
    memory.forget();
    expect(memory.kept('visit', 0)).toBeUndefined();
  });
});
