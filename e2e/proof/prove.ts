import type { Page } from '@playwright/test';
import {
  atomsOf,
  bitsOf,
  closeBits,
  columnNamed,
  DESKTOP,
  finish,
  handingOver,
  type Atom,
  type Environment,
  type LookHere,
  type Site,
} from '../../packages/core/dist/index.js';
import { CarriedStates } from '../../packages/core/dist/component/carriers.js';
import { VISITED } from '../../packages/core/dist/css/selector/states.js';
import { Forcer, type Subject } from '../../packages/core/dist/component/subject.js';
import { BrowserPage, type Values } from '../agreement/browser';
import { agree } from '../agreement/compare';
import { COMPARED, READ_BACK } from '../agreement/properties';
import { paintedColour, visit } from './history';
import { isLaidOut, letGo, pointAt, putOn, stage, statesNow, tabOn } from './live';

/** A value that the live page shows otherwise than was promised. */
export interface Differing {
  readonly page: string;
  readonly where: string;
  readonly state: string;
  readonly property: string;
  readonly promised: string;
  readonly live: string;
}

export interface Outcome {
  values: number;
  /** Of these, read under a real pointer or after real keys. */
  real: number;
  readonly differing: Differing[];
  /** Elements that are none of a look's and changed all the same. */
  readonly foreign: Differing[];
  /** Of others, how many were compared with themselves. */
  others: number;
  /** Rows of looks of which the handover itself says that they do not hold. */
  unpromised: number;
}

const ENVIRONMENTS: readonly Environment[] = [
  DESKTOP,
  { ...DESKTOP, width: 800 },
  { ...DESKTOP, width: 375 },
  { ...DESKTOP, scheme: 'dark' },
  { ...DESKTOP, reducedMotion: true },
];
const AT_REST: readonly string[] = [];
/** States in which elements that no look is about are compared with themselves. */
const IN_STATES: readonly (readonly string[])[] = [
  AT_REST,
  ['hover'],
  ['hover', 'active'],
  ['focus', 'focus-visible', 'focus-within'],
];
/** Of a part's elements these many are read, the first and the last among them. */
const MOST_MEMBERS = 4;
const MOST_TABS = 40;
const MOST_POINTED = 6;
const MOST_VISITED = 2;
/** How often a colour that differs is read again before it counts. */
const MOST_READ_AGAIN = 4;
const REAL: readonly Atom[] = ['hover', 'active', 'focus', 'focus-visible'];

const some = <T>(list: readonly T[], most: number): T[] =>
  list.length <= most ? [...list] : [...list.slice(0, most - 1), list.at(-1)!];

/** A page of the corpus that is open in Chromium, and what it showed before anything was put on it. */
export class LivePage {
  private readonly before = new Map<string, Values[]>();

  private constructor(
    readonly page: Page,
    readonly browser: BrowserPage,
    readonly version: string,
  ) {}

  static async of(page: Page, version: string): Promise<LivePage> {
    await page.evaluate(() => {
      for (const kind of ['click', 'submit']) document.addEventListener(kind, (event) => event.preventDefault(), true);
    });
    return new LivePage(page, await BrowserPage.open(page), version);
  }

  async seeIn({ width, height, scheme, reducedMotion }: Environment): Promise<void> {
    await this.page.setViewportSize({ width, height });
    await this.page.emulateMedia({ colorScheme: scheme, reducedMotion: reducedMotion ? 'reduce' : 'no-preference' });
  }

  /** Every value of every element without a handover, and what it is with one: at rest, or with all in a few states. */
  async withoutAndWith(
    css: string,
    { width, scheme, reducedMotion }: Environment,
    states: readonly string[],
  ): Promise<{ was: readonly Values[]; is: readonly Values[] }> {
    const key = `${width} ${scheme} ${reducedMotion} ${states.join()}`;
    await (states.length ? this.browser.forceAll(states) : this.browser.release());
    let was = this.before.get(key);
    if (!was) {
      await putOn(this.page, '');
      this.before.set(key, (was = await this.browser.read('all', COMPARED)));
    }
    await putOn(this.page, css);
    return { was, is: await this.browser.read('all', COMPARED) };
  }
}

