import { once } from '../../memo/once.js';
import type { ElementNode } from '../../tree/tree.js';
import type { Compound, CompiledSelector } from '../selector/types.js';

/** So many that a page's names seldom fall on the same ones. */
const BITS = 512;

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

const NO_NEEDS: readonly number[] = [];

/** Hashes that ancestors of a matching element must have between them, each compound one of them. */
export const needsAround = (compounds: readonly Pick<Compound, 'tag' | 'id' | 'classes'>[]): readonly number[] =>
  compounds.length ? [...new Set(compounds.flatMap((compound) => keysOf(compound).map(hash)))] : NO_NEEDS;

/** The same for a selector. */
export const needsOf = once((selector: CompiledSelector): readonly number[] =>
  needsAround(
    selector.compounds.filter((_compound, i) => selector.combinators[i] === ' ' || selector.combinators[i] === '>'),
  ),
);

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

/** Whether ancestors of an element may have what a hash stands for: false only where none has it. */
export function mayBeAround({ parent }: ElementNode): (need: number) => boolean {
  if (!parent) return () => false;
  // Kept by the parent, since brothers and sisters have the same.
  const bits = downTo(parent);
  return (need) => (bits[need >> 5]! & (1 << (need & 31))) !== 0;
}

/** False where no ancestors of an element have all that a selector needs. */
export const ancestorsMayHave = (element: ElementNode, needs: readonly number[]): boolean =>
  !needs.length || needs.every(mayBeAround(element));
