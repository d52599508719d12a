import type { PageSummary } from '@retoque/contract';
import type { Look, PageReach } from '@retoque/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { surveyEngine } from '../../engine/engine';
import { openPages } from '../../engine/open-pages';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { isForEveryPage } from './reach-words';

/** So long nothing is edited before anything is asked, and so long where one is still in a field. */
const QUIET_MILLIS = 1200;
const QUIET_IN_FIELD_MILLIS = 4000;
const LOOKING_MILLIS = 200;

/** True once an edit has come to rest, so that nobody is asked in the middle of a word or a drag. */
function useAtRest(look: Look, waits: boolean): boolean {
  const [resting, setResting] = useState<Look>();
  useEffect(() => {
    if (!waits) return undefined;
    const begun = Date.now();
    const timer = setInterval(() => {
      const isInField = document.activeElement?.matches('input, textarea, select') ?? false;
      if (Date.now() - begun < (isInField ? QUIET_IN_FIELD_MILLIS : QUIET_MILLIS)) return;
      clearInterval(timer);
      setResting(look);
    }, LOOKING_MILLIS);
    return () => clearInterval(timer);
  }, [look, waits]);
  return resting === look;
}

const NOWHERE: readonly PageReach[] = [];

/**
 * Where a look reaches, and whether its owner is still to say where it holds: one that begins here, for every page, and
 * reaches others that are not like this one.
 *
 * @param isNew true where the server has nothing of the look yet
 * @param pending how many pages of the site are not looked at yet; undefined for a site of one page
 */
export function useReach(
  pages: readonly PageSummary[],
  component: ComponentRef | undefined,
  look: Look,
  isNew: boolean,
  pending: number | undefined,
) {
  const client = useQueryClient();
  const { data, error } = useQuery({
    queryKey: ['surveyor', 'reach', component && refKey(component), pages.map(({ id }) => id)],
    enabled: component !== undefined && pending === 0,
    staleTime: Infinity,
    placeholderData: (before: readonly PageReach[] | undefined) => before,
    queryFn: async () => {
      // What the survey has counted this worker may not have seen.
      await openPages(client, pages);
      return surveyEngine().reach(component!);
    },
  });
  const [settled, settle] = useState(!isNew || pending === undefined);
  const isOpen = !settled && isForEveryPage(look);
  const isKnown = data !== undefined || error !== null;
  const unlike = data?.some(({ isUnlike }) => isUnlike) ?? false;
  const atRest = useAtRest(look, isOpen && unlike);
  return {
    reach: data ?? NOWHERE,
    /** Nothing is sent meanwhile. */
    held: isOpen && (!isKnown || unlike),
    asks: isOpen && unlike && atRest,
    settle: () => settle(true),
  };
}
