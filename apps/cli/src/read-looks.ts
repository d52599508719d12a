import type { SiteLooks } from '@retoque/contract';
import { DressedPage, inCss, resolveNames, type Look, type PageSession } from '@retoque/core';
import { readFileSync } from 'node:fs';
import { Failure } from './failure.js';

/** @throws Failure where the file cannot be read, or holds something else */
async function readLooks(file: string): Promise<SiteLooks> {
  // Loaded only where it is needed, so that other runs start sooner.
  const { siteLooksSchema } = await import('@retoque/contract');
  let value: unknown;
  try {
    value = JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    throw new Failure(`The looks in ${file} cannot be read: ${(error as Error).message}.`);
  }
  const read = siteLooksSchema.safeParse(value);
  if (read.success) return read.data;
  const [first] = read.error.issues;
  throw new Failure(`${file} holds no looks of a site: ${first!.path.join('.')}: ${first!.message}`);
}

const NOTHING: SiteLooks = {
  bounds: { medium: 1023, narrow: 599 },
  looks: [],
  palette: { swatches: [], handedOverAs: 'literals' },
  finishes: [],
};

/**
 * A page with the looks of a file on it.
 *
 * @param pageId the page as settings name it, where that is known
 */
export async function dressFor(page: PageSession, file: string | undefined, pageId = ''): Promise<DressedPage> {
  const { bounds, looks, palette, finishes } = file === undefined ? NOTHING : await readLooks(file);
  const { swatches } = inCss({ ...palette, handedOverAs: 'literals' }, new Set());
  const named = { swatches, finishes: new Map<string, Look>(finishes.map(({ id, look }) => [id, look])) };
  const resolved = looks.map((worn) => ({ ...worn, look: resolveNames(worn.look, named).look }));
  return new DressedPage(
    page,
    pageId,
    () => bounds,
    () => resolved,
    false,
  );
}
