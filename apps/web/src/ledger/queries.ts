import type { CheckRef, EditingPlace, Look, ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef, LedgerQuery } from '../engine/protocol';
import { refKey } from '../engine/ref-key';

export function useLedgerQuery(place: EditingPlace, added: readonly string[], measured: number): LedgerQuery {
  return useMemo(() => ({ place, added, measured }), [place, added, measured]);
}

/** All checks of the component under a look; those of the look before stay while they are worked out. */
export const useLedger = (component: ComponentRef, look: Look, query: LedgerQuery) =>
  useQuery({
    queryKey: ['engine', 'ledger', refKey(component), look, query],
    staleTime: Infinity,
    gcTime: 0,
    placeholderData: (before) => before,
    queryFn: () => engine().ledger(component, look, query),
  });

export const useRemedies = (
  component: ComponentRef,
  look: Look,
  query: LedgerQuery,
  check: CheckRef,
  at: ViewportName,
) =>
  useQuery({
    queryKey: ['engine', 'remedies', refKey(component), look, query, check, at],
    staleTime: Infinity,
    gcTime: 0,
    queryFn: () => engine().remedies(component, look, query, check, at),
  });
