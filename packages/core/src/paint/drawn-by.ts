import type { ElementStyle } from '../css/cascade/element-style.js';
import type { Box } from '../page/box.js';
import type { ElementNode } from '../tree/tree.js';
import { contentBox } from './boxes.js';
import type { Fill } from './fill.js';
import { picturePattern, TOO_COSTLY, whyNoPixels, type PictureSource } from './pictures.js';
import { pictureOf } from './replaced.js';

/** What an element draws itself in place of text; undefined where that is nothing. */
export function drawnBy(
  element: ElementNode,
  style: ElementStyle,
  box: Box,
  pictures: PictureSource,
  base: string | undefined,
): Fill | undefined {
  const picture = pictureOf(element, base);
  if (!picture) return undefined;
  const inside = contentBox(style, box);
  if (picture.kind === 'unknown') return { kind: 'unknown', why: `${picture.why} (<${element.name}>).`, box: inside };
  const field = pictures(picture.address);
  if (field === null) return undefined;
  if (!field || field === TOO_COSTLY)
    return { kind: 'unknown', why: whyNoPixels(`<${element.name}>`, field), box: inside };
  const fitted = fit(style.text('object-fit'), field.natural, inside);
  const pattern = picturePattern(field, fitted.width, fitted.height);
  return {
    kind: 'pattern',
    pattern,
    tiling: { x: fitted.x, y: fitted.y, stepX: undefined, stepY: undefined },
    box: inside,
    what: 'picture',
  };
}

/** Where a picture is drawn in its box, in the middle unless it is stretched (CSS Images 3, section 5.5). */
function fit(how: string, natural: { readonly width: number; readonly height: number }, box: Box): Box {
  const scales = [box.width / natural.width, box.height / natural.height];
  const scale =
    how === 'cover'
      ? Math.max(...scales)
      : how === 'contain'
        ? Math.min(...scales)
        : how === 'none'
          ? 1
          : how === 'scale-down'
            ? Math.min(1, ...scales)
            : undefined;
  if (scale === undefined) return box;
  const [width, height] = [natural.width * scale, natural.height * scale];
  return { x: box.x + (box.width - width) / 2, y: box.y + (box.height - height) / 2, width, height };
}
