import { oncePerShape } from '../css/cascade/once-per-shape.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { Box } from '../page/box.js';
import type { ElementNode } from '../tree/tree.js';
import { BLENDS } from './blend.js';
import { clippedPart } from './clip-path.js';
import { readFilters } from './filters.js';
import { opacityOf } from './opacity.js';
import { hasMark, type SceneGroup, type SceneNode } from './scene-nodes.js';

/** Names an element in messages. */
export const tagOf = (element: ElementNode, pseudo?: string) => `<${element.name}${pseudo ? `::${pseudo}` : ''}>`;

/** Takes why some of what is painted cannot be told. */
export interface Doubts {
  add: (why: string) => void;
}

/** How what an element paints is put on what lies behind it. */
export const puttingOf = oncePerShape((style: ElementStyle) => {
  const { apply, inexact } = readFilters(style.text('filter'));
  const mode = style.text('mix-blend-mode');
  const opacity = opacityOf(style);
  const key = `${opacity} ${mode} ${style.text('filter')}`;
  return { key, opacity, mode, blend: mode === 'normal' ? undefined : BLENDS[mode], filters: apply, inexact };
});

export const isMasked = oncePerShape((style: ElementStyle) => style.text('mask-image') !== 'none');

/**
 * What an element and all that it holds paint as one.
 *
 * @param isCutOut its mask gives what is measured its shape, and fades nothing of it
 */
export function groupOf(
  element: ElementNode,
  style: ElementStyle,
  nodes: readonly SceneNode[],
  doubts: Doubts,
  isCutOut = false,
): SceneGroup {
  const { key, opacity, mode, blend, filters, inexact } = puttingOf(style);
  if (!isCutOut && isMasked(style) && nodes.some(hasMark))
    doubts.add(`A mask fades ${tagOf(element)} and what it holds.`);
  if (inexact.length) doubts.add(`A filter changes the colours of ${tagOf(element)}.`);
  if (mode !== 'normal' && !blend) doubts.add(`${tagOf(element)} is blended with what lies behind it.`);
  return { kind: 'group', key, opacity, blend, filters, nodes };
}

/**
 * What a group paints in an area once its element has cut it to a shape or faded it by a mask. Text is cut along with what
 * lies behind it, so that what holds the text stays as it is.
 */
export function shaped(
  nodes: readonly SceneNode[],
  style: ElementStyle,
  box: Box | undefined,
  area: Box,
  element: ElementNode,
): readonly SceneNode[] {
  if (!nodes.length || nodes.some(hasMark)) return nodes;
  const unknown = (why: string): readonly SceneNode[] => [{ kind: 'unknown', why, box: undefined }];
  if (isMasked(style)) return unknown(`What lies behind is faded by a mask (${tagOf(element)}).`);
  const clip = style.text('clip-path');
  if (clip === 'none') return nodes;
  const part = box && clippedPart(clip, box, area);
  if (part === 'all') return nodes;
  return part === 'none' ? [] : unknown(`What lies behind is cut to a shape (${tagOf(element)}).`);
}
