import type { Applied } from '../css/cascade/applied.js';
import type { Environment } from '../css/conditions/environment.js';
import type { StateBits } from '../css/selector/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { StagedPages } from '../page/staged-pages.js';
import { compareConditions, holdsIn, type Place } from './conditions.js';
import { highestWithin } from './lattice.js';
import { asksForMotion, isMotion } from './less-motion.js';
import { bitsOfWhen, type Setting } from './model.js';
import { siteWinners, type SiteWinners } from './site-winners.js';
import type { Forcer, Subject } from '../component/subject.js';

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
 * wins. Among settings of one set the exception comes before the page, the viewport, the scheme and the motion. What a
 * site says of animations and transitions for those who ask for less motion gives way to nothing but a setting for them.
 * The site's value
 * belongs to the smallest set in which it appears as the winner.
 */
export class LookResolver {
  private readonly bySetting = new Map<string, Map<StateBits, Setting>>();
  private readonly decisions = new Map<string, Map<StateBits, Decision>>();
  private readonly winners: SiteWinners;
  private readonly inFullMotion: () => SiteWinners;

  constructor(
    site: StagedPages,
    readonly environment: Environment,
    readonly subject: Subject,
    settings: readonly Setting[],
    place: Place,
    forcer: Forcer,
    extraStates: StateBits = 0,
  ) {
    let inPlay = extraStates;
    for (const setting of settings) {
      const bits = bitsOfWhen(setting.when);
      inPlay |= bits;
      if (!holdsIn(setting, place, environment)) continue;
      let own = this.bySetting.get(setting.property);
      if (!own) this.bySetting.set(setting.property, (own = new Map()));
      const other = own.get(bits);
      if (!other || compareConditions(setting, other) >= 0) own.set(bits, setting);
    }
    this.winners = siteWinners(site, environment, subject, forcer, inPlay);
    const full = { ...environment, reducedMotion: false };
    this.inFullMotion = () => siteWinners(site, full, subject, forcer, inPlay);
  }

  /** Every closed set of the states in play that the subject can be in, by rising rank. */
  get sets(): readonly StateBits[] {
    return this.winners.sets;
  }

  /** Properties that the look sets in some state. */
  get touched(): string[] {
    return [...this.bySetting.keys()];
  }

  /** The subject as the site has it, without the look. */
  siteStyle(state: StateBits): ElementStyle {
    return this.winners.style(state);
  }

  /** The site's own winner in a state. */
  siteWinner(property: string, state: StateBits): Applied | undefined {
    return this.winners.winner(property, state);
  }

  decide(property: string, state: StateBits): Decision {
    let known = this.decisions.get(property);
    if (!known) this.decisions.set(property, (known = new Map()));
    let decision = known.get(state);
    if (!decision) known.set(state, (decision = this.decideAfresh(property, state)));
    return decision;
  }

  /**
   * True where the site tells those apart who ask for less motion, by a rule for them or by one for all others, and the
   * look says nothing for them.
   */
  private keepsStill(property: string, { when }: Setting, state: StateBits, winner: Applied | undefined): boolean {
    if (!this.environment.reducedMotion || when.motion !== undefined || !isMotion(property)) return false;
    const asks = (applied: Applied | undefined) => applied?.rule?.conditions.some(asksForMotion) ?? false;
    return asks(winner) || asks(this.inFullMotion().winner(property, state));
  }

  private decideAfresh(property: string, state: StateBits): Decision {
    const own = this.bySetting.get(property);
    const chosen = own && highestWithin(own, state);
    const winner = this.siteWinner(property, state);
    const belongs = this.winners.belongs(property, state);
    if (chosen && chosen[0] >= belongs && !this.keepsStill(property, chosen[1], state, winner)) {
      return { from: 'look', set: chosen[0], value: chosen[1].value, setting: chosen[1] };
    }
    if (!winner) return { from: 'nothing', set: belongs, value: undefined };
    return { from: 'site', set: belongs, value: winner.declaration.value, applied: winner };
  }
}
