import { JSDOM } from 'jsdom';
import { around as aroundOf, type Around } from '../script/behaviour.js';

/** A page without layout, and a clock that goes on only when it is told to. */
export function stage(html: string, { at = 0, url = 'https://page.invalid/', lang = 'en' } = {}) {
  const { window } = new JSDOM(`<!doctype html><html lang="${lang}"><body>${html}`, { url, pretendToBeVisual: true });
  window.matchMedia = ((query: string) => ({ matches: reduced && query.includes('reduce') })) as never;
  let reduced = false;
  let now = at;
  const calls = new Set<{ readonly act: () => void; readonly at: number }>();
  const around: Around = {
    ...aroundOf(window as unknown as Window),
    now: () => now,
    wait: (act, millis) => {
      const call = { act, at: now + millis };
      calls.add(call);
      return () => void calls.delete(call);
    },
  };
  const host = window.document.body.firstElementChild as unknown as HTMLElement;
  return {
    host,
    around,
    window: window as unknown as Window & typeof globalThis,
    document: window.document as unknown as Document,
    /** Calls what falls due within some milliseconds, in order. */
    go(millis: number) {
      const until = now + millis;
      for (;;) {
        const [next] = [...calls].filter((call) => call.at <= until).sort((a, b) => a.at - b.at);
        if (!next) break;
        calls.delete(next);
        now = next.at;
        next.act();
      }
      now = until;
    },
    set: (values: Record<string, string>) =>
      Object.entries(values).forEach(([name, value]) => host.style.setProperty(`--rq-${name}`, value)),
    askForLessMotion: () => void (reduced = true),
    /** The page is shown, as new or as it was left. */
    show(persisted: boolean) {
      const event = new window.Event('pageshow');
      Object.defineProperty(event, 'persisted', { value: persisted });
      window.dispatchEvent(event);
    },
    /** What listens to a pointer or focus is told a moment later. */
    settle: () => new Promise((resolve) => window.setTimeout(resolve, 0)),
    waiting: () => calls.size,
  };
}

export const press = (element: Element | null) => {
  const { defaultView } = element!.ownerDocument;
  element!.dispatchEvent(new defaultView!.MouseEvent('click', { bubbles: true, cancelable: true }));
};
