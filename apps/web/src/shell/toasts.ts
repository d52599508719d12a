/** A short notice at the screen's edge; the one place for undoing what was removed. */
export interface ToastWords {
  readonly title: string;
  readonly description?: string;
  readonly action?: { readonly label: string; readonly onClick: () => void };
}

type Show = (words: ToastWords) => void;

const waiting: ToastWords[] = [];
let show: Show | undefined;
let onFirst: (() => void) | undefined;

/** What shows notices is loaded with the first of them. */
export const toaster = {
  create(words: ToastWords): void {
    if (show) return show(words);
    waiting.push(words);
    onFirst?.();
  },
};

/** Says what went wrong, in the words that the error has for the person. */
export const tellProblem = (problem: Error): void => toaster.create({ title: problem.message });

/** Says what was done, with the way back. */
export const tellDone = (title: string, undo: () => void): void =>
  toaster.create({ title, action: { label: 'Undo', onClick: undo } });

/** @param load called when there is something to show and nobody who shows it */
export function listenForToasts(load: () => void): void {
  onFirst = load;
  if (waiting.length) load();
}

/** Shows what waits, and all that comes. */
export function showToastsWith(next: Show): void {
  show = next;
  for (const words of waiting.splice(0)) next(words);
}
