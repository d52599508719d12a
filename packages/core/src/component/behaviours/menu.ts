import type { Behaviour } from './behaviour.js';

/** Keys, touch, Escape and the toggle of a phone, for a menu whose lists open by CSS. */
export const MENU_KEYS: Behaviour = { name: 'menu', label: 'Keys and touch', rows: [] };
