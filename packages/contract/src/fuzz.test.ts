import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { z } from 'zod';
import * as contract from './index.js';

const schemas = Object.entries(contract).flatMap(([name, value]): [string, z.ZodType][] =>
  (value as unknown) instanceof z.ZodType ? [[name, value as unknown as z.ZodType]] : [],
);

describe('every schema', () => {
  it.each(schemas)('%s answers anything, and never throws', (_, schema) => {
    fc.assert(
      fc.property(fc.oneof(fc.anything({ withNullPrototype: true, withBigInt: true }), fc.jsonValue()), (value) => {
        const read = schema.safeParse(value);
        // What it takes it takes again, and gives the same.
        if (read.success) expect(schema.safeParse(read.data).success).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

const ID = '6c3f9f0e-6d0f-4a5c-9d1e-0a4a3a1c7b11';
const locator = { selector: '.a', tag: 'a', classes: ['b'], attributes: { id: 'c' }, text: 'd', ancestry: ['e'] };
const look = {
  settings: [
    {
      part: 'link',
      exception: 'x',
      property: 'color',
      when: { states: [{ part: 'link', state: 'hover' }] },
      value: 'red',
    },
  ],
  exceptions: [{ id: 'x', name: 'One', part: 'link', members: ['.a'] }],
  muted: ['k'],
  parts: { link: '.a' },
};

/** Everything that is taken in, with an example that is right. */
const TAKEN: readonly (readonly [string, z.ZodType, unknown])[] = [
  ['a pasted page', contract.fromPasteSchema, { site: { name: 'S' }, name: 'P', html: '<p>', css: 'a{}' }],
  ['an address', contract.fromAddressSchema, { site: { name: 'S' }, address: 'https://page.invalid/' }],
  ['an upload', contract.fromUploadSchema, { siteName: 'S', paths: '[]' }],
  ['paths', contract.pathsSchema, ['a/b.html']],
  [
    'a change',
    contract.addChangeSchema,
    { kind: 'button', name: 'N', locator, place: 'after', html: '<b>', css: 'b{}', before: 'x' },
  ],
  ['a component', contract.openComponentSchema, { pageId: ID, kind: 'link', name: 'N', locator }],
  ['a look', contract.saveLookSchema, { baseRevision: 0, saveId: ID, look }],
  ['a version', contract.addTrialSchema, { look }],
  ['a name', contract.changeComponentSchema, { name: 'N' }],
  ['a site', contract.changeSiteSchema, { name: 'N' }],
  ['a font', contract.addShippedFontSchema, { id: 'lora' }],
  ['a picture', contract.recodeSchema, { source: '0'.repeat(64), name: 'n', format: 'webp', quality: 80, keep: false }],
  [
    'geometry',
    contract.putGeometrySchema,
    {
      edition: 'e',
      measurements: [{ viewport: { width: 1, height: 1 }, opened: 'o', elements: { ':root': { box: [0, 0, 1, 1] } } }],
    },
  ],
];

/** The value with each of its texts, keys too, spoilt in turn. */
function* spoilt(value: unknown, bad: string): Generator<unknown> {
  if (typeof value === 'string') yield value + bad;
  else if (Array.isArray(value))
    for (let i = 0; i < value.length; i++) for (const item of spoilt(value[i], bad)) yield value.with(i, item);
  else if (value && typeof value === 'object')
    for (const [key, own] of Object.entries(value))
      for (const item of spoilt(own, bad)) yield { ...value, [key]: item };
}

describe('text that is taken in', () => {
  it.each(TAKEN)('in %s holds no NUL and no half of a pair, wherever it stands', (_, schema, example) => {
    expect(schema.safeParse(example).success).toBe(true);
    for (const bad of ['\0', '\ud800', '\udfff'])
      for (const value of spoilt(example, bad))
        expect([value, schema.safeParse(value).success]).toEqual([value, false]);
  });

  it('may be anything else', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 50 }), (value) => {
        expect(contract.isPlainText(value)).toBe(!value.includes('\0'));
      }),
    );
  });
});
