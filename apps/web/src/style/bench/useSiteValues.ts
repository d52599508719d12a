import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { engine } from '../../engine/engine';
import type { SiteValues } from '../editor/Editor';

const NONE: never[] = [];

/**
 * Colours and fonts that a page uses, to choose from.
 *
 * @param isShown false until the sheet is there, which does not wait for them
 */
export function useSiteValues(versionId: string, isShown: boolean): SiteValues {
  const colours = useQuery({
    queryKey: ['engine', 'colours', versionId],
    enabled: isShown,
    staleTime: Infinity,
    queryFn: () => engine().siteColours(versionId),
  });
  const families = useQuery({
    queryKey: ['engine', 'families', versionId],
    enabled: isShown,
    staleTime: Infinity,
    queryFn: () => engine().siteFamilies(versionId),
  });
  return useMemo(
    () => ({ colours: colours.data ?? NONE, families: families.data ?? NONE }),
    [colours.data, families.data],
  );
}
