/** A name for what an element says, so that other words are another thing to remember. */
export function keyOf(host: Element, tag: string): string {
  const text = host.id || (host.textContent ?? '').replace(/\s+/g, ' ');
  let hash = 5381;
  for (let i = 0; i < text.length; i++) hash = (hash * 33) ^ text.charCodeAt(i);
  return `${tag}:${(hash >>> 0).toString(36)}`;
}

const within = <T>(act: () => T): T | undefined => {
  try {
    return act();
  } catch {
    // Storage may be full, or closed to the page; nothing is remembered then.
    return undefined;
  }
};

/** Remembers texts: for this visit, or until a moment in milliseconds since 1970. */
export interface Memory {
  keep(key: string, text: string, until?: number): void;
  /** What is remembered at a moment. */
  kept(key: string, now: number): string | undefined;
}

export const memoryOf = (view: Window): Memory => ({
  keep: (key, text, until) =>
    void within(() =>
      until === undefined
        ? view.sessionStorage.setItem(key, text)
        : view.localStorage.setItem(key, JSON.stringify([until, text])),
    ),
  kept: (key, now) =>
    within(() => {
      const [until, text] = JSON.parse(view.localStorage.getItem(key) ?? '[0]') as [number, string];
      return until > now ? text : undefined;
    }) ??
    within(() => view.sessionStorage.getItem(key)) ??
    undefined,
});
