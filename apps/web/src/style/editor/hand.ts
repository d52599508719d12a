import type { Kind, Look, Setting, ViewportName } from '@retoque/core';
import { createContext, useContext } from 'react';
import type { ComponentRef, SheetQuery } from '../../engine/protocol';
import type { Comparing } from '../look/useCompared';

/** What is in hand on the Style screen, and how a change of it is tried and kept. */
export interface Hand {
  readonly kind: Kind;
  readonly component: ComponentRef;
  readonly look: Look;
  /** The same, asked for when it is needed, so that an edit draws nothing twice. */
  readonly lookNow: () => Look;
  readonly query: SheetQuery;
  readonly viewport: ViewportName;
  /** Changes with what was measured of the page. */
  readonly measured: number;
  /** Shows settings without keeping them; none shows the look as it is. */
  readonly onTry: (settings: readonly Setting[] | undefined) => void;
  /** Values of a cell beside each other. */
  readonly compared: Comparing;
  /** Keeps settings, as one step of this name. */
  readonly onApply: (settings: readonly Setting[], name: string) => void;
}

export const HandContext = createContext<Hand | undefined>(undefined);

export function useHand(): Hand {
  const hand = useContext(HandContext);
  if (!hand) throw new Error('An editor is used outside the Style screen.');
  return hand;
}
