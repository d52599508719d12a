import { currentTrial, type Bounds, type Component, type Finish, type Palette } from '@retoque/contract';
import type { WornLook } from '@retoque/core';
import type { Remote } from 'comlink';
import type { Engine } from './protocol';

/** What is kept of a site, as far as it says what the site wears. */
export interface Wardrobe {
  readonly siteId: string;
  readonly bounds: Bounds;
  readonly palette: Palette;
  readonly finishes: readonly Finish[];
  readonly components: readonly Component[];
}

/** What each worker was told last, by site and component. */
const told = new WeakMap<object, Map<string, Map<string, string>>>();

/** Another whenever the component wears something else: every save gives a look another revision. */
const stateOf = (component: Component): string => `${component.currentTrialId} ${currentTrial(component).revision}`;

/** A look that says nothing is as none. */
const says = (component: Component): boolean => {
  const { settings, exceptions, parts, names, finish } = currentTrial(component).look;
  const says = [...Object.keys(parts ?? {}), ...Object.keys(names ?? {})];
  return finish !== undefined || settings.length > 0 || exceptions.length > 0 || says.length > 0;
};

/** Another whenever what looks may name is another. */
const namedKey = ({ palette, finishes }: Pick<Wardrobe, 'palette' | 'finishes'>): string =>
  [palette.revision, ...finishes.map(({ id, revision }) => `${id} ${revision}`)].join(' ');

/** A short text that is another whenever a site wears something else. */
export const wornKey = ({ bounds, palette, finishes, components }: Omit<Wardrobe, 'siteId'>): string =>
  [
    bounds.medium,
    bounds.narrow,
    namedKey({ palette, finishes }),
    ...components.filter(says).map((own) => `${own.id} ${stateOf(own)}`),
  ].join();

export const wornLook = (component: Component): WornLook => {
  const { id, pageId, kind, name, locator } = component;
  return { id, pageId, kind, name, locator, look: currentTrial(component).look };
};

/**
 * Tells a worker what a site wears: of all looks those alone that have changed since. Messages keep their order, so
 * whatever is asked afterwards is answered with these on.
 */
export function tellWorn(
  worker: Pick<Remote<Engine>, 'wear'>,
  { siteId, bounds, palette, finishes, components }: Wardrobe,
): void {
  let bySite = told.get(worker);
  if (!bySite) told.set(worker, (bySite = new Map()));
  const before = bySite.get(siteId) ?? new Map<string, string>();
  const now = new Map(components.map((component) => [component.id, stateOf(component)]));
  const looks = components.filter(({ id }) => before.get(id) !== now.get(id)).map(wornLook);
  const order = components.map(({ id }) => id);
  now.set(REST, [bounds.medium, bounds.narrow, namedKey({ palette, finishes }), ...order].join());
  bySite.set(siteId, now);
  if (!looks.length && before.get(REST) === now.get(REST)) return;
  const named = finishes.map(({ id, look }) => ({ id, look }));
  void worker.wear(siteId, { bounds, palette, finishes: named, looks, order });
}

/** Stands beside the ids of components, which are none of these. */
const REST = 'rest';
