import { changedChecks, checkKey, isDue } from '../ledger/due.js';
import { changeLook, type Look } from '../look/model.js';
import type { ComponentPlace } from '../parts/placed-component.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { solving } from '../remedy/solve.js';
import type { DressedPage } from './dressed-page.js';

/**
 * Mends what newly fails in a component, by the smallest changes that pass.
 *
 * @param was the page before, by which is told what is new
 * @param is the page as it would be
 * @param look what the component would wear on it
 * @returns the look with the changes; the same one where nothing is new, or nothing helps
 */
export function* mendingBroken(
  was: DressedPage,
  is: DressedPage,
  place: ComponentPlace,
  look: Look,
  request: RemedyRequest,
): Generator<void, Look> {
  const { session } = is.wearing(place);
  const due = session.requiredChecks(look, request).filter((check) => isDue(check));
  if (!due.length) return look;
  const before = was.wearing(place);
  const { broken } = changedChecks(before.session.requiredChecks(before.look, request), due);
  if (!broken.length) return look;
  const keys = new Set(broken.map(checkKey));
  const { settings } = yield* solving(session, look, { of: 'checks', keys }, request);
  return settings.length ? changeLook(look, settings) : look;
}
