import type { Box } from '../page/box.js';
import type { Fill } from './fill.js';
import type { SceneNode } from './scene-nodes.js';

/** A part of an area in which everything looks alike, as whole pixels of the page. */
export interface Piece {
  /** The scene as it is there: no node has an edge. */
  readonly nodes: readonly SceneNode[];
  /** Pixels that look like it. */
  readonly count: number;
  /** The first of them. */
  readonly x: number;
  readonly y: number;
}

/** Cells that an area is cut into at most. */
const MOST_CELLS = 2000;

interface Cuts {
  readonly across: Set<number>;
  readonly down: Set<number>;
}

/** A browser moves the edges of what it paints to whole pixels. */
const edges = ({ x, y, width, height }: Box) => ({
  left: Math.round(x),
  top: Math.round(y),
  right: Math.round(x + width),
  bottom: Math.round(y + height),
});

/** Gathers where fills begin and end; false where something does not look alike within its edges. */
function gather(nodes: readonly SceneNode[], cuts: Cuts): boolean {
  return nodes.every((node) => {
    if (node.kind === 'group') return gather(node.nodes, cuts);
    if (node.kind === 'mark') return gather(node.fills, cuts);
    if (node.kind !== 'solid' && node.kind !== 'backdrop') return false;
    for (const box of [node.box, node.kind === 'solid' ? node.hole : undefined]) {
      if (!box) continue;
      const { left, top, right, bottom } = edges(box);
      cuts.across.add(left).add(right);
      cuts.down.add(top).add(bottom);
    }
    return true;
  });
}

const isIn = (box: Box, x: number, y: number): boolean => {
  const { left, top, right, bottom } = edges(box);
  return x >= left && x < right && y >= top && y < bottom;
};

/** What of a fill is at a pixel: the fill without its edges, or nothing. */
function fillAt<F extends Fill>(fill: F, x: number, y: number): F | undefined {
  if (fill.box && !isIn(fill.box, x, y)) return undefined;
  if (fill.kind !== 'solid' || !fill.hole) return fill.box ? { ...fill, box: undefined } : fill;
  return isIn(fill.hole, x, y) ? undefined : { ...fill, box: undefined, hole: undefined };
}

/** The nodes that are at a pixel, with a text that says which. */
function nodesAt(nodes: readonly SceneNode[], x: number, y: number, key: string[]): SceneNode[] {
  return nodes.flatMap((node): readonly SceneNode[] => {
    if (node.kind === 'group') {
      const inner = nodesAt(node.nodes, x, y, key);
      return inner.length ? [{ ...node, nodes: inner }] : [];
    }
    if (node.kind === 'mark') {
      const fills = node.fills.flatMap((fill) => fillAt(fill, x, y) ?? []);
      key.push(`${fills.length}`);
      return [{ ...node, fills }];
    }
    const fill = fillAt(node, x, y);
    key.push(fill ? '1' : '0');
    return fill ? [fill] : [];
  });
}

const between = (from: number, to: number, cuts: ReadonlySet<number>): number[] => [
  from,
  ...[...cuts].filter((cut) => cut > from && cut < to).sort((a, b) => a - b),
  to,
];

/**
 * Cuts areas where fills end, so that no pixel has to be looked at by itself.
 *
 * @returns undefined for a scene with pictures or gradients, or with more edges than are worth it
 */
export function piecesOf(nodes: readonly SceneNode[], areas: readonly Box[]): readonly Piece[] | undefined {
  const cuts: Cuts = { across: new Set(), down: new Set() };
  if (!gather(nodes, cuts)) return undefined;
  const found = new Map<string, { nodes: readonly SceneNode[]; count: number; x: number; y: number }>();
  for (const area of areas) {
    const columns = between(Math.floor(area.x), Math.ceil(area.x + area.width), cuts.across);
    const rows = between(Math.floor(area.y), Math.ceil(area.y + area.height), cuts.down);
    if (columns.length * rows.length > MOST_CELLS) return undefined;
    for (let row = 0; row + 1 < rows.length; row++) {
      for (let column = 0; column + 1 < columns.length; column++) {
        const [x, y] = [columns[column]!, rows[row]!];
        const count = (columns[column + 1]! - x) * (rows[row + 1]! - y);
        if (count <= 0) continue;
        const key: string[] = [];
        const own = nodesAt(nodes, x, y, key);
        const name = key.join();
        const known = found.get(name);
        if (known) known.count += count;
        else found.set(name, { nodes: own, count, x, y });
      }
    }
  }
  return [...found.values()];
}
