import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import type { ShippedFont } from '@retoque/contract';

/** Open fonts that come with Retoque, each a package of its own. */
const PACKAGES = [
  'source-sans-3',
  'work-sans',
  'nunito',
  'source-serif-4',
  'lora',
  'bitter',
  'fraunces',
  'jetbrains-mono',
];

interface Metadata {
  readonly id: string;
  readonly family: string;
  readonly category: string;
  readonly weights: readonly number[];
  readonly license: { readonly type: string };
}

const require = createRequire(import.meta.url);
const folderOf = (id: string) => dirname(require.resolve(`@fontsource-variable/${id}/package.json`));

async function metadataOf(id: string): Promise<Metadata> {
  return JSON.parse(await readFile(join(folderOf(id), 'metadata.json'), 'utf8')) as Metadata;
}

let list: Promise<ShippedFont[]> | undefined;

export function shippedFonts(): Promise<ShippedFont[]> {
  list ??= Promise.all(
    PACKAGES.map(async (id): Promise<ShippedFont> => {
      const { family, category, weights, license } = await metadataOf(id);
      return {
        id,
        family,
        sort: category,
        weight: { from: Math.min(...weights), to: Math.max(...weights) },
        licence: license.type,
      };
    }),
  );
  return list;
}

/** The upright file with Latin letters and all weights; undefined for a font that does not come with Retoque. */
export async function shippedFontFile(id: string): Promise<Buffer | undefined> {
  if (!PACKAGES.includes(id)) return undefined;
  return readFile(join(folderOf(id), 'files', `${id}-latin-wght-normal.woff2`));
}
