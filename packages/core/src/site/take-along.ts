import { meanwhile, type Steps } from '../base/steps.js';
import { EMPTY_LOOK, type Look } from '../look/model.js';
import { saidBesides } from '../look/said-besides.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { comparingChecks, wearOther, type ComponentEffect, type LookShare, type SiteComponent } from './effect.js';
import { mendingBroken } from './mend-broken.js';
import type { SiteUnder, WearableSite } from './site.js';
import { componentKey, isWornAt, type WornLook } from './worn.js';

/** What a change of one component's look asks of others. */
export interface TakenAlongAcross {
  /** Checks that fail because of it, by component and page. */
  readonly broken: readonly ComponentEffect[];
  /** What is set in their looks so that they pass again. */
  readonly shares: readonly LookShare[];
  /** Those that fail even then. */
  readonly left: readonly ComponentEffect[];
}

/**
 * What else has to change where one component's look does: what stands on its ground, or is drawn over it, may not be
 * read any more. On every page of the site that the look reaches, on others than the one in hand the component itself
 * included, which is told and left.
 *
 * @param inHand the component on its page, with its look before and after
 */
export function* takingAlong(
  site: WearableSite,
  inHand: Omit<SiteComponent, 'alsoOn'> & { readonly before: Look; readonly after: Look },
  request: RemedyRequest,
): Steps<TakenAlongAcross> {
  const under = (look: Look, others: readonly WornLook[] = site.worn): WornLook[] => {
    const looks = [...others];
    wearOther(looks, inHand, look);
    return looks;
  };
  const worn = under(inHand.before);
  const was = site.under(worn);
  const looks = under(inHand.after, worn);
  const is = site.under([...looks]);
  const broken = (yield* brokenBy(was, is, inHand, request)).map((effect) => ({ ...effect, mended: [] }));
  if (!broken.length) return { broken, shares: [], left: [] };

  const touched = new Map<string, ComponentEffect>();
  for (const [done, effect] of broken.entries()) {
    const { place, version } = effect;
    if (isWornAt(place, inHand.place)) continue;
    const look = looks.find((own) => isWornAt(own, place))?.look ?? EMPTY_LOOK;
    const work = mendingBroken(was.on(version), is.on(version), place, look, request);
    const mended = yield* meanwhile(work, { done, of: broken.length });
    if (mended === look) continue;
    wearOther(looks, effect, mended);
    touched.set(componentKey(place), effect);
  }
  const shares = [...touched.values()].map(({ version, place, name }): LookShare => {
    const before = worn.find((own) => isWornAt(own, place))?.look ?? EMPTY_LOOK;
    return { version, place, name, ...saidBesides(before, looks.find((own) => isWornAt(own, place))!.look) };
  });
  const left = yield* brokenBy(was, site.under(looks), inHand, request);
  return { broken, shares, left };
}

/** Components with checks that fail under other looks and passed under those before, without the one in hand where it is. */
function* brokenBy(
  was: SiteUnder,
  is: SiteUnder,
  { place, version }: Pick<SiteComponent, 'place' | 'version'>,
  request: RemedyRequest,
): Steps<ComponentEffect[]> {
  const effects = yield* comparingChecks(was, is, request);
  return effects.filter(
    (effect) => effect.broken.length > 0 && !(isWornAt(effect.place, place) && effect.version === version),
  );
}
