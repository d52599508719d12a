import { currentTrial, type Component } from '@retoque/contract';
import type { Look, WornLook } from '@retoque/core';

/** A page of the site as it would be. */
export interface SiteVersion {
  readonly name: string;
  readonly looks: readonly WornLook[];
}

const wornAs = ({ id, pageId, kind, name, locator }: Component, look: Look): WornLook => ({
  id,
  pageId,
  kind,
  name,
  locator,
  look,
});

/**
 * The site without looks, and then in each version that some component has: those that have none of that name wear what
 * they wear now. Versions in which nothing is otherwise are one.
 */
export function versionsOfSite(components: readonly Component[]): SiteVersion[] {
  const names = [...new Set(components.flatMap(({ trials }) => trials.map(({ name }) => name)))].sort((a, b) =>
    a.localeCompare(b, 'en'),
  );
  const versions = names.map((name): SiteVersion => ({
    name: `Version ${name}`,
    looks: components.map((component) => {
      const trial = component.trials.find((own) => own.name === name) ?? currentTrial(component);
      return wornAs(component, trial.look as Look);
    }),
  }));
  return [{ name: 'As it is', looks: [] }, ...versions];
}
