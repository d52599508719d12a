import { parseColour } from '../colour/parse.js';
import { changeLook, type Look, type Setting } from '../look/model.js';
import { placesOf, replacementFor } from './colour-places.js';
import type { ComponentSession } from '../session/component-session.js';
import type { RemedyRequest } from './drafting.js';
import { checkKey, isDue } from '../ledger/due.js';
import type { Steps } from '../base/steps.js';
import type { LedgerCheck } from '../ledger/ledger-check.js';

/** One component of a site, under the look that it wears. */
export interface SiteComponentLook {
  readonly session: ComponentSession;
  readonly look: Look;
}

/** What one replacement does to one of the components. */
export interface ColourShare {
  readonly settings: readonly Setting[];
  /** Checks that fall short without it and pass with it, and those that it makes fall short. */
  readonly mended: readonly LedgerCheck[];
  readonly broken: readonly LedgerCheck[];
}

/** One colour replaced wherever the components of a site have it. */
export interface ColourReplacement {
  /** The colour that takes its place, as hex; undefined where none passes in all places, or no place has it. */
  readonly css: string | undefined;
  /** Perceptual difference between the two (ΔEOK × 100). */
  readonly distance: number;
  /** How many values have the colour. */
  readonly places: number;
  /** For each component that was given, in their order; without settings where it does not have the colour. */
  readonly shares: readonly ColourShare[];
}

const NO_SHARE: ColourShare = { settings: [], mended: [], broken: [] };

/**
 * Finds the one colour nearest to another that passes wherever the components of a site have that one; each step is one
 * component gone through.
 *
 * @param css the colour that is replaced
 */
export function* replacingColour(
  components: readonly SiteComponentLook[],
  css: string,
  request: RemedyRequest,
): Steps<ColourReplacement> {
  const from = parseColour(css);
  const found: ReturnType<typeof placesOf>[] = [];
  for (const { session, look } of components) {
    found.push(from ? placesOf(session, look, from, request) : []);
    yield { done: found.length, of: components.length };
  }
  const all = found.flat();
  const nearest = from && replacementFor(from, all);
  if (!nearest) {
    return { css: undefined, distance: 0, places: all.length, shares: components.map(() => NO_SHARE) };
  }
  const shares = components.map(({ session, look }, i): ColourShare => {
    const places = found[i]!;
    if (!places.length) return NO_SHARE;
    const settings = places.map(({ slot }) => ({ ...slot, value: nearest.css }));
    const before = session.ledger(look, request);
    const after = session.ledger(changeLook(look, settings), request);
    const due = new Set(before.filter((check) => isDue(check)).map(checkKey));
    return {
      settings,
      mended: after.filter((check) => due.has(checkKey(check)) && !isDue(check)),
      broken: after.filter((check) => isDue(check) && !due.has(checkKey(check))),
    };
  });
  return { css: nearest.css, distance: nearest.distance, places: all.length, shares };
}
