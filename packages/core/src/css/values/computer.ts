import type { CssNode } from 'css-tree';
import type { ValueContext } from './context.js';

/**
 * Turns a valid declared value into the computed one, as CSSOM prints it. One file a family of properties.
 *
 * @param nodes the value without var(), CSS-wide keywords handled before
 * @returns undefined where the value turns out invalid only now
 */
export type Computer = (nodes: readonly CssNode[], context: ValueContext) => string | undefined;
