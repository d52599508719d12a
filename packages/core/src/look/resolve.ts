import type { Applied } from '../css/applied.js';
import { forceStates, type ForcedStates } from '../css/forced.js';
import type { StateBits } from '../css/selector/states.js';
import type { PageStyles } from '../css/styles.js';
import type { ElementNode } from '../page/tree.js';
import { closedSets, highestWithin, smallestWithSame } from './lattice.js';
import { activeSettings, bitsOfWhen, type Look, type Setting } from './model.js';

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

/** One element forced into states; kept so that styles are shared between questions. */
export class Forcer {
  private readonly cache = new Map<ElementNode, Map<StateBits, ForcedStates>>();

  force(element: ElementNode, bits: StateBits): ForcedStates {
    let byBits = this.cache.get(element);
    if (!byBits) this.cache.set(element, (byBits = new Map()));
    let forced = byBits.get(bits);
    if (!forced) byBits.set(bits, (forced = forceStates([[element, bits]])));
    return forced;
  }
}

/** Atoms that the site's rules reaching an element mention, on itself or through its ancestors. */
export function statesInPlay(styles: PageStyles, element: ElementNode): StateBits {
  let bits = 0;
  for (const entry of styles.possibleEntries(element)) bits |= entry.selector.states;
  return bits;
}

/**
 * Resolves a look over the site's own values for one element, by the law of the model: settings and site values are
 * ordered by the rank of their state sets, the highest that holds wins, and at equal sets the look wins. The site's
 * value belongs to the smallest set in which it appears as the winner.
 */
export class LookResolver {
  private readonly bySetting = new Map<string, Map<StateBits, Setting>>();
  readonly sets: readonly StateBits[];

  constructor(
    private readonly site: PageStyles,
    private readonly element: ElementNode,
    part: string,
    look: Look,
    private readonly forcer: Forcer,
    extraStates: StateBits = 0,
  ) {
    let inPlay = statesInPlay(site, element) | extraStates;
    for (const setting of activeSettings(look)) {
      if (setting.part !== part) continue;
      const bits = bitsOfWhen(setting.when, part);
      inPlay |= bits;
      let settings = this.bySetting.get(setting.property);
      if (!settings) this.bySetting.set(setting.property, (settings = new Map()));
      settings.set(bits, setting);
    }
    this.sets = closedSets(inPlay);
  }

  /** Properties that the look sets in some state. */
  get touched(): string[] {
    return [...this.bySetting.keys()];
  }

  /** The site's own winner in a state. */
  siteWinner(property: string, state: StateBits): Applied | undefined {
    return this.site.at(this.forcer.force(this.element, state)).of(this.element).winner(property);
  }

  /** Rules are shared objects, so the declaration's identity tells one winner from another. */
  private siteIdentity = (property: string) => (state: StateBits) => this.siteWinner(property, state)?.declaration;

  decide(property: string, state: StateBits): Decision {
    const chosen = highestWithin(this.bySetting.get(property) ?? new Map<StateBits, Setting>(), state);
    const winner = this.siteWinner(property, state);
    const belongs = smallestWithSame(state, this.sets, this.siteIdentity(property));
    if (chosen && chosen[0] >= belongs) {
      return { from: 'look', set: chosen[0], value: chosen[1].value, setting: chosen[1] };
    }
    if (!winner) return { from: 'nothing', set: belongs, value: undefined };
    return { from: 'site', set: belongs, value: winner.declaration.value, applied: winner };
  }
}
