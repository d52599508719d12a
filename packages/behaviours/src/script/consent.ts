import { asShown, ifKept, show, undoing, viewOf, type Start } from './behaviour.js';
import { amount } from './settings.js';

const KEY = 'rq-consent';

/** Runs the scripts that were waiting for a choice: `<script type="text/plain" data-consent="statistics">`. */
function allow(document: Document, granted: readonly string[]): void {
  for (const waiting of document.querySelectorAll<HTMLScriptElement>('script[type="text/plain"][data-consent]')) {
    const { consent } = waiting.dataset;
    if (!granted.includes('all') && !granted.includes(consent!)) continue;
    const script = document.createElement('script');
    for (const { name, value } of waiting.attributes)
      if (name !== 'type' && name !== 'data-consent') script.setAttribute(name, value);
    script.nonce = waiting.nonce;
    script.text = waiting.text;
    waiting.replaceWith(script);
  }
}

/** Asks for consent, keeps the answer, tells it to the page, and asks again when it is wanted. */
export const consent: Start = (host, around) => {
  const view = viewOf(host) as Window & typeof globalThis;
  const document = host.ownerDocument;
  const undo = undoing();
  let opener: HTMLElement | null = null;

  const tell = (choice: string) => {
    const granted = choice.split(/[\s,]+/).filter((name) => name && name !== 'none');
    allow(document, granted);
    document.dispatchEvent(new view.CustomEvent('rq-consent', { detail: { granted } }));
  };
  const chosen = (choice: string) =>
    choice === 'chosen'
      ? [...host.querySelectorAll<HTMLInputElement>('input:checked')].map(({ value }) => value).join(' ') || 'none'
      : choice;
  undo.on(host, 'click', (event) => {
    const pressed = (event.target as Element).closest<HTMLElement>('[data-choice]');
    if (!pressed || !host.contains(pressed)) return;
    const choice = chosen(pressed.dataset.choice!);
    around.keep(KEY, choice, around.now() + amount(host, 'choice-days', 180) * 864e5);
    show(host, false);
    tell(choice);
    opener?.focus();
    opener = null;
  });
  undo.on(document, 'click', (event) => {
    if (!(event.target instanceof view.Element)) return;
    const pressed = event.target.closest<HTMLElement>('[data-consent-again], a[href="#cookies"]');
    if (!pressed) return;
    event.preventDefault();
    opener = pressed;
    show(host, true);
    host.querySelector<HTMLElement>('[data-choice], input')?.focus();
  });
  undo.add(asShown(host));

  const refresh = () => {
    const before = around.kept(KEY, around.now());
    show(host, before === undefined);
    if (before !== undefined) tell(before);
  };
  undo.on(view, 'pageshow', ifKept(refresh));
  refresh();
  return { stop: undo.run, refresh };
};
