import type { Applied } from '../css/cascade/applied.js';
import { environmentKey, type Environment } from '../css/conditions/environment.js';
import { ACTIVE, CARRIED, closeBits, VISITED, type StateBits } from '../css/selector/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { forgetOldest } from '../memo/kept-answers.js';
import { once } from '../memo/once.js';
import type { StagedPages } from '../page/staged-pages.js';
import { closedSets, smallestWithSame, withCauses } from './lattice.js';
import { statesInPlay, type Forcer, type Subject } from '../component/subject.js';

/** What the site alone says of one subject in one environment; the same under every look. */
export class SiteWinners {
  private readonly styles = new Map<StateBits, ElementStyle>();
  private readonly belongings = new Map<string, Map<StateBits, StateBits>>();

  constructor(
    private readonly site: StagedPages,
    private readonly environment: Environment,
    private readonly subject: Subject,
    private readonly forcer: Forcer,
    /** Closed sets of the states in play, by rising rank. */
    readonly sets: readonly StateBits[],
    /** States that rules reaching the subject mention; no other changes which of them wins. */
    private readonly mentioned: StateBits,
  ) {}

  style(state: StateBits): ElementStyle {
    let style = this.styles.get(state);
    if (!style) {
      style = this.forcer.see(this.site, this.environment, this.subject, state).style;
      this.styles.set(state, style);
    }
    return style;
  }

  winner(property: string, state: StateBits): Applied | undefined {
    return this.style(closeBits(state & this.mentioned)).winner(property);
  }

  /** The smallest set in which what wins in a state wins already; rules are shared, so identity tells winners apart. */
  belongs(property: string, state: StateBits): StateBits {
    let known = this.belongings.get(property);
    if (!known) this.belongings.set(property, (known = new Map()));
    let set = known.get(state);
    if (set === undefined) {
      // What the browser's own sheet says of visited and pressed links is nobody's wish: a look at rest goes before it.
      const isBrowsers = state & UNWISHED && this.winner(property, state)?.origin === 'browser';
      set = isBrowsers
        ? this.belongs(property, state & ~UNWISHED)
        : smallestWithSame(state, this.sets, (bits) => this.winner(property, bits)?.declaration);
      known.set(state, set);
    }
    return set;
  }
}

/** States in which browsers colour what no page has coloured. */
const UNWISHED = VISITED | ACTIVE;

interface Kept {
  readonly environment: string;
  readonly inPlay: StateBits;
  readonly bySets: Map<StateBits, SiteWinners>;
}

const kept = once((_site: StagedPages) => once((_forcer: Forcer) => once((_subject: Subject): Kept[] => [])));
/** Environments that are kept for a subject. */
const MAX_ENVIRONMENTS = 12;

/** Nothing else is ever visited. */
const isLink = ({ carrier: { name, attributes } }: Subject): boolean =>
  (name === 'a' || name === 'area') && attributes.has('href');

/** States that rules which reach a subject speak of. */
function statesNamed(site: StagedPages, environment: Environment, subject: Subject): StateBits {
  // Links look visited where the site says so; what the browser says of them is in its sheet on every page.
  const all = statesInPlay(site, environment, subject);
  const isNamed = all & VISITED && statesInPlay(site, environment, subject, 'author') & VISITED;
  return isNamed ? all : all & ~VISITED;
}

const shared = once((_site: StagedPages) => new Map<string, StateBits>());
/** Parts and environments of one page whose states are kept. */
const MAX_SHARED = 400;

/** States that rules speak of for any of the subjects of a part. */
export function statesShared(site: StagedPages, environment: Environment, subjects: readonly Subject[]): StateBits {
  const known = shared(site);
  const key = `${environmentKey(environment)} ${subjects.map(({ element, pseudo }) => `${element.order}${pseudo ?? ''}`).join()}`;
  let bits = known.get(key);
  if (bits === undefined) {
    bits = subjects.reduce((all, subject) => all | statesNamed(site, environment, subject), 0);
    known.set(key, bits);
    forgetOldest(known, MAX_SHARED);
  }
  return bits;
}

/** @param more states to tell apart beside those that the site's rules mention */
export function siteWinners(
  site: StagedPages,
  environment: Environment,
  subject: Subject,
  forcer: Forcer,
  more: StateBits,
): SiteWinners {
  const known = kept(site)(forcer)(subject);
  const key = environmentKey(environment);
  let own = known.find((item) => item.environment === key);
  if (!own) {
    own = { environment: key, inPlay: statesNamed(site, environment, subject), bySets: new Map() };
    known.push(own);
    if (known.length > MAX_ENVIRONMENTS) known.shift();
  }
  const inPlay = own.inPlay | (isLink(subject) ? more : more & ~VISITED);
  let winners = own.bySets.get(inPlay);
  if (!winners) {
    const sets = closedSets(inPlay).filter((set) => (set & CARRIED & ~subject.states.possible) === 0);
    own.bySets.set(
      inPlay,
      (winners = new SiteWinners(site, environment, subject, forcer, sets, withCauses(own.inPlay))),
    );
  }
  return winners;
}
