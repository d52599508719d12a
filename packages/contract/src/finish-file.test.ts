import { describe, expect, it } from '@jest/globals';
import { KINDS, starterLooks, type Look } from '@retoque/core';
import Ajv from 'ajv';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { FINISH_FORMAT, finishFileSchema, readFinishFile, writeFinishFile } from './finish-file.js';
import type { LookData } from './look.js';

const schemaPath = fileURLToPath(new URL('../../../docs/finish.schema.json', import.meta.url));
const published = JSON.parse(readFileSync(schemaPath, 'utf8')) as Record<string, unknown>;
const asIs = (look: Look): Look => look;
const finishes = KINDS.flatMap(({ name: kind }) =>
  starterLooks(kind).map(({ name, look }) => ({ name, kind, look: look as LookData })),
);
const problemOf = (content: unknown): string => {
  const read = readFinishFile(typeof content === 'string' ? content : JSON.stringify(content));
  return read.ok ? '' : read.problem;
};
const file = (more: object) => ({
  format: FINISH_FORMAT,
  version: 1,
  name: 'Plain',
  kind: 'button',
  settings: [{ part: 'button', property: 'color', value: '#fff' }],
  ...more,
});

describe('a finish as a file', () => {
  it('is published with the schema that it is read by', () => {
    const { $id, title, ...own } = published;
    expect([$id, title].every((word) => typeof word === 'string')).toBe(true);
    // `npx tsx` is not needed to mend it: what this prints is the file but for its id and title.
    expect(own).toEqual(
      JSON.parse(JSON.stringify(z.toJSONSchema(finishFileSchema, { target: 'draft-7', io: 'input' }))),
    );
  });

  it('is what another validator of JSON Schema takes for one', () => {
    const validate = new Ajv({ strict: false }).compile(published);
    for (const finish of finishes) {
      const written: unknown = JSON.parse(writeFinishFile(finish, asIs));
      expect([finish.kind, validate(written), validate.errors]).toEqual([finish.kind, true, null]);
    }
    expect(validate({ ...file({}), settings: [] })).toBe(false);
    expect(validate({ ...file({}), version: 2 })).toBe(false);
  });

  it('is read again as it was written, whatever the kind', () => {
    for (const finish of finishes) {
      const read = readFinishFile(writeFinishFile(finish, asIs));
      expect(read).toEqual({ ok: true, finish: { ...finish, look: { ...finish.look } } });
    }
  });

  it.each([
    ['nothing', '', 'no JSON'],
    ['other JSON', [1, 2], 'no finish'],
    ['null', 'null', 'no finish'],
    ['a later version', file({ version: 2 }), 'cannot be read at “version”'],
    ['an unknown kind', file({ kind: 'sail' }), 'does not know'],
    ['no values', file({ settings: [] }), 'cannot be read at “settings”'],
    [
      'a rule in a value',
      file({ settings: [{ part: 'button', property: 'color', value: 'red } a { color: blue' }] }),
      'no braces',
    ],
    [
      'a value that browsers drop',
      file({ settings: [{ part: 'button', property: 'color', value: '12px' }] }),
      'color: 12px',
    ],
    [
      'a shorthand',
      file({ settings: [{ part: 'button', property: 'border', value: '1px solid red' }] }),
      'border: 1px solid red',
    ],
    ['too much', ' '.repeat(2_000_001), 'too large'],
  ])('refuses %s, and says why', (_what, content, words) => {
    expect(problemOf(content)).toContain(words);
  });

  it('takes values without conditions, and no page or member', () => {
    const read = readFinishFile(JSON.stringify(file({})));
    expect(read.ok && read.finish.look.settings).toEqual([
      { part: 'button', property: 'color', value: '#fff', when: { states: [] } },
    ]);
    const own = file({
      settings: [{ part: 'button', property: 'color', value: '#fff', exception: 'a', when: { page: 'b' } }],
    });
    const other = readFinishFile(JSON.stringify(own));
    expect(other.ok && other.finish.look.settings[0]).not.toHaveProperty('exception');
    expect(other.ok && other.finish.look.settings[0]!.when).toEqual({ states: [] });
  });
});
