import { lookup } from '../../base/lookup.js';
import type { Completes } from '../kind.js';
import { completesScrollbar } from './scrollbar-completes.js';

/**
 * What looks of a kind bring with them, by the kind's name. Apart from the kinds, since only who resolves looks needs it.
 */
const COMPLETES: Readonly<Partial<Record<string, Completes>>> = lookup({ scrollbar: completesScrollbar });

export const completesOf = (kind: string): Completes | undefined => COMPLETES[kind];
