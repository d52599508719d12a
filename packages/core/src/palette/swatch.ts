import { ident } from 'css-tree';
import { parseColour } from '../colour/parse.js';

/** A colour with a name of its owner's, which looks may name wherever a colour may stand: `swatch(quay-blue)`. */
export interface Swatch {
  /** As looks name it; stays when it is called something else. */
  readonly id: string;
  readonly name: string;
  /** An absolute CSS colour. */
  readonly css: string;
}

/** What looks can write: small letters, digits and hyphens, a letter first. */
export const SWATCH_ID = /^[a-z][a-z0-9-]{0,59}$/;

/** How a value names a swatch, with an opacity of its own from 0 to 1 where one is given. */
export const swatchText = (id: string, opacity?: number): string =>
  opacity === undefined ? `swatch(${id})` : `swatch(${id} / ${Math.round(opacity * 1000) / 10}%)`;

/** A name as an id or a custom property has it; `colour` where nothing of it can stand there. */
export function slugOf(name: string): string {
  const plain = name
    .normalize('NFKD')
    .replace(/\p{Mn}/gu, '')
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
    .join('-')
    .slice(0, 50)
    .replace(/-$/, '');
  return /^[a-z]/.test(plain) ? plain : plain ? `colour-${plain}` : 'colour';
}

/** The first of `name`, `name-2`, `name-3` … that is not taken. */
export function freeId(name: string, taken: ReadonlySet<string>): string {
  const slug = slugOf(name);
  let id = slug;
  for (let n = 2; taken.has(id); n++) id = `${slug}-${n}`;
  return id;
}

/** A swatch that is put into a palette, without an id yet. */
export type NewSwatch = Pick<Swatch, 'name' | 'css'>;

/** A palette with more swatches behind its own; a colour that it has under the same name is not put in again. */
export function withSwatchesAdded(palette: readonly Swatch[], added: readonly NewSwatch[]): Swatch[] {
  const taken = new Set(palette.map(({ id }) => id));
  const known = new Set(palette.map(({ name, css }) => `${name}\n${css}`));
  const next = [...palette];
  for (const { name, css } of added) {
    if (known.has(`${name}\n${css}`) || !parseColour(css)) continue;
    known.add(`${name}\n${css}`);
    const id = freeId(name, taken);
    taken.add(id);
    next.push({ id, name, css });
  }
  return next;
}

/**
 * The custom properties that swatches are handed over as, by their ids: called as the swatches are, and as nothing that
 * the site has already.
 */
export function propertyNames(palette: readonly Swatch[], ofSite: ReadonlySet<string>): ReadonlyMap<string, string> {
  const taken = new Set([...ofSite].map((name) => name.replace(/^--/, '')));
  return new Map(
    palette.map(({ id, name }) => {
      const free = freeId(name, taken);
      taken.add(free);
      return [id, `--${ident.encode(free)}`];
    }),
  );
}

/** How swatches are written where looks are handed over. */
export const SWATCHES_AS = ['literals', 'properties'] as const;
export type SwatchesAs = (typeof SWATCHES_AS)[number];

/** The colours of a site, as its looks may name them. */
export interface SitePalette {
  readonly swatches: readonly Swatch[];
  readonly handedOverAs: SwatchesAs;
}

export const NO_PALETTE: SitePalette = { swatches: [], handedOverAs: 'literals' };

/** What a palette comes to in CSS. */
export interface PaletteInCss {
  /** What stands in a value in a swatch's place, by its id. */
  readonly swatches: ReadonlyMap<string, string>;
  /** The custom properties that those values name, with their colours. */
  readonly properties: ReadonlyMap<string, string>;
}

/**
 * A palette as literals, or as custom properties; these bring their colour along, so that a value holds where the
 * property is not known.
 *
 * @param ofSite custom properties that the site has already
 */
export function inCss({ swatches, handedOverAs }: SitePalette, ofSite: ReadonlySet<string>): PaletteInCss {
  if (handedOverAs === 'literals') {
    return { swatches: new Map(swatches.map(({ id, css }) => [id, css])), properties: new Map() };
  }
  const names = propertyNames(swatches, ofSite);
  return {
    swatches: new Map(swatches.map(({ id, css }) => [id, `var(${names.get(id)!}, ${css})`])),
    properties: new Map(swatches.map(({ id, css }) => [names.get(id)!, css])),
  };
}
