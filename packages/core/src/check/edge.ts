import { over } from '../colour/composite.js';
import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { WHITE, type Rgba } from '../colour/rgba.js';
import type { ElementStyle, StyledPage } from '../css/styles.js';
import { isDisabled } from '../css/selector/form-state.js';
import { descendants, type ElementNode } from '../page/tree.js';
import { backdropOf, paint } from './backdrop.js';
import type { Check } from './check.js';
import { hiddenBy } from './text.js';

/** WCAG 2.2, 1.4.11: what identifies a control or a graphic contrasts by this much with what is beside it. */
export const NEEDED_EDGE = 3;

const blank = { measured: undefined, foreground: undefined, background: undefined, basis: 'ancestors' as const };
const common = { criterion: '1.4.11' as const, needed: NEEDED_EDGE, large: false };

const exempt = (reason: string): Check => ({ ...common, ...blank, verdict: 'exempt', reason });
const unsure = (reason: string): Check => ({ ...common, ...blank, verdict: 'unsure', reason });

function measured(foreground: Rgba, background: Rgba): Check {
  const ratio = contrastRatio(foreground, background);
  const verdict = ratio >= NEEDED_EDGE ? 'passes' : 'short';
  return { ...common, verdict, measured: ratio, foreground, background, reason: undefined, basis: 'ancestors' };
}

const SIDES = ['top', 'right', 'bottom', 'left'];

/** Colours of the sides that are drawn. */
const drawnSides = (style: ElementStyle): Rgba[] =>
  SIDES.filter((side) => Number.parseFloat(style.text(`border-${side}-width`)) > 0).map((side) =>
    style.colour(`border-${side}-color`),
  );

function excused(page: StyledPage, element: ElementNode): Check | undefined {
  const hidden = hiddenBy(page, element);
  if (hidden) return exempt(hidden);
  return isDisabled(element) ? exempt('Disabled controls are exempt.') : undefined;
}

/** What lies around an element, and behind it; why that cannot be said where it cannot. */
function surroundings(page: StyledPage, element: ElementNode): { outside: Rgba; inside: Rgba } | string {
  const own = backdropOf(page, element);
  // An opaque ground hides what lies behind it, and yet it stands beside that.
  const around = element.parent ? backdropOf(page, element.parent) : { layers: [], doubt: undefined };
  const doubt = own.doubt ?? around.doubt;
  if (doubt) return doubt;
  return { outside: paint(around.layers), inside: paint(own.layers) };
}

/**
 * Measures what shows where a control is: its border against what surrounds it, or where none is drawn its ground. The
 * better of the two decides, since either alone identifies the control.
 */
export function checkEdge(page: StyledPage, element: ElementNode): Check {
  const excuse = excused(page, element);
  if (excuse) return excuse;
  const style = page.of(element);
  if (style.drawn && style.text('appearance') === 'auto' && !drawnSides(style).length) {
    return exempt('Drawn by the browser, unchanged.');
  }
  const around = surroundings(page, element);
  if (typeof around === 'string') return unsure(around);
  const edges = drawnSides(style).map((colour) => measured(over(colour, around.inside), around.outside));
  const ground = measured(around.inside, around.outside);
  // Every drawn side must be seen; the weakest speaks for them.
  const weakest = edges.reduce<Check | undefined>(
    (low, edge) => (!low || edge.measured! < low.measured! ? edge : low),
    undefined,
  );
  return weakest && weakest.measured! >= ground.measured! ? weakest : ground;
}

/** Colours that a picture made of shapes, or of text, is drawn in. */
function inkOf(page: StyledPage, element: ElementNode): Rgba[] {
  if (element.namespace !== 'svg') return [page.of(element).colour('color')];
  const shapes = [element, ...descendants(element)].filter((node) => SHAPES.has(node.name));
  return shapes.flatMap((node) => {
    const style = page.of(node);
    return ['fill', 'stroke'].flatMap((property) => {
      const text = style.text(property);
      const colour = text === 'none' ? undefined : parseColour(text);
      return colour && colour.alpha > 0 ? [colour] : [];
    });
  });
}

const SHAPES = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'text', 'use']);

/** Measures an icon, or a mark made of text, against what lies behind it; the best of its colours shows it. */
export function checkIcon(page: StyledPage, element: ElementNode): Check {
  const excuse = excused(page, element);
  if (excuse) return excuse;
  const drawn =
    element.namespace === 'svg' ? element : ([...descendants(element)].find((node) => node.name === 'svg') ?? element);
  const around = surroundings(page, drawn);
  if (typeof around === 'string') return unsure(around);
  const checks = inkOf(page, drawn).map((colour) => measured(over(colour, around.inside), around.inside));
  const best = checks.reduce<Check | undefined>(
    (high, check) => (!high || check.measured! > high.measured! ? check : high),
    undefined,
  );
  return best ?? exempt('Nothing is drawn here.');
}

/** Measures the ground of one piece against that of another, both over the page's paper where they let it through. */
export function checkGround(own: ElementStyle, other: ElementStyle | undefined): Check {
  for (const style of [own, other]) {
    if (style && style.text('background-image') !== 'none') return unsure('A gradient or picture lies here.');
  }
  const behind = other ? over(other.colour('background-color'), WHITE) : WHITE;
  const ground = own.colour('background-color');
  if (ground.alpha === 0) return exempt('Drawn by the browser, unchanged.');
  return measured(over(ground, behind), behind);
}
