import { currentTrial, type Component, type LookData } from '@retoque/contract';
import { namesThis, replaceSwatches, withSwatches, type Swatch } from '@retoque/core';
import type { QueryClient } from '@tanstack/react-query';
import { saveChanged } from '../ledger/put-shares';

/** How many values of looks name a swatch, in every version of a component, and whose they are. */
export function usesOf(
  components: readonly Component[],
  id: string,
): { readonly values: number; readonly components: readonly Component[] } {
  const count = ({ look }: { look: LookData }) => look.settings.filter(({ value }) => namesThis(value, id)).length;
  const having = components.filter(({ trials }) => trials.some(count));
  return {
    values: having.reduce((sum, own) => sum + count(currentTrial(own)), 0) || Number(having.length > 0),
    components: having,
  };
}

/** Puts a swatch's colour in its place in all looks that name it. */
export async function withoutSwatch(
  client: QueryClient,
  siteId: string,
  components: readonly Component[],
  { id, css }: Swatch,
): Promise<() => Promise<unknown>> {
  const plain = new Map([[id, css]]);
  // Other swatches of a value stay as they are named.
  const without = (value: string) =>
    replaceSwatches(value, (named) => (named.id === id ? (withSwatches(named.text, plain) ?? named.text) : named.text));
  const changed = components.flatMap(({ id: componentId, trials }) =>
    trials.flatMap((trial) => {
      if (!trial.look.settings.some(({ value }) => namesThis(value, id))) return [];
      const settings = trial.look.settings.map((setting) => ({ ...setting, value: without(setting.value) }));
      return [{ componentId, trial, look: { ...trial.look, settings } }];
    }),
  );
  return saveChanged(client, siteId, changed);
}
