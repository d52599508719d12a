import type { Kind } from '../kind.js';
import { BUTTON } from './button.js';
import { LINK } from './link.js';

/** Every kind, the more particular first. */
export const KINDS: readonly Kind[] = [BUTTON, LINK];

export const kindNamed = (name: string): Kind | undefined => KINDS.find((kind) => kind.name === name);
