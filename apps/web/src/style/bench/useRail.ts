import type { Component, Page, Site } from '@retoque/contract';
import type { StateSheet } from '@retoque/core';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useOpenComponent } from '../../api/queries';
import { stylePath } from '../../shell/paths';
import { tellProblem } from '../../shell/toasts';
import { useStable } from '../../shell/useStable';
import { useSteady } from '../../shell/useSteady';
import { useSiteComponents, type SiteComponent } from '../site/useSiteComponents';
import { countsOf, withCurrent } from './bench';

/** The components of the site, with the figures of the edit in hand, and the way to another of them. */
export function useRail(
  site: Site,
  page: Page,
  component: Component,
  kept: readonly Component[],
  sheet: StateSheet | undefined,
) {
  const navigate = useNavigate();
  const { components, pending } = useSiteComponents(site, kept, page.id);
  const counts = useStable(countsOf(sheet));
  const shown = useMemo(() => withCurrent(components, component, counts), [components, component, counts]);
  const open = useOpenComponent();
  const pick = useSteady(({ found, pages }: SiteComponent) => {
    const on = pages.find((item) => item.id === page.id) ?? pages[0]!;
    open.mutate(
      { pageId: on.id, kind: found.kind, name: found.name, locator: structuredClone(found.locator) as never },
      { onSuccess: (stored) => void navigate(stylePath(site.id, on.id, stored.id)), onError: tellProblem },
    );
  });
  return { components: shown, pending, pick };
}
