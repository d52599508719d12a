import type { Rgba } from '../colour/rgba.js';
import type { Blend } from './blend.js';
import type { Fill } from './fill.js';
import type { ColourFilter } from './filters.js';

/** Where the measured text is painted, and with what: its own colour, or the ground where that is clipped to letters. */
export interface Mark {
  readonly kind: 'mark';
  readonly fills: readonly Fill[];
}

export interface SceneGroup {
  readonly kind: 'group';
  /** Says how it is put on what is behind. */
  readonly key: string;
  readonly opacity: number;
  readonly blend: Blend | undefined;
  readonly filters: readonly ColourFilter[];
  readonly nodes: readonly SceneNode[];
}

export type SceneNode = Fill | Mark | SceneGroup;

const isPlain = ({ opacity, blend, filters }: SceneGroup) => opacity === 1 && !blend && !filters.length;
const holdsBlend = (node: SceneNode): boolean =>
  node.kind === 'group' && (node.blend !== undefined || node.nodes.some(holdsBlend));

/** True for what lets nothing behind it be seen anywhere in the area. */
const hides = (node: SceneNode): boolean =>
  node.kind === 'solid'
    ? node.box === undefined && !node.hole && !node.ground && node.colour.alpha >= 1
    : node.kind === 'group' && isPlain(node) && node.nodes.some(hides);

/** Leaves out what is hidden, and groups that make no difference. */
export function simplify(nodes: readonly SceneNode[]): SceneNode[] {
  const flat = nodes.flatMap((node): readonly SceneNode[] => {
    if (node.kind !== 'group') return [node];
    const group = { ...node, nodes: simplify(node.nodes) };
    if (!group.nodes.length) return [];
    return isPlain(group) && !group.nodes.some(holdsBlend) ? group.nodes : [group];
  });
  const last = flat.findLastIndex(hides);
  // What is measured stays, even where something is painted over it.
  return last <= 0 ? flat : flat.filter((node, i) => i >= last || hasMark(node));
}

export const hasMark = (node: SceneNode): boolean =>
  node.kind === 'mark' || (node.kind === 'group' && node.nodes.some(hasMark));

/** The same with another colour for what is measured. */
export const marked = (nodes: readonly SceneNode[], colour: Rgba): SceneNode[] =>
  nodes.map((node): SceneNode => {
    if (node.kind === 'group') return hasMark(node) ? { ...node, nodes: marked(node.nodes, colour) } : node;
    return node.kind === 'mark' ? { ...node, fills: [{ kind: 'solid', colour, box: undefined }] } : node;
  });

/** The same with another background colour for what is tried. */
export const grounded = (nodes: readonly SceneNode[], colour: Rgba): SceneNode[] =>
  nodes.map((node): SceneNode => {
    if (node.kind === 'group') return { ...node, nodes: grounded(node.nodes, colour) };
    return node.kind === 'solid' && node.ground ? { ...node, colour } : node;
  });

/** Why some of what is painted cannot be told. */
export function doubtOf(nodes: readonly SceneNode[]): string | undefined {
  for (const node of nodes) {
    if (node.kind === 'unknown') return node.why;
    if (node.kind === 'group') {
      const inner = doubtOf(node.nodes);
      if (inner) return inner;
    }
    if (node.kind === 'mark') {
      const inner = doubtOf(node.fills);
      if (inner) return inner;
    }
  }
  return undefined;
}