/** Puts what a site hands over into its live pages, and reads back what was promised of them. */
export async function proveLive(site: Site, open: (version: string) => Promise<LivePage>): Promise<Outcome> {
  const outcome: Outcome = { values: 0, real: 0, differing: [], foreign: [], others: 0, unpromised: 0 };
  const { files, pages, unbeatable } = finish(handingOver(site));
  // What is said not to hold is promised to nobody.
  const broken = new Set([
    ...pages.flatMap(({ failures }) => failures.map(({ worn, property }) => `${worn} ${property}`)),
    ...unbeatable.map(({ worn, property }) => `${worn} ${property}`),
  ]);
  outcome.unpromised = broken.size;
  for (const { pageId, version } of site.pages) {
    const css = files.flatMap(({ page, text }) => (!page || page.pageId === pageId ? [text] : [])).join('\n');
    const live = await open(version);
    await provePage(site, live, css, broken, outcome);
  }
  return outcome;
}

async function provePage(
  site: Site,
  live: LivePage,
  css: string,
  broken: ReadonlySet<string>,
  outcome: Outcome,
): Promise<void> {
  const dressed = site.on(live.version);
  const looks = dressed.lookList();
  for (const environment of ENVIRONMENTS) {
    await live.seeIn(environment);
    // A window that comes to the front may be given the focus that another one had.
    await letGo(live.page);
    for (const states of environment === DESKTOP ? IN_STATES : [AT_REST])
      await othersUnchanged(site, live, looks, { css, environment, states }, outcome);
    await live.browser.release();
    const reader = new Reader(site, live, environment, broken, outcome);
    for (const here of looks) await reader.readForced(here);
    await live.browser.release();
    if (environment !== DESKTOP) continue;
    for (const here of looks) await reader.readReal(here);
    for (const here of looks) await reader.readVisited(here);
  }
}

/** Elements that no look is about, and that stand in none of those, are as they were. */
async function othersUnchanged(
  site: Site,
  live: LivePage,
  looks: readonly LookHere[],
  { css, environment, states }: { css: string; environment: Environment; states: readonly string[] },
  outcome: Outcome,
): Promise<void> {
  const { elements } = site.page(live.version).tree;
  const own = new Set(looks.flatMap(({ placed }) => placed.parts.flatMap((part) => part.elements)));
  const touched = new Set(own);
  // Elements come after what they stand in.
  for (const element of elements) if (element.parent && touched.has(element.parent)) touched.add(element);
  const { was, is } = await live.withoutAndWith(css, environment, states);
  for (const element of elements) {
    if (touched.has(element)) continue;
    outcome.others++;
    const [before, after] = [was[element.order]!, is[element.order]!];
    COMPARED.forEach((property, i) => {
      if (before[i] === after[i]) return;
      const where = `${element.name}.${element.classes.join('.')} at ${environment.width}`;
      outcome.foreign.push({
        page: live.version,
        where,
        state: states.join('+') || 'default',
        property,
        promised: before[i]!,
        live: after[i]!,
      });
    });
  }
}

/** A value as Chromium reads it back: from the style map, or resolved where there is none. */
const readBack = async (browser: BrowserPage, property: string, value: string, pseudo: string | undefined) =>
  pseudo ? browser.resolved(property, value) : (await browser.readBack(property, [value]))[0]!;

class Reader {
  private readonly forcer = new Forcer();

  constructor(
    private readonly site: Site,
    private readonly live: LivePage,
    private readonly environment: Environment,
    private readonly broken: ReadonlySet<string>,
    private readonly outcome: Outcome,
  ) {}

  /** What a look sets on a part. */
  private propertiesOf({ worn }: LookHere, part: string): string[] {
    const set = worn.look.settings.flatMap((own) => (own.part === part ? [own.property] : []));
    return [...new Set(set)].filter((property) => !this.broken.has(`${worn.id} ${property}`));
  }

  /** Every column of every part that a look sets, forced through the debugging protocol. */
  async readForced(here: LookHere): Promise<void> {
    const { browser, page } = this.live;
    const columns = new Map(here.session.sheet(here.worn.look).parts.map((part) => [part.name, part.columns]));
    for (const part of here.placed.parts) {
      const properties = this.propertiesOf(here, part.part.name);
      if (!properties.length) continue;
      for (const subject of some(part.subjects, MOST_MEMBERS)) {
        if (subject.ownPseudoStates) continue;
        for (const name of columns.get(part.part.name) ?? []) {
          const bits = closeBits(bitsOf(columnNamed(name)!.shown));
          const rest = atomsOf(CarriedStates.remaining(bits, subject.states.possible));
          if (rest.some((atom) => !REAL.includes(atom))) continue;
          const changes = subject.states.changesFor(bits);
          const undo = changes.length ? await stage(page, changes) : [];
          await browser.force(subject.carrier.order, rest);
          await this.compare(subject, bits, properties, name);
          if (undo.length) await stage(page, undo);
        }
      }
    }
  }

