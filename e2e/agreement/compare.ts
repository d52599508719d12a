import { asOneStep } from '../one-step';
import type { Page } from '@playwright/test';
import {
  bitsOf,
  closeBits,
  DESKTOP,
  forceStates,
  labelledControl,
  printShorthand,
  type PageSession,
  type Atom,
  type Environment,
} from '../../packages/core/dist/index.js';
import { BrowserPage, type Values } from './browser';
import { COMPARED, LAYOUT_DEPENDENT, READ_BACK } from './properties';

export interface Difference {
  readonly where: string;
  readonly state: string;
  readonly property: string;
  readonly core: string;
  readonly browser: string;
}

function groupBy<T>(list: readonly T[], keyOf: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of list) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}

/** How far the core and Chromium agree, by property. */
export class Agreement {
  readonly compared = new Map<string, number>();
  readonly differences: Difference[] = [];

  add(property: string, difference: Difference | undefined): void {
    this.compared.set(property, (this.compared.get(property) ?? 0) + 1);
    if (difference) this.differences.push(difference);
  }

  get total(): number {
    let total = 0;
    for (const count of this.compared.values()) total += count;
    return total;
  }

  get percent(): number {
    return this.total ? 100 * (1 - this.differences.length / this.total) : 0;
  }

  /** One line a property that differs anywhere: how often, and the first cases. */
  report(most = 40): string {
    const byProperty = groupBy(this.differences, (difference) => difference.property);
    const lines = [...byProperty]
      .sort((a, b) => b[1].length - a[1].length)
      .slice(0, most)
      .map(([property, list]) => {
        const cases = groupBy(list, (item) => `core ${item.core} | browser ${item.browser}`);
        const shown = [...cases]
          .sort((a, b) => b[1].length - a[1].length)
          .slice(0, 4)
          .map(([text, items]) => `\n      ${items.length}x ${text}   (${items[0]!.where} ${items[0]!.state})`);
        return `  ${property}: ${list.length} of ${this.compared.get(property)}${shown.join('')}`;
      });
    return [`${this.percent.toFixed(4)} % of ${this.total} values agree`, ...lines].join('\n');
  }
}

/** States a real pointer or keyboard brings about, as closed sets. */
export const STATES: Readonly<Record<string, readonly Atom[]>> = {
  hover: ['hover'],
  focus: ['focus', 'focus-visible'],
  active: ['hover', 'active'],
  'hover+focus': ['hover', 'focus'],
};

const NUMBER = /-?\d*\.?\d+(?:e[+-]\d+)?/g;

/** Equal as text, or in all but the last printed digit of its numbers, where single and double precision part. */
export function agree(a: string, b: string): boolean {
  if (a === b) return true;
  if (a.replace(NUMBER, '#') !== b.replace(NUMBER, '#')) return false;
  const [left, right] = [a.match(NUMBER) ?? [], b.match(NUMBER) ?? []];
  return left.every((text, i) => {
    const [x, y] = [Number(text), Number(right[i])];
    return Math.abs(x - y) <= 2e-5 * Math.max(1, Math.abs(x));
  });
}

interface Wanted {
  readonly order: number;
  readonly where: string;
  readonly state: string;
  readonly core: Values;
  readonly browser: Values;
}

async function judge(
  wanted: readonly Wanted[],
  browser: BrowserPage,
  agreement: Agreement,
  properties: readonly string[],
) {
  for (const [i, property] of properties.entries()) {
    let translate = (text: string) => text;
    if (READ_BACK.has(property)) {
      const texts = [...new Set(wanted.map((item) => item.core[i]!))];
      const answers = await browser.readBack(property, texts);
      translate = (text) => answers[texts.indexOf(text)] ?? text;
    }
    for (const item of wanted) {
      const real = item.browser[i]!;
      const core = item.core[i] === real ? real : translate(item.core[i]!);
      agreement.add(
        property,
        agree(core, real)
          ? undefined
          : { where: item.where, state: item.state, property, core: item.core[i]!, browser: real },
      );
    }
  }
}

