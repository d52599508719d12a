/** What an icon is drawn like where it stands. */
export interface IconStyle {
  /** CSS colour of its lines. */
  readonly colour: string;
  /** Width and height in CSS pixels. */
  readonly size: number;
}

const INK = 'currentColor';

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;');

/**
 * An icon as a file of its own, which needs nothing of the page around it: a picture in `content` does not take the
 * colour of the text.
 *
 * @param markup the icon as the page draws it, with `currentColor` for its lines
 */
export function iconFile(markup: string, { colour, size }: IconStyle): string {
  const inner = markup.slice(markup.indexOf('>') + 1, markup.lastIndexOf('</svg>'));
  const attributes = {
    xmlns: 'http://www.w3.org/2000/svg',
    width: `${size}`,
    height: `${size}`,
    viewBox: '0 0 24 24',
    fill: 'none',
    stroke: colour,
    'stroke-width': '2',
    'stroke-linecap': 'round',
    'stroke-linejoin': 'round',
  };
  const list = Object.entries(attributes).map(([name, value]) => `${name}="${escaped(value)}"`);
  return `<svg ${list.join(' ')}>${inner.replaceAll(INK, escaped(colour))}</svg>\n`;
}

/** A size that an icon can be drawn at beside text of a size, in whole CSS pixels. */
export function iconSize(fontSize: string): number {
  const size = /^[\d.]+px$/.test(fontSize.trim()) ? Number.parseFloat(fontSize) : NaN;
  return Number.isFinite(size) && size > 0 ? Math.min(96, Math.max(8, Math.round(size))) : 16;
}

/** The name of an icon's file: the same icon in another colour or size is another file. */
export const iconName = (name: string, { colour, size }: IconStyle): string =>
  `${name}-${size}-${colour.replace(/[^0-9a-z]+/gi, '')}.svg`;
