import { splitTopLevel } from '../css/values/split.js';
import { lookup } from '../base/lookup.js';

/** One layer of a background, the front one first in a list of them (CSS Backgrounds 3, section 2.1). */
export interface Layer {
  readonly image: string;
  readonly size: string;
  /** Horizontal, then vertical. */
  readonly x: string;
  readonly y: string;
  readonly repeat: string;
}

export const PLAIN_LAYER: Omit<Layer, 'image'> = { size: 'auto', x: '0%', y: '0%', repeat: 'repeat' };

const list = (text: string, initial: string): readonly string[] => {
  const items = splitTopLevel(text).filter(Boolean);
  return items.length ? items : [initial];
};

/**
 * The layers that lists of longhands make together; a shorter list is begun again.
 *
 * @param text CSS text of a longhand, empty where it is not known
 */
export function readLayers(text: (property: string) => string): Layer[] {
  const images = splitTopLevel(text('background-image')).filter(Boolean);
  if (images.length === 1 && images[0]!.toLowerCase() === 'none') return [];
  const of = (property: string, initial: string) => {
    const items = list(text(property), initial);
    return (i: number) => items[i % items.length]!;
  };
  const size = of('background-size', PLAIN_LAYER.size);
  const x = of('background-position-x', PLAIN_LAYER.x);
  const y = of('background-position-y', PLAIN_LAYER.y);
  const repeat = of('background-repeat', PLAIN_LAYER.repeat);
  return images.map((image, i) => ({ image, size: size(i), x: x(i), y: y(i), repeat: repeat(i) }));
}

/**
 * Longhands that give layers. What every layer leaves as it is at first is left out, unless it was set before.
 *
 * @param set longhands that are to be written in any case
 */
export function printLayers(layers: readonly Layer[], set: readonly string[] = []): Record<string, string> {
  if (!layers.length) return { 'background-image': 'none' };
  const values: Record<string, string> = { 'background-image': layers.map(({ image }) => image).join(', ') };
  const write = (property: string, key: keyof typeof PLAIN_LAYER) => {
    const own = layers.map((layer) => layer[key]);
    if (own.every((value) => value === PLAIN_LAYER[key]) && !set.includes(property)) return;
    values[property] = own.every((value) => value === own[0]) ? own[0]! : own.join(', ');
  };
  write('background-size', 'size');
  write('background-position-x', 'x');
  write('background-position-y', 'y');
  write('background-repeat', 'repeat');
  return values;
}

/** A picture's box inside the area that it is laid in. */
export interface PaintedPicture {
  /** In the area's pixels, from its top left corner. */
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const lengthOf = (text: string, whole: number): number | undefined => {
  const match = /^(-?[\d.]+)(px|%)?$/.exec(text.trim());
  if (!match || (!match[2] && Number(match[1]) !== 0)) return undefined;
  return match[2] === '%' ? (Number(match[1]) / 100) * whole : Number(match[1]);
};
const WORDS: Readonly<Record<string, number>> = lookup({ left: 0, top: 0, center: 0.5, right: 1, bottom: 1 });

/**
 * Where one copy of a picture is painted, by the rules of `background-size` and `background-position` (CSS Backgrounds
 * 3, sections 3.6 and 3.9); undefined for lengths that cannot be told without the page.
 *
 * @param picture its own measures, in pixels
 * @param area of the background positioning area, in pixels
 */
export function paintedPicture(
  layer: Pick<Layer, 'size' | 'x' | 'y'>,
  picture: { readonly width: number; readonly height: number },
  area: { readonly width: number; readonly height: number },
): PaintedPicture | undefined {
  const ratio = picture.width / picture.height;
  let width: number;
  let height: number;
  if (layer.size === 'cover' || layer.size === 'contain') {
    const choose = layer.size === 'cover' ? Math.max : Math.min;
    const scale = choose(area.width / picture.width, area.height / picture.height);
    [width, height] = [picture.width * scale, picture.height * scale];
  } else {
    const [across = 'auto', down = 'auto'] = layer.size.split(/\s+/);
    const w = across === 'auto' ? undefined : lengthOf(across, area.width);
    const h = down === 'auto' ? undefined : lengthOf(down, area.height);
    if ((across !== 'auto' && w === undefined) || (down !== 'auto' && h === undefined)) return undefined;
    width = w ?? (h === undefined ? picture.width : h * ratio);
    height = h ?? width / ratio;
  }
  const place = (text: string, free: number): number | undefined => {
    const word = WORDS[text];
    if (word !== undefined) return word * free;
    const share = /^(-?[\d.]+)%$/.exec(text);
    return share ? (Number(share[1]) / 100) * free : lengthOf(text, 0);
  };
  const left = place(layer.x, area.width - width);
  const top = place(layer.y, area.height - height);
  return left === undefined || top === undefined ? undefined : { left, top, width, height };
}
