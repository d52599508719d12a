import { once } from '../../memo/once.js';
import type { ElementNode } from '../../tree/tree.js';
import type { Compound, CompiledSelector } from '../selector/types.js';

const BITS = 128;

function hash(text: string): number {
  let value = 5381;
  for (let i = 0; i < text.length; i++) value = ((value * 33) ^ text.charCodeAt(i)) >>> 0;
  return value % BITS;
}

const keysOf = (compound: Pick<Compound, 'tag' | 'id' | 'classes'>): string[] => [
  ...(compound.tag === undefined ? [] : [compound.tag]),
  ...(compound.id === undefined ? [] : [`#${compound.id}`]),
  ...compound.classes.map((name) => `.${name}`),
];

/** Hashes that ancestors of a matching element must have between them. */
export const needsOf = once((selector: CompiledSelector): readonly number[] => {
  const needs = new Set<number>();
  selector.compounds.forEach((compound, i) => {
    const combinator = selector.combinators[i];
    if (combinator === ' ' || combinator === '>') for (const key of keysOf(compound)) needs.add(hash(key));
  });
  return [...needs];
});

/** Which tags, ids and classes an element and its ancestors have, as a small set: false positives, no false negatives. */
const downTo: (element: ElementNode) => Uint32Array = once((element: ElementNode) => {
  const { parent } = element;
  const bits = parent ? Uint32Array.from(downTo(parent)) : new Uint32Array(BITS / 32);
  for (const key of keysOf({ tag: element.name.toLowerCase(), id: element.id, classes: element.classes })) {
    const at = hash(key);
    bits[at >> 5]! |= 1 << (at & 31);
  }
  return bits;
});

/** False where no ancestors of an element have all that a selector needs. */
export function ancestorsMayHave({ parent }: ElementNode, needs: readonly number[]): boolean {
  if (!needs.length) return true;
  if (!parent) return false;
  // Kept by the parent, since brothers and sisters have the same.
  const bits = downTo(parent);
  for (const at of needs) if (!(bits[at >> 5]! & (1 << (at & 31)))) return false;
  return true;
}
