import { parseColour } from '../colour/parse.js';
import { sameRgba } from '../colour/rgba.js';
import { changeLook, type Look, type Setting } from '../look/model.js';
import { placesOf, replacementsFor, settingsOf, type ColourPlace } from './colour-places.js';
import type { ComponentSession } from '../session/component-session.js';
import type { RemedyRequest } from './drafting.js';
import { changedChecks, type ChangedChecks } from '../ledger/due.js';
import type { Steps } from '../base/steps.js';
import type { LedgerCheck } from '../ledger/ledger-check.js';

/** One component of a site, under the look that it wears. */
export interface SiteComponentLook {
  readonly session: ComponentSession;
  readonly look: Look;
}

/** What one replacement does to one of the components. */
export interface ColourShare extends ChangedChecks {
  readonly settings: readonly Setting[];
}

/** A colour that takes another's place. */
export interface ReplacingColour {
  /** As hex. */
  readonly css: string;
  /** Perceptual difference from the one that it replaces (ΔEOK × 100). */
  readonly distance: number;
  /** How many values it is for. */
  readonly places: number;
}

/** One colour replaced wherever the components of a site have it. */
export interface ColourReplacement {
  /**
   * The colours that take its place: one where one passes in all places, else the fewest that were found to pass between
   * them; none where no place has it.
   */
  readonly colours: readonly ReplacingColour[];
  /** How many values have the colour. */
  readonly places: number;
  /** In how many no colour passes. */
  readonly left: number;
  /** For each component that was given, in their order; without settings where it does not have the colour. */
  readonly shares: readonly ColourShare[];
}

/**
 * Finds the colour nearest to another that passes wherever the components of a site have that one, or the fewest that do;
 * each step is one component gone through.
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
  // Text on a ground of its own colour stays unreadable where both change alike: there the ground is left as it is.
  const keepsGrounds = new Set<number>();
  for (;;) {
    const taken = found.map((own, i) => (keepsGrounds.has(i) ? own.filter(({ slot }) => !isGround(slot)) : own));
    const all = taken.flat();
    const { replacements, left } = from ? replacementsFor(from, all) : { replacements: [], left: [] };
    const changes = components.map((component, i) =>
      replacements.length ? changeOf(component, settingsOf(taken[i]!, replacements), request) : NO_CHANGE,
    );
    const unreadable = changes.flatMap(({ after }, i) =>
      !keepsGrounds.has(i) && after.some(isOnItself) && taken[i]!.some(({ slot }) => isGround(slot)) ? [i] : [],
    );
    if (unreadable.length) {
      for (const i of unreadable) keepsGrounds.add(i);
      continue;
    }
    return {
      colours: replacements.map(({ css: value, distance, places }) => ({
        css: value,
        distance,
        places: places.length,
      })),
      places: all.length,
      left: left.length,
      shares: changes.map(({ share }) => share),
    };
  }
}

const isGround = ({ property }: ColourPlace['slot']): boolean => property === 'background-color';

/** Text that cannot be told from its ground at all. */
const isOnItself = ({ verdict, foreground, background }: LedgerCheck): boolean =>
  verdict === 'short' && !!foreground && !!background && sameRgba(foreground, background);

interface Change {
  readonly share: ColourShare;
  /** Every check as it is then; none where nothing is set. */
  readonly after: readonly LedgerCheck[];
}

const NO_CHANGE: Change = { share: { settings: [], mended: [], broken: [] }, after: [] };

function changeOf({ session, look }: SiteComponentLook, settings: readonly Setting[], request: RemedyRequest): Change {
  if (!settings.length) return NO_CHANGE;
  const before = session.ledger(look, request);
  const after = session.ledger(changeLook(look, settings), request);
  return { share: { settings, ...changedChecks(before, after) }, after };
}
