import { over } from '../colour/composite.js';
import { distance, labOf, toOklab, type Oklab } from '../colour/difference.js';
import { seenAs, VISIONS, type Vision } from '../colour/vision.js';
import { WHITE, type Rgba } from '../colour/rgba.js';
import { once } from '../memo/once.js';
import { oncePerShape } from '../css/cascade/once-per-shape.js';
import { borderWidths, SIDES } from '../paint/boxes.js';
import { flatPair, isFlat } from '../paint/flat.js';
import { groundOf, plainGround, type Looking } from '../paint/scene.js';
import type { ElementNode } from '../tree/tree.js';

/** What a part looks like in a state, as far as a look at it tells. */
export interface Appearance {
  /** Colours as they are painted, opaque. */
  readonly colours: Readonly<Record<'text' | 'ground' | 'edge', Rgba>>;
  /** What is told apart without any colour. */
  readonly forms: Readonly<Record<string, string>>;
}

const FORMS = [
  'text-decoration-line',
  'text-decoration-thickness',
  'text-underline-offset',
  'font-weight',
  'font-style',
  'font-size',
  'letter-spacing',
  'transform',
  'translate',
  'scale',
  'rotate',
  'outline-style',
  'outline-width',
  'outline-offset',
  'background-size',
  'border-top-style',
  'visibility',
] as const;

/** The colour that lies behind what an element holds; white where many do. */
function colourOfGround(looking: Looking, element: ElementNode): Rgba {
  const plain = plainGround(looking.view.of(element));
  if (plain) return plain;
  const { nodes } = groundOf(looking, element);
  return isFlat(nodes) ? flatPair(nodes).background : over(looking.view.of(element).colour('background-color'), WHITE);
}

/** Appearances in one look at a page, by element and pseudo-element. */
const appearancesIn = once((_looking: Looking) => new Map<string, Appearance>());

export function appearanceOf(looking: Looking, element: ElementNode, pseudo?: string): Appearance {
  const known = appearancesIn(looking);
  const key = `${element.order} ${pseudo ?? ''}`;
  let found = known.get(key);
  if (!found) known.set(key, (found = appearanceAfresh(looking, element, pseudo)));
  return found;
}

function appearanceAfresh(looking: Looking, element: ElementNode, pseudo?: string): Appearance {
  const style = looking.view.of(element, pseudo);
  const ground = colourOfGround(looking, element);
  const widths = borderWidths(style);
  const drawn = SIDES.findIndex((_, i) => widths[i]! > 0);
  return {
    colours: {
      text: over(style.colour('color'), ground),
      ground,
      edge: drawn < 0 ? ground : over(style.colour(`border-${SIDES[drawn]!}-color`), ground),
    },
    forms: {
      ...formsOf(style),
      'box-shadow': withoutColours(style.text('box-shadow')),
      'background-image': style.text('background-image'),
    },
  };
}

/** What is told apart without any colour, but for what may hold one. */
const formsOf = oncePerShape((style) => {
  const forms: Record<string, string> = {};
  for (const property of FORMS) {
    // An outline that is not drawn has no width worth telling apart.
    const isOutline = property.startsWith('outline-') && property !== 'outline-style';
    if (!isOutline || style.text('outline-style') !== 'none') forms[property] = style.text(property);
  }
  forms['border-width'] = borderWidths(style).join(' ');
  return forms;
});

/** Shadows whose colours are all transparent are none; of the others what they measure is told apart. */
const withoutColours = (text: string): string =>
  text.replace(/rgba\([^)]*,\s*0\)(\s+-?[\d.]+px){4}(\s+inset)?/g, 'none').replace(/rgba?\([^)]*\)/g, '');

/** What is worked out of two appearances, worked out once. */
function betweenTwo<T>(make: (a: Appearance, b: Appearance) => T): (a: Appearance, b: Appearance) => T {
  const of = once((a: Appearance) => once((b: Appearance) => make(a, b)));
  return (a, b) => of(a)(b);
}

/** Forms that two appearances do not share. */
export const formsApart = betweenTwo((a, b): string[] =>
  Object.keys({ ...a.forms, ...b.forms }).filter((name) => a.forms[name] !== b.forms[name]),
);

/** A colour as it is, and as it is seen in each way. */
const seenIn = once((colour: Rgba): readonly Oklab[] => [
  labOf(colour),
  ...VISIONS.map((vision) => toOklab(seenAs(colour, vision))),
]);

/** The largest difference of colour between two appearances, as seen so. */
export function coloursApart({ colours: a }: Appearance, { colours: b }: Appearance, vision?: Vision): number {
  const way = vision ? 1 + VISIONS.indexOf(vision) : 0;
  const apart = (one: Rgba, other: Rgba) => (one === other ? 0 : distance(seenIn(one)[way]!, seenIn(other)[way]!));
  return Math.max(apart(a.text, b.text), apart(a.ground, b.ground), apart(a.edge, b.edge));
}

/** The way of seeing in which two appearances differ least, and by how much. */
export const leastApart = betweenTwo((a, b): { apart: number; vision: Vision | undefined } => {
  let least = { apart: coloursApart(a, b), vision: undefined as Vision | undefined };
  for (const vision of VISIONS) {
    const apart = coloursApart(a, b, vision);
    if (apart < least.apart) least = { apart, vision };
  }
  return least;
});
