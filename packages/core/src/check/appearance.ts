import { over } from '../colour/composite.js';
import { difference } from '../colour/difference.js';
import { seenAs, VISIONS, type Vision } from '../colour/vision.js';
import { WHITE, type Rgba } from '../colour/rgba.js';
import { borderWidths } from '../paint/boxes.js';
import { flatPair, isFlat } from '../paint/flat.js';
import { sceneFor, type Looking } from '../paint/scene.js';
import type { ElementNode } from '../page/tree.js';

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
  'box-shadow',
  'background-image',
  'background-size',
  'border-top-style',
  'visibility',
] as const;

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

/** The colour that lies behind what an element holds; white where many do. */
function groundOf(looking: Looking, element: ElementNode): Rgba {
  const { nodes } = sceneFor({ ...looking, geometry: undefined }, { element }, undefined);
  return isFlat(nodes) ? flatPair(nodes).background : over(looking.view.of(element).colour('background-color'), WHITE);
}

export function appearanceOf(looking: Looking, element: ElementNode, pseudo?: string): Appearance {
  const style = looking.view.of(element, pseudo);
  const ground = groundOf(looking, element);
  const widths = borderWidths(style);
  const drawn = SIDES.findIndex((_, i) => widths[i]! > 0);
  const forms: Record<string, string> = {};
  for (const property of FORMS) {
    // An outline that is not drawn has no width worth telling apart.
    const isOutline = property.startsWith('outline-') && property !== 'outline-style';
    if (isOutline && style.text('outline-style') === 'none') continue;
    const text = style.text(property);
    forms[property] = property === 'box-shadow' ? withoutColours(text) : text;
  }
  forms['border-width'] = widths.join(' ');
  return {
    colours: {
      text: over(style.colour('color'), ground),
      ground,
      edge: drawn < 0 ? ground : over(style.colour(`border-${SIDES[drawn]!}-color`), ground),
    },
    forms,
  };
}

/** Shadows whose colours are all transparent are none; of the others what they measure is told apart. */
const withoutColours = (text: string): string =>
  text.replace(/rgba\([^)]*,\s*0\)(\s+-?[\d.]+px){4}(\s+inset)?/g, 'none').replace(/rgba?\([^)]*\)/g, '');

/** Forms that two appearances do not share. */
export const formsApart = (a: Appearance, b: Appearance): string[] =>
  Object.keys({ ...a.forms, ...b.forms }).filter((name) => a.forms[name] !== b.forms[name]);

/** The largest difference of colour between two appearances, as seen so. */
export function coloursApart(a: Appearance, b: Appearance, vision?: Vision): number {
  const seen = (colour: Rgba) => (vision ? seenAs(colour, vision) : colour);
  return Math.max(
    ...(['text', 'ground', 'edge'] as const).map((name) => difference(seen(a.colours[name]), seen(b.colours[name]))),
  );
}

/** The way of seeing in which two appearances differ least, and by how much. */
export function leastApart(a: Appearance, b: Appearance): { apart: number; vision: Vision | undefined } {
  let least = { apart: coloursApart(a, b), vision: undefined as Vision | undefined };
  for (const vision of VISIONS) {
    const apart = coloursApart(a, b, vision);
    if (apart < least.apart) least = { apart, vision };
  }
  return least;
}
