import { borderWidths } from '../paint/boxes.js';
import type { Looking } from '../paint/scene.js';
import type { ElementNode } from '../tree/tree.js';
import { without, type Check } from './check.js';
import { hiddenBy } from './hidden.js';
import { isTarget } from './is-target.js';

/** Common practice: text keeps this far from the edge of its ground, in CSS pixels. */
const LEAST_ROOM = 3;
/** Common practice: what stays on a phone's screen takes no more than this share of its height. */
const MOST_OF_PHONE = 0.3;
const PHONE_WIDTH = 600;
/** Common practice: a pair as stark as this is harsh on an area as large as this share of the screen. */
const STARK = 19.5;
const LARGE_AREA = 0.25;

const advice = (measured: number, needed: number, reason: string, passes: boolean): Check => ({
  ...without('leftover', 'exempt', needed, reason, 'geometry', 'px'),
  verdict: passes ? 'passes' : 'short',
  measured,
});

/** Advice: text squashed against the edge of a ground that is seen. Needs geometry. */
export function checkSquashed({ view, geometry }: Looking, element: ElementNode): Check | undefined {
  const measured = geometry?.elements.get(element.order);
  const style = view.of(element);
  const isSeen = style.colour('background-color').alpha > 0.05 || borderWidths(style).every((width) => width > 0);
  if (!measured?.lines.length || !isSeen || style.text('display') === 'inline' || hiddenBy(view, element))
    return undefined;
  const { box, lines } = measured;
  const left = Math.min(...lines.map((line) => line.x)) - box.x;
  const right = box.x + box.width - Math.max(...lines.map((line) => line.x + line.width));
  const least = Math.min(left, right);
  if (least >= LEAST_ROOM) return undefined;
  return advice(Math.max(0, least), LEAST_ROOM, 'The text stands right at the edge of its ground.', false);
}

/** Advice: something that stays on a phone's screen takes much of it. Needs geometry. */
export function checkTooTall({ view, geometry }: Looking, element: ElementNode): Check | undefined {
  const box = geometry?.elements.get(element.order)?.box;
  const position = view.of(element).text('position');
  if (!geometry || !box || geometry.width > PHONE_WIDTH || (position !== 'fixed' && position !== 'sticky'))
    return undefined;
  if (hiddenBy(view, element)) return undefined;
  const share = box.height / geometry.height;
  return advice(
    box.height,
    Math.round(geometry.height * MOST_OF_PHONE),
    share > MOST_OF_PHONE
      ? `It stays on the screen and takes ${Math.round(share * 100)} % of its height.`
      : 'It leaves most of the screen free.',
    share <= MOST_OF_PHONE,
  );
}

/** Advice: what looks like a button and leads nowhere. */
export function checkLeadsNowhere({ view }: Looking, element: ElementNode): Check | undefined {
  if (element.namespace !== 'html' || hiddenBy(view, element)) return undefined;
  const isInside = (node: ElementNode | undefined): boolean =>
    node !== undefined && (isTarget(node) || isInside(node.parent));
  if (isInside(element)) return undefined;
  const style = view.of(element);
  const isMade = element.name === 'a' || style.text('cursor') === 'pointer';
  return isMade
    ? {
        ...without('leftover', 'exempt', 0, '', 'ancestors', 'share'),
        verdict: 'short',
        measured: 1,
        reason: 'It looks like a control, and neither pointer nor keyboard can use it.',
      }
    : undefined;
}

/** Advice: a stark pair on a large area. */
export function checkComfort({ view, geometry }: Looking, element: ElementNode, text: Check): Check | undefined {
  const box = geometry?.elements.get(element.order)?.box;
  if (!geometry || !box || text.measured === undefined || text.criterion !== '1.4.3') return undefined;
  const share = (box.width * Math.min(box.height, geometry.height)) / (geometry.width * geometry.height);
  if (share < LARGE_AREA || text.measured < STARK || view.of(element).fontSize > 32) return undefined;
  return {
    ...text,
    criterion: 'comfort',
    verdict: 'short',
    needed: STARK,
    reason: 'So stark a pair on so large an area is felt to be harsh; a little less does as well.',
  };
}
