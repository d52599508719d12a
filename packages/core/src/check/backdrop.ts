import { fade, over } from '../colour/composite.js';
import { TRANSPARENT, WHITE, type Rgba } from '../colour/rgba.js';
import type { StyledPage } from '../css/styles.js';
import { selfAndAncestors, type ElementNode } from '../page/tree.js';

/** What one element adds to what is painted: its ground, and the group opacity that it and all it holds share. */
export interface Layer {
  readonly ground: Rgba;
  readonly opacity: number;
}

/** What lies behind an element's text, from the page inwards. */
export interface Backdrop {
  readonly layers: readonly Layer[];
  /** Why the colours behind cannot be named from CSS alone; undefined when they can. */
  readonly doubt: string | undefined;
}

/** The paper under every page in the light scheme. */
const CANVAS = WHITE;

function doubtAt(element: ElementNode, style: ReturnType<StyledPage['of']>): string | undefined {
  const tag = `<${element.name}>`;
  const image = style.text('background-image');
  if (image !== 'none') {
    return /gradient\(/.test(image) && !/url\(/.test(image)
      ? `A gradient lies behind (on ${tag}).`
      : `A picture lies behind (on ${tag}).`;
  }
  if (style.text('background-clip') === 'text') return `The ground of ${tag} is clipped to its text.`;
  if (style.text('mix-blend-mode') !== 'normal') return `${tag} is blended with what lies behind it.`;
  if (style.text('filter') !== 'none') return `A filter changes the colours of ${tag}.`;
  if (style.text('backdrop-filter') !== 'none' && style.colour('background-color').alpha < 1) {
    return `${tag} filters what lies behind it.`;
  }
  return undefined;
}

/**
 * Collects the grounds of an element and its ancestors. This is the basis "ancestors": what stands elsewhere in the
 * document but is painted behind is not seen, so an element taken out of the flow without an opaque ground is a doubt.
 */
export function backdropOf(page: StyledPage, element: ElementNode): Backdrop {
  const layers: Layer[] = [];
  let covered = false;
  let doubt: string | undefined;
  for (const node of selfAndAncestors(element)) {
    const style = page.of(node);
    const ground = style.colour('background-color');
    const opacity = Math.min(1, Math.max(0, parseOpacity(style.text('opacity'))));
    layers.unshift({ ground, opacity });
    if (!covered) doubt ??= doubtAt(node, style);
    if (ground.alpha >= 1) covered = true;
    // A faded group lets through what lies outside it.
    if (opacity < 1) covered = false;
    const position = style.text('position');
    if (!covered && node.parent && (position === 'absolute' || position === 'fixed')) {
      doubt ??= `<${node.name}> is placed over other content, which CSS alone does not tell.`;
    }
  }
  return { layers, doubt };
}

const parseOpacity = (text: string): number => {
  const value = Number.parseFloat(text);
  if (!Number.isFinite(value)) return 1;
  return text.trim().endsWith('%') ? value / 100 : value;
};

/** Paints the layers, each group faded as a whole, and on top the text if given; the result is opaque. */
export function paint(layers: readonly Layer[], text?: Rgba): Rgba {
  const group = (at: number): Rgba => {
    const layer = layers[at];
    if (!layer) return text ?? TRANSPARENT;
    return fade(over(group(at + 1), layer.ground), layer.opacity);
  };
  return over(group(0), CANVAS);
}
