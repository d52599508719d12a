import type { Steps } from '../base/steps.js';
import { kindNamed } from '../component/kinds/index.js';
import { partNamed } from '../component/kind.js';
import { isShareable } from '../look/finish.js';
import { activeSettings, changeLook, settingIndex, settingKey, type Look, type Setting } from '../look/model.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { comparingChecks, componentsOfSite, wearOther, type ComponentEffect, type SiteComponent } from './effect.js';
import type { WearableSite } from './site.js';
import { componentKey, isWornAt, type WornLook } from './worn.js';

/** A component that a look is copied to. */
export interface CopyShare extends Omit<SiteComponent, 'alsoOn'> {
  readonly settings: readonly Setting[];
  /** Labels of parts that the look speaks of and this component has not. */
  readonly without: readonly string[];
}

export interface CopiedLook {
  /** Components of the same kind, in the order of the pages. */
  readonly shares: readonly CopyShare[];
  /** Settings that stay where they are: those of single members, and those of one page alone. */
  readonly left: number;
  /** Checks that change, in these components and in all that their looks have a say in. */
  readonly effects: readonly ComponentEffect[];
}

/**
 * A look put on other components of its kind: whole, in every state, width and scheme that it speaks of. What they wear
 * besides stays.
 *
 * @param only components that are wanted, by their keys; all others of the kind when absent
 */
export function* copyingLook(
  site: WearableSite,
  from: Pick<WornLook, 'kind' | 'locator' | 'look'>,
  request: RemedyRequest,
  only?: ReadonlySet<string>,
): Steps<CopiedLook> {
  const all = activeSettings(from.look);
  const carried = all.filter(isShareable);
  const kind = kindNamed(from.kind);
  const labelOf = (part: string) => (kind && partNamed(kind, part)?.label) ?? part;
  const shares: CopyShare[] = [];
  const looks: WornLook[] = [...site.worn];
  const others = componentsOfSite(site).filter(
    ({ place }) => place.kind === from.kind && !isWornAt(from, place) && (only?.has(componentKey(place)) ?? true),
  );
  for (const component of others) {
    const { place, version, name } = component;
    const { session, look } = site.on(version).wearing(place);
    const parts = new Set(session.parts.map(({ part }) => part.name));
    const settings = carried.filter(({ part }) => parts.has(part));
    const without = new Set(carried.flatMap(({ part }) => (parts.has(part) ? [] : [labelOf(part)])));
    shares.push({ version, place, name, settings, without: [...without] });
    wearOther(looks, component, changeLook(look, settings));
  }
  const effects = yield* comparingChecks(site, site.under(looks), request);
  return { shares, left: all.length - carried.length, effects };
}

/** Settings as a look has them itself, so that names of swatches are copied and not the colours that they came to. */
export const asTold = (settings: readonly Setting[], told: Look): Setting[] =>
  settings.map((setting) => settingIndex(told).get(settingKey(setting)) ?? setting);
