/** What of a component is pointed at, in the frames or in the sheet, so that the other can show it too. */
export interface Pointed {
  readonly part: string;
  readonly column: string;
}

type Listener = (pointed: Pointed | undefined) => void;

let pointed: Pointed | undefined;
const listeners = new Set<Listener>();

/** Outside React, since the pointer moves more often than anything should be drawn. */
export function pointAt(next: Pointed | undefined): void {
  if (next?.part === pointed?.part && next?.column === pointed?.column) return;
  pointed = next;
  for (const listener of listeners) listener(next);
}

export function onPointed(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
