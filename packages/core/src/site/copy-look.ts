import { meanwhile, type Steps } from '../base/steps.js';
import { kindNamed } from '../component/kinds/index.js';
import { partNamed } from '../component/kind.js';
import { isShareable } from '../look/finish.js';
import {
  activeSettings,
  changeLook,
  EMPTY_LOOK,
  settingIndex,
  settingKey,
  settingText,
  type Look,
  type Setting,
} from '../look/model.js';
import { isMate } from '../component/find.js';
import { relatedKinds } from '../component/kinds/related.js';
import { roleOfPart } from '../component/part-role.js';
import type { FoundPart } from '../component/parts.js';
import { selectAll } from '../css/selector/locator.js';
import type { ComponentSession } from '../session/component-session.js';
import { pairsByRole } from './match-look.js';
import { mendingBroken } from './mend-broken.js';
import type { RemedyRequest } from '../remedy/drafting.js';
import { comparingChecks, componentsOfSite, wearOther, type ComponentEffect, type SiteComponent } from './effect.js';
import type { WearableSite } from './site.js';
import { componentKey, isWornAt, type WornLook } from './worn.js';

/** Where something stands, seen from something else: beside it, on the same page, or elsewhere on the site. */
export type Nearness = 'row' | 'page' | 'site';

/** A component that a look is copied to. */
export interface CopyShare extends Omit<SiteComponent, 'alsoOn'> {
  readonly settings: readonly Setting[];
  /** Labels of parts that the look speaks of and this component has not. */
  readonly without: readonly string[];
  readonly near: Nearness;
  /** True for one of another kind, whose parts were matched by what they are. */
  readonly isRelated: boolean;
}

export interface CopiedLook {
  /** Components of the same kind, then those of related ones, each in the order of the pages. */
  readonly shares: readonly CopyShare[];
  /** Settings that stay where they are: those of single members, and those of one page alone. */
  readonly left: number;
  /** Checks that change, in these components and in all that their looks have a say in. */
  readonly effects: readonly ComponentEffect[];
}

export interface Copying {
  /** Components that are wanted, by their keys; all others of the kind and of related ones when absent. */
  readonly only?: ReadonlySet<string> | undefined;
  /** True where what would fail there is mended by the smallest changes that pass. */
  readonly mends?: boolean | undefined;
}

/**
 * A look put on other components of its kind or of a related one: whole, in every state, width and scheme that it speaks
 * of. What they wear besides stays.
 */
export function* copyingLook(
  site: WearableSite,
  from: Pick<WornLook, 'kind' | 'locator' | 'look'>,
  request: RemedyRequest,
  { only, mends = false }: Copying = {},
): Steps<CopiedLook> {
  const all = activeSettings(from.look);
  const carried = all.filter(isShareable);
  const components = componentsOfSite(site);
  const source = components.find(({ place }) => isWornAt(from, place));
  const kinds = [from.kind, ...relatedKinds(from.kind)];
  const others = components
    .filter(({ place }) => kinds.includes(place.kind) && !isWornAt(from, place))
    .filter(({ place }) => only?.has(componentKey(place)) ?? true)
    .sort((a, b) => kinds.indexOf(a.place.kind) - kinds.indexOf(b.place.kind));
  const shares: CopyShare[] = [];
  const looks: WornLook[] = [...site.worn];
  for (const component of others) {
    const { place, version, name } = component;
    const { session, look } = site.on(version).wearing(place);
    const isRelated = place.kind !== from.kind;
    const settings = isRelated
      ? settingsByRole(carried, sourceSession(site, source, from), session)
      : carried.filter(({ part }) => session.parts.some((own) => own.part.name === part));
    // A related kind of which nothing speaks has nothing to get.
    if (isRelated && !settings.length) continue;
    const without = isRelated ? [] : partsWithout(from.kind, carried, session);
    shares.push({ version, place, name, settings, without, near: nearness(site, source, component), isRelated });
    wearOther(looks, component, changeLook(look, settings));
  }
  if (mends) yield* mendShares(site, shares, looks, request);
  const effects = yield* comparingChecks(site, site.under(looks), request);
  return { shares, left: all.length - carried.length, effects };
}

/** The component that a look is copied from, where it stands on the site. */
function sourceSession(
  site: WearableSite,
  source: SiteComponent | undefined,
  { kind, locator }: Pick<WornLook, 'kind' | 'locator'>,
): ComponentSession | undefined {
  return source && site.on(source.version).wearing({ kind, locator }).session;
}

function partsWithout(kindName: string, carried: readonly Setting[], { parts }: ComponentSession): string[] {
  const kind = kindNamed(kindName);
  const has = new Set(parts.map(({ part }) => part.name));
  return [
    ...new Set(carried.flatMap(({ part }) => (has.has(part) ? [] : [(kind && partNamed(kind, part)?.label) ?? part]))),
  ];
}

/** States that whatever is pointed at can be in. */
const OF_ALL: ReadonlySet<string> = new Set([
  'hover',
  'focus',
  'focus-visible',
  'focus-within',
  'active',
  'visited',
  'link',
]);

/** Settings of one kind's parts for those of another that are the same to their users, as far as these have their states. */
function settingsByRole(
  carried: readonly Setting[],
  from: ComponentSession | undefined,
  to: ComponentSession,
): Setting[] {
  if (!from) return [];
  const roled = (part: FoundPart) => ({ part: part.part.name, label: part.part.label, role: roleOfPart(part) });
  const pairs = pairsByRole(from.parts.map(roled), to.parts.map(roled), false);
  return to.parts.flatMap(({ part: { name, carrier = name, states } }) =>
    carried
      .filter(({ part }) => part === pairs[name])
      .filter(({ when }) => when.states.every(({ state }) => OF_ALL.has(state) || states.includes(state as never)))
      .map((setting) => ({
        ...setting,
        part: name,
        when: { ...setting.when, states: setting.when.states.map(({ state }) => ({ part: carrier, state })) },
      })),
  );
}

function nearness(site: WearableSite, source: SiteComponent | undefined, other: SiteComponent): Nearness {
  const page =
    source && [source.version, ...source.alsoOn].find((own) => [other.version, ...other.alsoOn].includes(own));
  if (!source || page === undefined) return 'site';
  const { tree } = site.on(page).page;
  const [mine, theirs] = [source, other].map(({ place }) => selectAll(tree, place.locator.selector));
  return mine!.some((one) => theirs!.some((two) => isMate(one, two))) ? 'row' : 'page';
}

/** Mends what would fail in components that get a look, as a part of what they get. */
function* mendShares(site: WearableSite, shares: CopyShare[], looks: WornLook[], request: RemedyRequest): Steps<void> {
  const is = site.under([...looks]);
  for (const [done, share] of shares.entries()) {
    const { place, version } = share;
    const look = looks.find((own) => isWornAt(own, place))!.look;
    const work = mendingBroken(site.on(version), is.on(version), place, look, request);
    const mended = yield* meanwhile(work, { done, of: shares.length });
    if (mended === look) continue;
    const known = new Set(look.settings.map(settingText));
    const settings = mended.settings.filter((setting) => !known.has(settingText(setting)));
    shares[done] = { ...share, settings: changeLook({ ...EMPTY_LOOK, settings: share.settings }, settings).settings };
    wearOther(looks, share, mended);
  }
}

/** Settings as a look has them itself, so that names of swatches are copied and not the colours that they came to. */
export const asTold = (settings: readonly Setting[], told: Look): Setting[] =>
  settings.map((setting) => settingIndex(told).get(settingKey(setting)) ?? setting);
