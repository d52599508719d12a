import {
  DESKTOP,
  finishInTurns,
  VIEWPORTS,
  type EditingPlace,
  type Environment,
  type Steps,
  type ViewportName,
} from '@retoque/core';
import type { LedgerQuery, OnStep, SeenAt, SheetQuery } from './protocol';

/** The surroundings in which something is asked for at a width. */
export const environmentOf = (viewport: ViewportName, place: EditingPlace = {}): Environment => ({
  ...DESKTOP,
  ...VIEWPORTS[viewport],
  scheme: place.scheme ?? 'light',
  reducedMotion: place.motion === 'reduced',
});

export const ledgerRequest = ({ place, added }: LedgerQuery) => ({
  viewports: (Object.keys(VIEWPORTS) as ViewportName[]).map((name) => ({
    name,
    environment: environmentOf(name, place),
  })),
  place,
  added,
});

export const requestOf = ({ viewport, place, unfolded, whole, added, also }: SheetQuery) => ({
  environment: environmentOf(viewport, place),
  place,
  unfolded,
  whole,
  added,
  also,
});

/** Tells how far steps have come; whatever was asked for in the meantime has its turn then. */
export const telling =
  (onStep: OnStep) =>
  async ({ done, of }: { readonly done: number; readonly of: number }) =>
    onStep(done, of);

export const now = () => performance.now();
/** Lets whatever was asked for in the meantime have its turn. */
export const nextTurn = () => new Promise<void>((resolve) => setTimeout(resolve));

/** For so long after something was asked nothing is counted: what follows it is not to wait. */
const QUIET_MILLIS = 300;
let asked = -Infinity;

/** Takes note that somebody waits for an answer, or was just given one. */
export const noteAsked = (): void => void (asked = now());

/** Lets others have their turn, and whoever is editing, or finding the way on a screen that opens, go on. */
export async function whenNobodyAsks(): Promise<void> {
  do await new Promise<void>((resolve) => setTimeout(resolve, Math.max(0, asked + QUIET_MILLIS - now())));
  while (now() < asked + QUIET_MILLIS);
}

/** What is asked of a whole site as it is seen at one width in one scheme. */
export function requestAt({ viewport, scheme }: SeenAt) {
  const place: EditingPlace = {
    ...(viewport === 'wide' ? {} : { viewport }),
    ...(scheme === 'dark' ? { scheme } : {}),
  };
  return { ...ledgerRequest({ place, added: [], measured: 0 }), at: viewport };
}

/** What is asked of a whole site: every width in the light scheme. */
export const SITE_REQUEST = requestAt({ viewport: 'wide', scheme: 'light' });

/** What is asked meanwhile has its turn after each step. */
export const inTurns = <T>(steps: Steps<T>, onStep: OnStep): Promise<T> =>
  finishInTurns(steps, telling(onStep), now, 0);
