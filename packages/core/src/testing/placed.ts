import { checkText } from '../check/text.js';
import { selectAll } from '../css/selector/locator.js';
import type { Geometry } from '../page/geometry.js';
import { NO_PICTURES, type PictureSource } from '../paint/pictures.js';
import { fieldOf } from '../picture/field.js';
import { lookingAt, pageOf } from './page.js';

/** Where elements stand, by a selector of each; `::before` and `::after` may follow. */
export type Boxes = Readonly<Record<string, readonly [number, number, number, number]>>;

const boxOf = ([x, y, width, height]: Boxes[string]) => ({ x, y, width, height });

/** A page whose elements stand where the test says; a text's line is its whole box. */
export function placed(body: string, css: string, boxes: Boxes, pictures: PictureSource = NO_PICTURES) {
  const page = pageOf(body, css);
  const elements = new Map(
    Object.entries({ html: [0, 0, 400, 300] as const, body: [0, 0, 400, 300] as const, ...boxes })
      .filter(([selector]) => !selector.includes('::'))
      .map(([selector, sides]) => {
        const box = boxOf(sides);
        const generated = (name: string) => {
          const own = boxes[`${selector}::${name}`];
          return own && boxOf(own);
        };
        const own = { box, lines: [box], before: generated('before'), after: generated('after') };
        return [selectAll(page.tree, selector)[0]!.order, own] as const;
      }),
  );
  const geometry: Geometry = { width: 400, height: 300, elements };
  const looking = lookingAt(page.stylesFor().at(), geometry, pictures);
  const one = (selector: string) => selectAll(page.tree, selector)[0]!;
  return { page, looking, one, text: (selector: string) => checkText(looking, one(selector)) };
}

/** A picture, pixel by pixel. */
export const field = (
  width: number,
  height: number,
  at: (x: number, y: number) => readonly [number, number, number, number],
) => {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data.set(at(x, y), (y * width + x) * 4);
  return fieldOf(width, height, data);
};
