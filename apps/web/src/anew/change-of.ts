import type { PageChangeRecord } from '@retoque/contract';

const bodyOf = (html: string) => new DOMParser().parseFromString(html, 'text/html').body;

/** True where a change made a control of a text: the same in another element. */
export function isTurned({ html, before }: PageChangeRecord): boolean {
  if (before === null) return false;
  const [now, was] = [html, before].map((own) => bodyOf(own).firstElementChild?.localName);
  return now !== was && (now === 'a' || now === 'button');
}

/**
 * Changes of a page whose markup holds a component, the newest first: the one that made it or worded it, or all that made
 * controls of its texts. Empty for one that the page brought itself.
 */
export function changesHolding(changes: readonly PageChangeRecord[], selector: string): PageChangeRecord[] {
  const own = selector.split(/[\s>+~]+/).at(-1)!;
  const holding = [...changes].reverse().filter((change) => {
    if (!change.applied) return false;
    try {
      const body = bodyOf(change.html);
      // Of a control nothing but itself is in its markup: what it stands in is the page's.
      return body.querySelector(selector) !== null || (isTurned(change) && body.firstElementChild!.matches(own));
    } catch {
      // A selector that this browser does not read reaches nothing.
      return false;
    }
  });
  const [newest] = holding;
  return newest && isTurned(newest) ? holding.filter(isTurned) : holding.slice(0, 1);
}
