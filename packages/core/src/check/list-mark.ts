import { lineHeightOf } from '../css/cascade/used-font.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { Box } from '../page/box.js';
import type { ElementGeometry } from '../page/geometry.js';
import { contentBox } from '../paint/boxes.js';
import type { ElementNode } from '../tree/tree.js';

/** Signs of `list-style-type` that say nothing but that an item begins (CSS Counter Styles 3, section 6.2). */
const BULLETS = new Set(['disc', 'circle', 'square']);

/** What the mark of a list item is made of; undefined where it has none. */
export function listMarkOf(view: StyledPage, element: ElementNode): 'bullet' | 'text' | 'picture' | undefined {
  const own = view.of(element);
  if (!own.text('display').includes('list-item')) return undefined;
  const content = view.of(element, 'marker').text('content');
  if (content === 'none') return undefined;
  if (content !== 'normal') return /\b(url|image-set|gradient)\(/.test(content) ? 'picture' : 'text';
  if (own.text('list-style-image') !== 'none') return 'picture';
  const type = own.text('list-style-type');
  return type === 'none' ? undefined : BULLETS.has(type) ? 'bullet' : 'text';
}

export const isOutside = (style: ElementStyle): boolean => style.text('list-style-position') === 'outside';

/** How far from an item's edge a mark outside of it begins and ends, in its own font size: two digits and a stop. */
const [NEAREST, FARTHEST] = [0.3, 1.6];

/** Where the mark of a list item is, which no script can measure: beside the first line, outside of the item or in it. */
export function listMarkArea(item: ElementStyle, mark: ElementStyle, { box, lines }: ElementGeometry): Box {
  const inner = contentBox(item, box);
  const height = lines[0]?.height ?? lineHeightOf(item) ?? item.fontSize * 1.2;
  const y = lines[0]?.y ?? inner.y;
  const width = (FARTHEST - NEAREST) * mark.fontSize;
  const isRtl = item.text('direction') === 'rtl';
  if (!isOutside(item)) return { x: isRtl ? inner.x + inner.width - width : inner.x, y, width, height };
  const gap = NEAREST * mark.fontSize;
  return { x: isRtl ? box.x + box.width + gap : box.x - gap - width, y, width, height };
}
