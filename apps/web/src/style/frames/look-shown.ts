import type { ColumnCheck, EditingPlace, Look, ViewportName } from '@retoque/core';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { createLookStore, type LookStore } from '../../frame/look-store';

/** A look as frames show it, with its checks. */
export interface LookShown {
  readonly look: LookStore;
  readonly checks: readonly ColumnCheck[];
}

/** A look other than the one in hand, or on another page, for frames of its own. */
export async function lookShown(
  component: ComponentRef,
  look: Look,
  viewport: ViewportName,
  place: EditingPlace,
  alone: boolean,
): Promise<LookShown> {
  const { frames, checks } = await engine().atWidth(component, look, viewport, place, alone);
  const store = createLookStore();
  store.set(frames);
  return { look: store, checks };
}
