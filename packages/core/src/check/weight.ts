import { TOO_COSTLY } from '../paint/pictures.js';
import { splitTopLevel } from '../css/values/split.js';
import { addressIn } from '../paint/background.js';
import { pictureOf } from '../paint/replaced.js';
import type { Looking } from '../paint/scene.js';
import type { ElementNode } from '../tree/tree.js';
import { without, type Check } from './check.js';
import { hiddenBy } from './hidden.js';

/** Common practice: the picture of a bar or panel is well under this many kilobytes. */
const MOST_KB = 200;
/** Screens show up to so many pixels in one of CSS; more are sent for nothing. */
const DENSEST = 2;
/** A little more than the place needs is no waste. */
const SLACK = 1.25;

/** Addresses of the pictures that an element shows. */
function picturesOf({ view }: Looking, element: ElementNode): string[] {
  const own = pictureOf(element, view.styles.known.base);
  const layers = splitTopLevel(view.of(element).text('background-image')).flatMap((image) => addressIn(image) ?? []);
  return [...(own?.kind === 'picture' ? [own.address] : []), ...layers];
}

/** Advice: a picture heavier, or of more pixels, than its place needs. Nothing where no picture is weighed. */
export function checkWeight(looking: Looking, element: ElementNode): Check | undefined {
  const { view, geometry, pictures, weights } = looking;
  if (!weights || hiddenBy(view, element)) return undefined;
  const weighed = picturesOf(looking, element).flatMap((address) => {
    const bytes = weights(address);
    return bytes === undefined ? [] : [{ address, kB: bytes / 1000 }];
  });
  const heaviest = weighed.sort((a, b) => b.kB - a.kB)[0];
  if (!heaviest) return undefined;
  const box = geometry?.elements.get(element.order)?.box;
  const picture = pictures(heaviest.address);
  const natural = picture && picture !== TOO_COSTLY ? picture.natural : undefined;
  const isDrawing = /\.svg(\?|#|$)/i.test(heaviest.address);
  const wide = box && natural && !isDrawing ? natural.width / Math.max(1, box.width) : 0;
  const isHeavy = heaviest.kB > MOST_KB;
  const isLarge = wide > DENSEST * SLACK && natural!.height / Math.max(1, box!.height) > DENSEST * SLACK;
  return {
    ...without('weight', 'exempt', MOST_KB, '', geometry ? 'geometry' : 'ancestors', 'kB'),
    verdict: isHeavy || isLarge ? 'short' : 'passes',
    measured: heaviest.kB,
    reason: isLarge
      ? `It has ${natural!.width} × ${natural!.height} pixels for a place of ${Math.round(box!.width)} × ${Math.round(box!.height)}.`
      : isHeavy
        ? 'It is heavy for its place; the picture editor makes it lighter.'
        : undefined,
  };
}
