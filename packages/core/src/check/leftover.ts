import { difference } from '../colour/difference.js';
import { over } from '../colour/composite.js';
import { parseColour } from '../colour/parse.js';
import { WHITE, type Rgba } from '../colour/rgba.js';
import { leftBehind } from '../css/explain/left-behind.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { borderWidths } from '../paint/boxes.js';
import type { Looking } from '../paint/scene.js';
import type { ElementNode } from '../tree/tree.js';
import { readShadows } from '../value/shadow.js';
import { without, type Check } from './check.js';
import { NEEDED_DIFFERENCE } from './distinct.js';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

/** Below this two colours are taken for the same. */
const ALIKE = 1.5;

const opaque = (colour: Rgba) => over(colour, WHITE);
const apart = (a: Rgba, b: Rgba) => difference(opaque(a), opaque(b));

/** The border that had the colour of its ground, and keeps it when the ground changes. */
function borderLeft(rest: ElementStyle, state: ElementStyle): string | undefined {
  const ground = rest.colour('background-color');
  const left = SIDES.filter((side, i) => {
    if (borderWidths(state)[i]! <= 0) return false;
    const colour = rest.colour(`border-${side}-color`);
    return apart(colour, ground) < ALIKE && apart(state.colour(`border-${side}-color`), colour) < ALIKE;
  });
  return left.length ? 'The border keeps the colour of the old ground.' : undefined;
}

/** A coloured shadow that glows as the old ground did. */
function shadowLeft(rest: ElementStyle, state: ElementStyle): string | undefined {
  const text = rest.text('box-shadow');
  if (text === 'none' || state.text('box-shadow') !== text) return undefined;
  const ground = rest.colour('background-color');
  const glows = (readShadows(text) ?? []).some((shadow) => {
    const colour = parseColour(shadow.colour ?? '');
    return colour && colour.alpha > 0 && apart({ ...colour, alpha: 1 }, ground) < NEEDED_DIFFERENCE;
  });
  return glows ? 'The shadow keeps the colour of the old ground.' : undefined;
}

/** A line under the text that keeps the colour of the old text. */
function lineLeft(rest: ElementStyle, state: ElementStyle): string | undefined {
  if (state.text('text-decoration-line') === 'none' || apart(rest.colour('color'), state.colour('color')) < ALIKE)
    return undefined;
  const [before, now] = [rest.colour('text-decoration-color'), state.colour('text-decoration-color')];
  const followed = apart(before, rest.colour('color')) < ALIKE;
  return followed && apart(before, now) < ALIKE ? 'The line under the text keeps its old colour.' : undefined;
}

/** Advice: a state changes its ground or text, and something of the old one stays on. Nothing where nothing does. */
export function checkLeftover(
  rest: Looking,
  state: Looking,
  atRest: ElementNode,
  element: ElementNode,
): Check | undefined {
  const [before, now] = [rest.view.of(atRest), state.view.of(element)];
  const newGround = apart(before.colour('background-color'), now.colour('background-color')) >= NEEDED_DIFFERENCE;
  const newText = apart(before.colour('color'), now.colour('color')) >= NEEDED_DIFFERENCE;
  if (!newGround && !newText) return undefined;
  const kept = newText
    ? leftBehind(state.view, element).filter(({ colour }) => {
        const own = parseColour(colour);
        return (
          own &&
          apart(own, now.colour('color')) >= NEEDED_DIFFERENCE &&
          apart(own, before.colour('color')) < NEEDED_DIFFERENCE
        );
      })
    : [];
  const found = [
    newGround ? borderLeft(before, now) : undefined,
    newGround ? shadowLeft(before, now) : undefined,
    lineLeft(before, now),
    kept.length ? `“${kept[0]!.text}” inside keeps the old text colour.` : undefined,
  ].filter((reason) => reason !== undefined);
  return {
    ...without('leftover', 'exempt', 0, '', 'ancestors', 'share'),
    verdict: found.length ? 'short' : 'passes',
    measured: found.length,
    reason: found.length ? found.join(' ') : 'Nothing of the old state stays on.',
  };
}
