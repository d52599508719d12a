import type { Applied } from '../css/applied.js';
import type { Environment } from '../css/environment.js';
import { CARRIED, type StateBits } from '../css/selector/states.js';
import type { ElementStyle } from '../css/styles.js';
import type { StagedPages } from '../page/staged-pages.js';
import { compareConditions, holdsIn, type Place } from './conditions.js';
import { closedSets, highestWithin, smallestWithSame } from './lattice.js';
import { bitsOfWhen, type Setting } from './model.js';
import { statesInPlay, type Forcer, type Subject } from './subject.js';

/** What decides a property of an element in a state. */
export interface Decision {
  readonly from: 'look' | 'site' | 'nothing';
  /** The state set that the value is set for; a column with another set follows it. */
  readonly set: StateBits;
  /** Declared text: the setting's value, or what the site declares; undefined when nothing is declared. */
  readonly value: string | undefined;
  readonly setting?: Setting | undefined;
  readonly applied?: Applied | undefined;
}

/**
 * Resolves a look over the site's own values for one subject in one environment, by the law of the model: settings and
 * site values are ordered by the rank of their state sets, the highest that holds wins, and at equal sets the look
 * wins. Among settings of one set the exception comes before the page, the viewport and the scheme. The site's value
 * belongs to the smallest set in which it appears as the winner.
 */
export class LookResolver {
  private readonly bySetting = new Map<string, Map<StateBits, Setting>>();
  private readonly decisions = new Map<string, Decision>();
  private readonly styles = new Map<StateBits, ElementStyle>();
  readonly sets: readonly StateBits[];

  constructor(
    private readonly site: StagedPages,
    readonly environment: Environment,
    readonly subject: Subject,
    settings: readonly Setting[],
    place: Place,
    private readonly forcer: Forcer,
    extraStates: StateBits = 0,
  ) {
    let inPlay = statesInPlay(site, environment, subject) | extraStates;
    for (const setting of settings) {
      const bits = bitsOfWhen(setting.when);
      inPlay |= bits;
      if (!holdsIn(setting, place, environment)) continue;
      let own = this.bySetting.get(setting.property);
      if (!own) this.bySetting.set(setting.property, (own = new Map()));
      const other = own.get(bits);
      if (!other || compareConditions(setting, other) >= 0) own.set(bits, setting);
    }
    this.sets = closedSets(inPlay).filter((set) => (set & CARRIED & ~subject.states.possible) === 0);
  }

  /** Properties that the look sets in some state. */
  get touched(): string[] {
    return [...this.bySetting.keys()];
  }

  /** The subject as the site has it, without the look. */
  siteStyle(state: StateBits): ElementStyle {
    let style = this.styles.get(state);
    if (!style) {
      style = this.forcer.see(this.site, this.environment, this.subject, state).style;
      this.styles.set(state, style);
    }
    return style;
  }

  /** The site's own winner in a state. */
  siteWinner(property: string, state: StateBits): Applied | undefined {
    return this.siteStyle(state).winner(property);
  }

  /** Rules are shared objects, so the declaration's identity tells one winner from another. */
  private siteIdentity = (property: string) => (state: StateBits) => this.siteWinner(property, state)?.declaration;

  decide(property: string, state: StateBits): Decision {
    const key = `${property} ${state}`;
    let decision = this.decisions.get(key);
    if (!decision) this.decisions.set(key, (decision = this.decideAfresh(property, state)));
    return decision;
  }

  private decideAfresh(property: string, state: StateBits): Decision {
    const own = this.bySetting.get(property);
    const chosen = own && highestWithin(own, state);
    const winner = this.siteWinner(property, state);
    const belongs = smallestWithSame(state, this.sets, this.siteIdentity(property));
    if (chosen && chosen[0] >= belongs) {
      return { from: 'look', set: chosen[0], value: chosen[1].value, setting: chosen[1] };
    }
    if (!winner) return { from: 'nothing', set: belongs, value: undefined };
    return { from: 'site', set: belongs, value: winner.declaration.value, applied: winner };
  }
}
