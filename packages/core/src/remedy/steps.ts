import { propertyInfo, type Layer } from '../css/property/table.js';
import { columnNamed, setBits } from '../component/states.js';
import type { Look } from '../look/model.js';
import type { ComponentSession } from '../session/component-session.js';
import { checkKey } from '../ledger/due.js';
import { Remedies } from './remedies.js';
import { RemedyMemory, type Draft, type RemedyRequest } from './drafting.js';
import type { LedgerCheck } from '../ledger/ledger-check.js';
import type { Shown } from '../what-if/what-if.js';

/** A change for a check, or for the same at several widths. */
export interface Step {
  readonly checks: readonly LedgerCheck[];
  readonly draft: Draft;
  /** Where it is seen. */
  readonly showing: readonly Shown[];
}

/** Layers of which a change is seen in a check of another. */
const MEETS: Readonly<Record<Layer, readonly Layer[]>> = {
  mark: ['mark', 'ground'],
  ground: ['mark', 'ground', 'ring', 'edge'],
  ring: ['ring', 'ground'],
  edge: ['edge', 'ground'],
  time: ['time'],
};

type Place = Pick<Shown, 'part' | 'column' | 'viewport'>;
const keyOf = (layer: Layer, { part, column, viewport }: Place) => `${layer} ${part} ${column} ${viewport}`;

/** States of parts in which steps are seen, by what they change there. */
class Places {
  /** Where something is changed itself. */
  private readonly taken = new Set<string>();
  /** Where it is seen. */
  private readonly seen = new Set<string>();

  /** True where a step is seen in what is judged of a layer. */
  isSeenIn(layer: Layer, place: Place): boolean {
    return MEETS[layer].some((other) => this.seen.has(keyOf(other, place)));
  }

  /** True where a step changes what a change of other layers would meet. */
  meets(layers: readonly Layer[], showing: readonly Shown[]): boolean {
    const others = [...new Set(layers.flatMap((layer) => MEETS[layer]))];
    return showing.some((place) => !place.isAround && others.some((layer) => this.taken.has(keyOf(layer, place))));
  }

  take(layers: readonly Layer[], showing: readonly Shown[]): void {
    for (const place of showing) {
      for (const layer of layers) {
        this.seen.add(keyOf(layer, place));
        if (!place.isAround) this.taken.add(keyOf(layer, place));
      }
    }
  }
}

/**
 * The smallest change for each check by itself, in the order of the states: what follows a state takes its change along
 * and needs none of its own. What would be seen where another change is seen waits until that has been looked at.
 *
 * @param tried what was tried before and is not to be tried again; added to
 */
export function* draftSteps(
  session: ComponentSession,
  look: Look,
  open: readonly LedgerCheck[],
  tried: Set<string>,
  request: RemedyRequest,
): Generator<void, Step[]> {
  const steps: Step[] = [];
  const places = new Places();
  const memory = new RemedyMemory(session, look, request);
  const remedies = new Map(
    request.viewports.map(({ name }) => [name, new Remedies(session, look, { ...request, at: name }, memory)]),
  );
  for (const check of [...open].sort((a, b) => rank(a) - rank(b))) {
    const own: Layer = check.approach === 'ring' ? 'ring' : 'mark';
    if (places.isSeenIn(own, check)) continue;
    yield;
    const nameOf = ({ settings }: Draft) => `${checkKey(check)} ${JSON.stringify(settings)}`;
    const draft = remedies
      .get(check.viewport)!
      .draftsFor(check)
      .find((one) => !tried.has(nameOf(one)));
    if (!draft) continue;
    const layers = [...new Set(draft.settings.map(({ property }) => propertyInfo(property).layer))];
    const showing = draft.settings.flatMap((setting) => session.whatIf.showing(look, setting, request));
    if (places.meets(layers, showing)) continue;
    tried.add(nameOf(draft));
    places.take(layers, showing);
    const widths = new Set(showing.map(({ viewport }) => viewport));
    const checks = open.filter((other) => isSame(check, other) && widths.has(other.viewport));
    steps.push({ checks, draft, showing });
  }
  return steps;
}

const isSame = (a: LedgerCheck, b: LedgerCheck): boolean =>
  a.part === b.part && a.column === b.column && a.demand === b.demand;

const rank = ({ column }: LedgerCheck): number => setBits(columnNamed(column)!);
