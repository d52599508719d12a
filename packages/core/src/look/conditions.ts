import type { Environment } from '../css/environment.js';
import type { Setting } from './model.js';

/** The widths up to which the medium and the narrow viewport's settings hold, in CSS pixels. */
export interface ViewportBounds {
  readonly medium: number;
  readonly narrow: number;
}

export const DEFAULT_BOUNDS: ViewportBounds = { medium: 1023, narrow: 599 };

/** Where a look is resolved, as far as settings ask for it besides states. */
export interface Place {
  readonly page?: string | undefined;
  readonly bounds: ViewportBounds;
}

const VIEWPORT_RANK = { medium: 1, narrow: 2 } as const;

/** True when a setting's page, viewport and scheme are those of a place and an environment. */
export function holdsIn(setting: Setting, place: Place, environment: Environment): boolean {
  const { page, viewport, scheme } = setting.when;
  if (page !== undefined && page !== place.page) return false;
  if (viewport !== undefined && environment.width > place.bounds[viewport]) return false;
  return scheme === undefined || scheme === environment.scheme;
}

/** Order of settings of one state set: exception, then page, viewport and scheme; the later wins. */
export function compareConditions(a: Setting, b: Setting): number {
  const rank = (setting: Setting) => [
    setting.exception === undefined ? 0 : 1,
    setting.when.page === undefined ? 0 : 1,
    setting.when.viewport === undefined ? 0 : VIEWPORT_RANK[setting.when.viewport],
    setting.when.scheme === undefined ? 0 : 1,
  ];
  const left = rank(a);
  const right = rank(b);
  for (let i = 0; i < left.length; i++) if (left[i] !== right[i]) return left[i]! - right[i]!;
  return (a.exception ?? '').localeCompare(b.exception ?? '');
}
