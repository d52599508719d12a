import type { ShippedFont, SiteAsset } from '@retoque/contract';
import type { SiteFont } from '../engine/protocol';
import { assetSource } from './queries';

/** Names in the application's own document, so that a site's fonts never change the interface's. */
const shownAs = new Map<string, string>();

function load(family: string, source: string, descriptors: FontFaceDescriptors): string {
  const key = `${family} ${source}`;
  const known = shownAs.get(key);
  if (known) return known;
  const name = `shown-${shownAs.size}-${family.replace(/[^\w -]/g, '')}`;
  const face = new FontFace(name, `url(${JSON.stringify(source)})`, descriptors);
  document.fonts.add(face);
  shownAs.set(key, name);
  return name;
}

export const shippedName = (font: ShippedFont): string =>
  load(font.family, `/api/fonts/${font.id}/file`, { weight: `${font.weight.from} ${font.weight.to}` });

export const assetName = (asset: SiteAsset): string =>
  asset.font
    ? load(asset.font.family, assetSource(asset.hash), {
        weight: `${asset.font.weight.from} ${asset.font.weight.to}`,
        style: asset.font.style,
      })
    : '';

/**
 * Loads the fonts of a site into the application, so that lists can show them.
 *
 * @returns what a family is called here, by its name on the site in lower case
 */
export function siteFontNames(fonts: readonly SiteFont[]): ReadonlyMap<string, string> {
  const names = new Map<string, string>();
  for (const { family, source, style, weight } of fonts) {
    const key = family.toLowerCase();
    if (!names.has(key)) names.set(key, load(family, source, { style, weight }));
  }
  return names;
}
