import type { ElementStyle } from './element-style.js';

/** True where a ground of its own is painted: a colour or a picture. */
export const hasGround = (style: ElementStyle): boolean =>
  style.colour('background-color').alpha > 0 || style.text('background-image') !== 'none';