  /** The same under a real pointer, pressed too, and where the Tab key leads. */
  async readReal(here: LookHere): Promise<void> {
    const { page } = this.live;
    const parts = here.placed.parts.flatMap((part) => {
      const properties = this.propertiesOf(here, part.part.name);
      return properties.length ? part.subjects.map((subject) => ({ subject, properties })) : [];
    });
    const usable = parts.filter(({ subject }) => !subject.ownPseudoStates);
    for (const { subject, properties } of some(usable, MOST_POINTED)) {
      if (!(await pointAt(page, subject.carrier.order))) continue;
      await this.compareReal(subject, properties, 'pointer');
      await page.mouse.down();
      await this.compareReal(subject, properties, 'pressed');
      await page.mouse.up();
    }
    await letGo(page);
    for (let n = 0; n < MOST_TABS && usable.length; n++) {
      const order = await tabOn(page);
      for (const { subject, properties } of usable)
        if (subject.carrier.order === order) await this.compareReal(subject, properties, 'keyboard');
    }
    await letGo(page);
  }

  /** The colours of links that somebody has followed, from the pixels. */
  async readVisited(here: LookHere): Promise<void> {
    const { page, version } = this.live;
    const address = new URL(page.url());
    const links = here.placed.parts.flatMap((part) =>
      this.propertiesOf(here, part.part.name).length
        ? some(part.subjects, MOST_VISITED).flatMap((subject) => {
            const href = subject.carrier.name === 'a' ? subject.carrier.attributes.get('href') : undefined;
            const target = href === undefined || !URL.canParse(href, address) ? undefined : new URL(href, address);
            return target?.origin === address.origin && !subject.pseudo ? [{ subject, href: target.href }] : [];
          })
        : [],
    );
    if (!links.length) return;
    await visit(page, [...new Set(links.map(({ href }) => href))]);
    for (const { subject } of links) {
      const { style } = this.forcer.see(
        this.site.on(version).seen.pages,
        this.environment,
        subject,
        VISITED | subject.states.atRest,
      );
      for (const property of ['color', 'background-color'] as const) {
        const { r, g, b, alpha } = style.colour(property);
        const promised = [r, g, b].map((channel) => Math.round((channel * alpha + 1 - alpha) * 255));
        const isPromised = (channels: readonly number[]) =>
          promised.every((channel, i) => Math.abs(channel - channels[i]!) <= 2);
        let painted = await paintedColour(page, subject.element.order, property);
        if (!painted) continue;
        // A busy browser may show the window as it was a moment before: what differs, differs still when read again.
        for (let n = 0; n < MOST_READ_AGAIN && painted && !isPromised(painted); n++)
          painted = await paintedColour(page, subject.element.order, property);
        this.outcome.values++;
        this.outcome.real++;
        if (!painted || isPromised(painted)) continue;
        this.differs(subject, 'visited', property, promised.join(), painted.join());
      }
    }
  }

  private differs({ element, pseudo }: Subject, state: string, property: string, promised: string, live: string): void {
    const { width, scheme, reducedMotion } = this.environment;
    const where = `${element.name}.${element.classes.join('.')}${pseudo ? `::${pseudo}` : ''} at ${width} ${scheme}${reducedMotion ? ' still' : ''}`;
    this.outcome.differing.push({ page: this.live.version, where, state, property, promised, live });
  }

  private async compareReal(subject: Subject, properties: readonly string[], how: string): Promise<void> {
    const states = (await statesNow(this.live.page, subject.carrier.order)) as Atom[];
    const bits = closeBits(bitsOf(states)) | subject.states.atRest;
    const before = this.outcome.values;
    await this.compare(subject, bits, properties, `${how}: ${states.join('+')}`);
    this.outcome.real += this.outcome.values - before;
  }

  private async compare(subject: Subject, bits: number, properties: readonly string[], state: string): Promise<void> {
    const { browser, version } = this.live;
    const { element, pseudo } = subject;
    const { style } = this.forcer.see(this.site.on(version).seen.pages, this.environment, subject, bits);
    const [values] = await browser.read([element.order], properties, pseudo);
    for (const [i, property] of properties.entries()) {
      this.outcome.values++;
      const promised = style.text(property);
      const found = values![i]!;
      if (agree(promised, found)) continue;
      if (READ_BACK.has(property)) {
        if (agree(await readBack(browser, property, promised, pseudo), found)) continue;
        if (pseudo && !(await isLaidOut(this.live.page, element.order, pseudo))) continue;
      }
      this.differs(subject, state, property, promised, found);
    }
  }
}
