import type { Rgba } from '../colour/rgba.js';
import { isFlat } from './flat.js';
import type { SceneNode } from './scene-nodes.js';

/** What was found where something is painted on what lies behind it. */
export interface Measurement {
  /** Contrast in the worst place, unrounded, with its colours there. */
  readonly worst: number;
  readonly foreground: Rgba;
  readonly background: Rgba;
  /** Contrast in the best place. */
  readonly best: number;
  /** Where the worst place is, in CSS pixels of the page; undefined where every place is alike or none is known. */
  readonly at: { readonly x: number; readonly y: number } | undefined;
  /** Share of the area that falls short, 0 to 1; undefined where it is not known what lies where. */
  readonly share: number | undefined;
  /** What varies behind it. */
  readonly varies: 'gradient' | 'picture' | 'edges' | undefined;
}

/** Something else is painted over all of it. */
export const COVERED = 'covered';

/** What of a scene differs from place to place; a picture counts before all else. */
export function variesBy(nodes: readonly SceneNode[]): Measurement['varies'] {
  let found: Measurement['varies'];
  for (const node of nodes) {
    const own =
      node.kind === 'group'
        ? variesBy(node.nodes)
        : node.kind === 'mark'
          ? variesBy(node.fills)
          : node.kind === 'pattern'
            ? node.what
            : isFlat([node])
              ? undefined
              : ('edges' as const);
    if (own === 'picture') return own;
    if (own === 'gradient' || (own && !found)) found = own;
  }
  return found;
}
