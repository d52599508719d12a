import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { settingKey, settingText, type Look, type Setting } from './model.js';
import { partsThatDiffer, takeParts } from './take-parts.js';

const PARTS = ['bar', 'link', 'panel'];
const settingOf = fc.record({
  part: fc.constantFrom(...PARTS),
  property: fc.constantFrom('color', 'opacity'),
  value: fc.constantFrom('red', 'blue', '1'),
  hover: fc.boolean(),
  alone: fc.boolean(),
});
/** Looks in which each part has an exception of its own, under ids that other looks have for other parts. */
const lookOf: fc.Arbitrary<Look> = fc
  .record({
    drawn: fc.array(settingOf, { maxLength: 8 }),
    order: fc.shuffledSubarray(PARTS, { minLength: 3 }),
    off: fc.nat(3),
    corrected: fc.boolean(),
  })
  .map(({ drawn, order, off, corrected }): Look => {
    const settings = new Map<string, Setting>();
    for (const { part, property, value, hover, alone } of drawn) {
      const setting: Setting = {
        part,
        property,
        value,
        when: { states: hover ? [{ part, state: 'hover' }] : [] },
        ...(alone ? { exception: `e${order.indexOf(part)}` } : {}),
      };
      settings.set(settingKey(setting), setting);
    }
    const exceptions = order.map((part, i) => ({ id: `e${i}`, name: part, part, members: [`.${part}`] }));
    return {
      settings: [...settings.values()],
      exceptions,
      muted: [...settings.keys()].slice(0, off),
      ...(corrected ? { parts: { link: '.corrected' } } : {}),
    };
  });
/** What is said of a part, whatever its exceptions are called. */
const said = ({ settings, exceptions, muted, parts }: Look, part: string) => ({
  values: settings
    .filter((setting) => setting.part === part)
    .map((setting) => {
      const members = exceptions.find(({ id }) => id === setting.exception)?.members;
      const plain = { ...setting, exception: members?.join() };
      return `${settingText(plain)} ${muted.includes(settingKey(setting))}`;
    })
    .sort(),
  members: exceptions.filter((own) => own.part === part).map(({ members }) => members),
  selector: parts?.[part],
});

describe('parts of one version in another', () => {
  it('say what they said there, and the others what they said here', () => {
    fc.assert(
      fc.property(lookOf, lookOf, fc.subarray(PARTS), (look, from, parts) => {
        const next = takeParts(look, from, new Set(parts));
        for (const part of PARTS) expect(said(next, part)).toEqual(said(parts.includes(part) ? from : look, part));
        const ids = next.exceptions.map(({ id }) => id);
        expect(new Set(ids).size).toBe(ids.length);
      }),
      { numRuns: 500 },
    );
  });

  it('are those that differ, and none of them when all are taken', () => {
    fc.assert(
      fc.property(lookOf, lookOf, (look, from) => {
        expect(partsThatDiffer(look, look)).toEqual([]);
        const next = takeParts(look, from, new Set(PARTS));
        for (const part of PARTS) expect(said(next, part)).toEqual(said(from, part));
        expect(partsThatDiffer(next, takeParts(next, from, new Set(PARTS)))).toEqual([]);
      }),
    );
  });
});
