import type { PageChangeRecord } from '@retoque/contract';

/** The newest change of a page whose markup holds a component; undefined for one that the page brought itself. */
export function changeHolding(changes: readonly PageChangeRecord[], selector: string): PageChangeRecord | undefined {
  return [...changes].reverse().find((change) => {
    if (!change.applied) return false;
    const { body } = new DOMParser().parseFromString(change.html, 'text/html');
    try {
      return body.querySelector(selector) !== null;
    } catch {
      // A selector that this browser does not read reaches nothing.
      return false;
    }
  });
}
