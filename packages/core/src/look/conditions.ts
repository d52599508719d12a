import type { Environment } from '../css/conditions/environment.js';
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

/** True when a setting's page, viewport, scheme and motion are those of a place and an environment. */
export function holdsIn(setting: Setting, place: Place, environment: Environment): boolean {
  const { page, viewport, scheme, motion } = setting.when;
  if (page !== undefined && page !== place.page) return false;
  if (viewport !== undefined && environment.width > place.bounds[viewport]) return false;
  if (motion !== undefined && !environment.reducedMotion) return false;
  return scheme === undefined || scheme === environment.scheme;
}

/** Ranks of a setting's page, viewport, scheme and motion among settings of one state set, the first to be asked first. */
export const conditionRanks = ({
  when: { page, viewport, scheme, motion },
}: Setting): readonly [number, number, number, number] => [
  page === undefined ? 0 : 1,
  viewport === undefined ? 0 : VIEWPORT_RANK[viewport],
  scheme === undefined ? 0 : 1,
  motion === undefined ? 0 : 1,
];

/** Order of settings of one state set: exception, then page, viewport, scheme and motion; the later wins. */
export function compareConditions(a: Setting, b: Setting): number {
  const ranks = (setting: Setting) => [setting.exception === undefined ? 0 : 1, ...conditionRanks(setting)];
  const right = ranks(b);
  const difference = ranks(a)
    .map((rank, i) => rank - right[i]!)
    .find((each) => each !== 0);
  return difference ?? (a.exception ?? '').localeCompare(b.exception ?? '');
}
