import type { Component, Page, Site } from '@retoque/contract';
import { ownPartsOf, type Look, type OwnParts } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { useWorn } from '../site/useWorn';

/** What is styled: a component of a page in the version that is shown. */
export interface Styled {
  readonly site: Site;
  readonly page: Page;
  readonly versionId: string;
  readonly component: Component;
  /** Components of the site that are kept. */
  readonly kept: readonly Component[];
}

/**
 * The component as the worker knows it.
 *
 * @returns how it is named to the worker, what the worker found, and the name again once that is there
 */
export function useOpened({ site, page, versionId, component, kept }: Styled, look: Look) {
  const corrected = JSON.stringify(ownPartsOf(look));
  const worn = useWorn(site, kept, component.id);
  const ref = useMemo(
    (): ComponentRef => ({
      versionId,
      pageId: page.id,
      kind: component.kind,
      locator: component.locator,
      ...(JSON.parse(corrected) as OwnParts),
      worn,
    }),
    [versionId, page.id, component.kind, component.locator, corrected, worn],
  );
  const { data, error } = useQuery({
    queryKey: ['engine', 'component', refKey(ref)],
    staleTime: Infinity,
    retry: false,
    queryFn: () => engine().component(ref),
  });
  return { ref, found: data, error, ready: data ? ref : undefined };
}
