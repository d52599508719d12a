import type { ElementStyle } from '../css/cascade/element-style.js';
import { share } from '../value/share.js';

/** How much of an element and all that it holds is seen, 0 to 1. */
export const opacityOf = (style: ElementStyle): number => share(style.text('opacity'));