export interface CompareOptions {
  readonly environment?: Environment;
  readonly states?: Readonly<Record<string, readonly Atom[]>>;
  /** Which elements are compared in states besides at rest; those that can be pointed at by default. */
  readonly interactive?: string;
  readonly properties?: readonly string[];
  /** Pseudo-elements to compare, each with the elements that have it. */
  readonly pseudo?: Readonly<Record<string, string>>;
}

export const PSEUDO_ELEMENTS: Readonly<Record<string, string>> = {
  before: '*',
  after: '*',
  marker: 'li, summary',
  placeholder: ':is(input, textarea)[placeholder]:placeholder-shown',
  'file-selector-button': 'input[type=file]',
};

export const INTERACTIVE =
  'a[href], button, input:not([type=hidden]), select, textarea, summary, label, [tabindex], [role=button]';

/** Compares every element of a page at rest, and those that answer to pointer and keyboard in each state. */
export const comparePage = (page: Page, session: PageSession, options: CompareOptions = {}): Promise<Agreement> =>
  asOneStep(() => compareAll(page, session, options));

async function compareAll(page: Page, session: PageSession, options: CompareOptions): Promise<Agreement> {
  const { environment = DESKTOP, states = STATES, interactive = INTERACTIVE, properties = COMPARED } = options;
  const agreement = new Agreement();
  const browser = await BrowserPage.open(page);
  const styles = session.stylesFor(environment);
  const { elements } = session.tree;
  if (browser.elementCount !== elements.length) {
    throw new Error(`Chromium has ${browser.elementCount} elements, the core ${elements.length}.`);
  }
  const nameOf = (order: number) => {
    const element = elements[order]!;
    return `${element.name}${element.id ? `#${element.id}` : ''}${element.classes.map((name) => `.${name}`).join('')}`;
  };
  const valuesOf = (order: number, view = styles.at(), pseudo?: string) => {
    const style = view.of(elements[order]!, pseudo);
    return properties.map(
      (property) => printShorthand(property, (longhand) => style.text(longhand)) ?? style.text(property),
    );
  };
  const rest = await browser.read('all', properties);
  const wanted: Wanted[] = rest.map((values, order) => ({
    order,
    where: nameOf(order),
    state: 'default',
    core: valuesOf(order),
    browser: values,
  }));
  const ordersOf = (selector: string) =>
    page.evaluate(
      (wantedSelector) =>
        [...document.querySelectorAll('*')].flatMap((element, i) => (element.matches(wantedSelector) ? [i] : [])),
      selector,
    );
  for (const [pseudo, selector] of Object.entries(options.pseudo ?? {})) {
    const all = await ordersOf(selector);
    const orders = all.filter(
      (order) => pseudo !== 'marker' || styles.at().of(elements[order]!).text('display') === 'list-item',
    );
    const values = await browser.read(orders, properties, pseudo);
    orders.forEach((order, at) => {
      const core = valuesOf(order, styles.at(), pseudo);
      // A computed style map is not to be had here, so what layout decides is left out.
      const known = values[at]!.map((value, i) => (LAYOUT_DEPENDENT.has(properties[i]!) ? core[i]! : value));
      wanted.push({ order, where: `${nameOf(order)}::${pseudo}`, state: 'default', core, browser: known });
    });
  }
  const pointed = await ordersOf(interactive);
  // State by state: neighbours share most of what has to be forced around them.
  for (const [state, atoms] of Object.entries(states)) {
    for (const order of pointed) {
      const element = elements[order]!;
      const control = labelledControl(element);
      await browser.force(order, atoms, control ? [control.order] : []);
      const [values] = await browser.read([order], properties);
      const view = styles.at(forceStates([[element, closeBits(bitsOf(atoms))]]));
      wanted.push({ order, where: nameOf(order), state, core: valuesOf(order, view), browser: values! });
    }
  }
  await browser.release();
  await judge(wanted, browser, agreement, properties);
  await browser.close();
  return agreement;
}
