import { contrastRatio } from '../colour/contrast.js';
import { over } from '../colour/composite.js';
import type { Rgba } from '../colour/rgba.js';
import type { SolidFill } from './fill.js';
import { isFlat, paintFlat } from './flat.js';
import type { SceneNode } from './scene-nodes.js';

/** A scene of plain colours in which one of them is tried in others; no scene is made anew for a try. */
export interface FlatTrial {
  /** Contrast of what is measured against what lies behind, 1 to 21. */
  readonly ratio: (colour: Rgba) => number;
  /** The colour that an opaque tried one is measured against; undefined where that depends on it. */
  readonly against: Rgba | undefined;
  /** For a ground with opaque text right on it: what shows through it. */
  readonly under?: Rgba | undefined;
}

const isSolid = (node: SceneNode): node is SolidFill => node.kind === 'solid';
const paint = (fills: readonly SolidFill[], onto: Rgba): Rgba =>
  fills.reduce((below, fill) => over(fill.colour, below), onto);

/**
 * @param what the colour of what is measured, or that of the ground that is marked as tried
 * @returns undefined for a scene that is not so plain
 */
export function flatTrial(nodes: readonly SceneNode[], what: 'mark' | 'ground'): FlatTrial | undefined {
  const at = nodes.findIndex(({ kind }) => kind === 'mark');
  const mark = nodes[at];
  if (mark?.kind !== 'mark' || at !== nodes.length - 1 || !isFlat(nodes)) return undefined;
  const behind = nodes.slice(0, at);
  if (what === 'mark') {
    const background = paintFlat(behind, false);
    return { ratio: (colour) => contrastRatio(over(colour, background), background), against: background };
  }
  const ground = behind.findIndex((node) => node.kind === 'solid' && node.ground !== undefined);
  if (ground < 0 || !behind.every(isSolid) || !mark.fills.every(isSolid)) return undefined;
  const under = paintFlat(behind.slice(0, ground), false);
  const between = behind.slice(ground + 1);
  const text = mark.fills;
  const top = text.at(-1)?.colour;
  const isBare = !between.length && top?.alpha === 1;
  return {
    ratio: (colour) => {
      const background = paint(between, over(colour, under));
      return contrastRatio(paint(text, background), background);
    },
    against: isBare ? top : undefined,
    under: isBare && under.alpha === 1 ? under : undefined,
  };
}
