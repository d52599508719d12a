import type { Component, LookData } from '@retoque/contract';
import { withSwatches, type Swatch } from '@retoque/core';
import type { QueryClient } from '@tanstack/react-query';
import { saveChanged } from '../ledger/put-shares';

const currentOf = ({ trials, currentTrialId }: Component) => trials.find(({ id }) => id === currentTrialId)!;

const naming = (id: string) => new RegExp(`\\bswatch\\(\\s*${id}\\s*[/)]`);

/** How many values of looks name a swatch, in every version of a component, and whose they are. */
export function usesOf(
  components: readonly Component[],
  id: string,
): { readonly values: number; readonly components: readonly Component[] } {
  const names = naming(id);
  const count = ({ look }: { look: LookData }) => look.settings.filter(({ value }) => names.test(value)).length;
  const having = components.filter(({ trials }) => trials.some(count));
  return {
    values: having.reduce((sum, own) => sum + count(currentOf(own)), 0) || Number(having.length > 0),
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
  const names = naming(id);
  const plain = new Map([[id, css]]);
  const changed = components.flatMap(({ id: componentId, trials }) =>
    trials.flatMap((trial) => {
      if (!trial.look.settings.some(({ value }) => names.test(value))) return [];
      const settings = trial.look.settings.map((setting) =>
        names.test(setting.value) ? { ...setting, value: onlyThis(setting.value, plain, id) } : setting,
      );
      return [{ componentId, trial, look: { ...trial.look, settings } }];
    }),
  );
  return saveChanged(client, siteId, changed);
}

/** Other swatches of the value stay as they are named. */
function onlyThis(value: string, plain: ReadonlyMap<string, string>, id: string): string {
  return value.replace(
    new RegExp(`\\bswatch\\(\\s*${id}\\s*(?:/[^()]*)?\\)`, 'g'),
    (own) => withSwatches(own, plain) ?? own,
  );
}
