import type { Component, PageSummary, Site } from '@retoque/contract';
import { useQueries, useQueryClient } from '@tanstack/react-query';
import { pageQuery } from '../../api/queries';
import { measuredBefore } from '../../measuring/equip';
import { engine, enginePage, surveyEngine } from '../../engine/engine';
import { findComponents, foundKey } from '../../engine/find-components';
import type { FoundWithChecks } from '../../engine/protocol';
import { tellWorn, wornKey } from '../../engine/worn';
import type { Tally } from '@retoque/core';

/** A component of a site, on whichever of its pages it stands. */
export interface SiteComponent {
  readonly found: FoundWithChecks;
  /** Pages that it was found on, in the order of the site. */
  readonly pages: readonly PageSummary[];
}

const keyOf = (found: FoundWithChecks) => `${found.kind} ${found.selector}`;

/**
 * The components of all pages of a site; one that is found on several pages is one component.
 *
 * @param pageInHand id of the page that is worked on
 */
export function useSiteComponents(
  { id: siteId, pages, ...site }: Site,
  kept: readonly Component[] | undefined,
  pageInHand: string,
): { components: readonly SiteComponent[]; pending: number } {
  const client = useQueryClient();
  const worn = kept && wornKey({ ...site, components: kept });
  const loaded = useQueries({ queries: pages.map((page) => pageQuery(page.id)) });
  const answers = useQueries({
    queries: pages.map((page, i) => {
      const whole = loaded[i]?.data;
      const version = whole?.version;
      return {
        queryKey: ['surveyor', version?.edition, worn],
        enabled: version !== undefined && kept !== undefined,
        staleTime: Infinity,
        // What the survey has counted is not counted again.
        initialData: () => {
          const known = client.getQueryData<FoundWithChecks[]>(foundKey(version?.edition, worn));
          return known?.every(({ counted }) => counted) ? known : undefined;
        },
        placeholderData: (previous: FoundWithChecks[] | undefined) => previous,
        queryFn: async ({ signal }) => {
          const opened = enginePage(whole!);
          // The page in hand is open there already, with what was measured of it and what the survey counted.
          const worker = page.id === pageInHand ? engine() : surveyEngine();
          tellWorn(worker, { ...site, siteId, components: kept! });
          await worker.open(opened);
          return findComponents(worker, opened.id, await measuredBefore(client, page.id, opened.id), signal);
        },
      };
    }),
  });
  const byKey = new Map<string, { found: FoundWithChecks; pages: PageSummary[] }>();
  answers.forEach((answer, i) => {
    for (const found of answer.data ?? []) {
      const known = byKey.get(keyOf(found));
      if (known) {
        known.pages.push(pages[i]!);
        // The page on which it fares worst speaks for it.
        if (isWorse(found, known.found)) known.found = { ...known.found, ...onlyTally(found) };
      } else byKey.set(keyOf(found), { found, pages: [pages[i]!] });
    }
  });
  return { components: [...byKey.values()], pending: answers.filter((answer) => !answer.data).length };
}

const onlyTally = ({ short, unsure, passes, unseen }: Tally): Tally => ({ short, unsure, passes, unseen });

const isWorse = (a: Tally, b: Tally): boolean => (a.short - b.short || a.unsure - b.unsure || a.unseen - b.unseen) > 0;
