import { fade, over } from '../colour/composite.js';
import { TRANSPARENT, type Rgba } from '../colour/rgba.js';
import { hasMark, type SceneGroup, type SceneNode } from './scene-nodes.js';

/** What is measured and what is behind it, both opaque, as they are seen in one place. */
export interface Pair {
  readonly foreground: Rgba;
  readonly background: Rgba;
  /** 0 where something else is painted over all of it. */
  readonly shown: number;
}

/** True when every place of the area looks alike, so that one colour speaks for all. */
export const isFlat = (nodes: readonly SceneNode[]): boolean =>
  nodes.every((node) =>
    node.kind === 'group'
      ? isFlat(node.nodes)
      : node.kind === 'mark'
        ? isFlat(node.fills)
        : node.kind === 'solid'
          ? node.box === undefined && !node.hole
          : node.kind === 'backdrop' && node.box === undefined,
  );

const scratch = { backdrop: new Float32Array(3), source: new Float32Array(3), out: new Float32Array(3) };
const filtered = new Float32Array(4);

function blended(source: Rgba, backdrop: Rgba, group: SceneGroup): Rgba {
  if (!group.blend || source.alpha === 0) return over(source, backdrop);
  scratch.backdrop.set([backdrop.r, backdrop.g, backdrop.b]);
  scratch.source.set([source.r, source.g, source.b]);
  group.blend(scratch.backdrop, scratch.source, scratch.out);
  // Compositing 1, section 5.5: the blended colour counts where there is a backdrop.
  const mix = (own: number, i: number) => (1 - backdrop.alpha) * own + backdrop.alpha * scratch.out[i]!;
  return over({ r: mix(source.r, 0), g: mix(source.g, 1), b: mix(source.b, 2), alpha: source.alpha }, backdrop);
}

export function applyFilters(colour: Rgba, filters: SceneGroup['filters']): Rgba {
  if (!filters.length) return colour;
  filtered.set([colour.r, colour.g, colour.b, colour.alpha]);
  for (const filter of filters) filter(filtered);
  return { r: filtered[0]!, g: filtered[1]!, b: filtered[2]!, alpha: filtered[3]! };
}

/** Paints nodes of one colour each; `marked` says whether what is measured is painted too. */
export function paintFlat(nodes: readonly SceneNode[], marked: boolean): Rgba {
  let colour = TRANSPARENT;
  for (const node of nodes) {
    if (node.kind === 'solid') colour = over(node.colour, colour);
    else if (node.kind === 'mark') {
      if (marked) for (const fill of node.fills) if (fill.kind === 'solid') colour = over(fill.colour, colour);
    } else if (node.kind === 'group') {
      const inner = applyFilters(paintFlat(node.nodes, marked), node.filters);
      colour = blended(fade(inner, node.opacity), colour, node);
    } else if (node.kind === 'backdrop') colour = applyFilters(colour, node.apply);
  }
  return colour;
}

/** How much of what is measured shows through what is painted over it, 0 to 1. */
function shownIn(nodes: readonly SceneNode[]): number {
  const at = nodes.findIndex(hasMark);
  const holder = nodes[at];
  if (!holder) return 1;
  let shown = holder.kind === 'group' ? shownIn(holder.nodes) : 1;
  for (const node of nodes.slice(at + 1)) {
    const { alpha } = paintFlat([node], false);
    shown *= 1 - alpha;
  }
  return shown;
}

/** The one pair of colours of a scene that looks alike everywhere. */
export const flatPair = (nodes: readonly SceneNode[]): Pair => ({
  foreground: paintFlat(nodes, true),
  background: paintFlat(nodes, false),
  shown: shownIn(nodes),
});
