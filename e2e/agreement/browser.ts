import type { CDPSession, Page } from '@playwright/test';
import { LAYOUT_DEPENDENT } from './properties';

/** Values of one element, in the order of the properties asked for. */
export type Values = readonly string[];

/** A page in Chromium whose elements are read and forced by their place in the document. */
export class BrowserPage {
  /** States that are forced now, by protocol id. */
  private forced: ReadonlyMap<number, readonly string[]> = new Map();

  private constructor(
    private readonly page: Page,
    private readonly client: CDPSession,
    /** Protocol ids of all elements in document order, and of their parents. */
    private readonly ids: readonly number[],
    private readonly parents: ReadonlyMap<number, number>,
  ) {}

  static async open(page: Page): Promise<BrowserPage> {
    const client = await page.context().newCDPSession(page);
    await client.send('DOM.enable');
    await client.send('CSS.enable');
    const { root } = await client.send('DOM.getDocument', { depth: -1 });
    const ids: number[] = [];
    const parents = new Map<number, number>();
    interface Node {
      nodeId: number;
      nodeType: number;
      children?: Node[];
    }
    const visit = (node: Node, parent: number | undefined) => {
      if (node.nodeType === 1) {
        ids.push(node.nodeId);
        if (parent !== undefined) parents.set(node.nodeId, parent);
      }
      for (const child of node.children ?? []) visit(child, node.nodeType === 1 ? node.nodeId : parent);
    };
    visit(root as unknown as Node, undefined);
    return new BrowserPage(page, client, ids, parents);
  }

  async close(): Promise<void> {
    await this.client.detach();
  }

  get elementCount(): number {
    return this.ids.length;
  }

  /**
   * Forces states through the debugging protocol, on the element and on what they spread to; nothing else is forced then.
   * What is forced already is left as it is: each change has the browser style the page anew.
   *
   * @param alsoForced elements that share hover and press with it, such as a label's control
   */
  async force(order: number, states: readonly string[], alsoForced: readonly number[] = []): Promise<void> {
    const wanted = new Map<number, readonly string[]>();
    const spread = states.filter((state) => state === 'hover' || state === 'active');
    const within = states.includes('focus') ? ['focus-within'] : [];
    const start = this.ids[order]!;
    for (let id: number | undefined = start; id !== undefined; id = this.parents.get(id)) {
      const own = [...(id === start ? states : spread), ...within];
      if (own.length) wanted.set(id, own);
    }
    for (const other of alsoForced) wanted.set(this.ids[other]!, spread);
    await this.change(wanted);
  }

  /** Forces states on every element of the page at once. */
  forceAll(states: readonly string[]): Promise<void> {
    return this.change(new Map(this.ids.map((id) => [id, states])));
  }

  /** Forces nothing any more. */
  release(): Promise<void> {
    return this.change(new Map());
  }

  private async change(wanted: ReadonlyMap<number, readonly string[]>): Promise<void> {
    const ids = new Set([...this.forced.keys(), ...wanted.keys()]);
    const changed = [...ids].filter((id) => `${wanted.get(id)?.join()}` !== `${this.forced.get(id)?.join()}`);
    this.forced = wanted;
    await Promise.all(
      changed.map((nodeId) =>
        this.client.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses: [...(wanted.get(nodeId) ?? [])] }),
      ),
    );
  }

  /** Computed values of elements, transitions finished and animations gone. */
  async read(orders: readonly number[] | 'all', properties: readonly string[], pseudo?: string): Promise<Values[]> {
    const { words, rows } = await this.page.evaluate(
      ([wanted, names, fromMap, part]) => {
        const all = document.querySelectorAll('*');
        const elements = wanted === 'all' ? [...all] : wanted.map((order) => all[order]!);
        for (const element of elements) void getComputedStyle(element).color;
        for (const animation of document.getAnimations()) {
          if (animation instanceof CSSTransition) animation.finish();
          else animation.cancel();
        }
        const known = new Map<string, number>();
        const list: string[] = [];
        const put = (text: string) => {
          let at = known.get(text);
          if (at === undefined) {
            at = list.push(text) - 1;
            known.set(text, at);
          }
          return at;
        };
        const layout = new Set(fromMap);
        const found = elements.map((element) => {
          const style = getComputedStyle(element, part ? `::${part}` : undefined);
          const map = part ? undefined : element.computedStyleMap();
          return names.map((name) =>
            put(map && layout.has(name) ? String(map.get(name) ?? '') : style.getPropertyValue(name)),
          );
        });
        return { words: list, rows: found };
      },
      [orders, properties, [...LAYOUT_DEPENDENT], pseudo] as const,
    );
    return rows.map((row) => row.map((at) => words[at]!));
  }

  /** How Chromium reads values of a property back, as a computed style map gives them. */
  readBack(property: string, values: readonly string[]): Promise<string[]> {
    return this.probed(property, values, true);
  }

  /** How Chromium resolves a value of a property, as a computed style gives it where nothing is laid out. */
  async resolved(property: string, value: string): Promise<string> {
    return (await this.probed(property, [value], false))[0]!;
  }

  private probed(property: string, values: readonly string[], fromMap: boolean): Promise<string[]> {
    return this.page.evaluate(
      ([name, texts, isMap]) => {
        const probe = document.createElement('retoque-probe');
        document.documentElement.append(probe);
        probe.style.setProperty('transition', 'none', 'important');
        const answers = texts.map((text) => {
          probe.style.setProperty(name, text, 'important');
          return isMap
            ? String(probe.computedStyleMap().get(name) ?? '')
            : getComputedStyle(probe).getPropertyValue(name);
        });
        probe.remove();
        return answers;
      },
      [property, values, fromMap] as const,
    );
  }
}
