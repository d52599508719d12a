import { PROPERTIES } from '../../packages/core/dist/index.js';

/** Every longhand that the core computes. */
export const COMPARED: readonly string[] = [...PROPERTIES.keys()];

const SIDES = ['top', 'right', 'bottom', 'left'];

/**
 * Properties whose resolved value is what layout made of them (CSSOM, section 9), so that the computed value is read
 * from the computed style map instead.
 */
export const LAYOUT_DEPENDENT: ReadonlySet<string> = new Set([
  ...SIDES,
  ...SIDES.flatMap((side) => [`margin-${side}`, `padding-${side}`]),
  ...['width', 'height', 'min-width', 'min-height', 'max-width', 'max-height'],
  ...['transform', 'transform-origin', 'perspective-origin', 'row-gap', 'column-gap', 'flex-basis'],
]);

/** Read back through Chromium before they are compared, since the style map prints them in a form of its own. */
export const READ_BACK: ReadonlySet<string> = new Set(['transform', 'transform-origin', 'perspective-origin']);
