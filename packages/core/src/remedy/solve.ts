import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { sameRgba, type Rgba } from '../colour/rgba.js';
import { isRequired } from '../check/check.js';
import { partNamed } from '../component/kind.js';
import { columnNamed } from '../component/states.js';
import { changeLook, type Look } from '../look/model.js';
import type { Solution } from './remedy.js';
import type { ComponentSession } from '../session/component-session.js';
import { placesOf, replacementsFor, settingsOf } from './colour-places.js';
import { checkKey } from '../ledger/due.js';
import type { RemedyRequest } from './drafting.js';
import { onceGone, type LedgerCheck } from '../ledger/ledger-check.js';
import { draftSteps, type Step } from './steps.js';

/** What one action is to solve: a part in all its states, the component, some of its checks, or all that has one colour. */
export type SolveScope =
  | { readonly of: 'part'; readonly part: string }
  | { readonly of: 'component' }
  /** Some checks, by their keys. */
  | { readonly of: 'checks'; readonly keys: ReadonlySet<string> }
  | { readonly of: 'colour'; readonly colour: string };

/** Rounds in which what did not help, or did harm, is replaced by something else. */
const MOST_ROUNDS = 8;

/**
 * Solves several checks in one step. Of each short check the smallest change that passes in every case that it has a say
 * in is taken; states are gone through from the default upwards, since the others follow it. Then all is looked at
 * together: what makes something else fall short, or helps nothing, is given back, and the next smallest is tried.
 */
export function solve(session: ComponentSession, look: Look, scope: SolveScope, request: RemedyRequest): Solution {
  const work = solving(session, look, scope, request);
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** The same bit by bit, for who has other things to do in between. */
export function* solving(
  session: ComponentSession,
  look: Look,
  scope: SolveScope,
  request: RemedyRequest,
): Generator<void, Solution> {
  const before = session.requiredChecks(look, request);
  if (scope.of === 'colour') return solveColour(session, look, scope.colour, before, request);
  const isMeant = (check: LedgerCheck): boolean =>
    scope.of === 'part' ? check.part === scope.part : scope.of === 'component' || scope.keys.has(checkKey(check));
  const isWanted = (check: LedgerCheck): boolean => isDue(check) && isMeant(check);
  const why = new Map<string, string>();
  const tried = new Set<string>();
  let state: Reached = { look, checks: before, distance: 0 };
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const steps = yield* draftSteps(session, state.look, state.checks.filter(isWanted), tried, request);
    if (!steps.length) break;
    state = yield* keepGood(session, state, steps, why, request);
  }
  return solutionOf(look, state, before.filter(isWanted), why);
}

/** Of the checks that are asked for, all of which are in hand here, those that fall short. */
const isDue = ({ verdict }: LedgerCheck): boolean => verdict === 'short';

/** How far it has come. */
interface Reached {
  readonly look: Look;
  readonly checks: readonly LedgerCheck[];
  /** Sum of the perceptual differences. */
  readonly distance: number;
}

/** Takes the steps that help and harm nothing. */
function* keepGood(
  session: ComponentSession,
  from: Reached,
  steps: readonly Step[],
  why: Map<string, string>,
  request: RemedyRequest,
): Generator<void, Reached> {
  const passed = new Set(from.checks.filter((check) => !isDue(check)).map(checkKey));
  let kept = steps;
  // Giving a step back may lay bare that another one needed it, so it is looked at again.
  while (kept.length) {
    const look = changeLook(
      from.look,
      kept.flatMap(({ draft }) => draft.settings),
    );
    const checks: LedgerCheck[] = [];
    for (const viewport of request.viewports) {
      yield;
      checks.push(...session.requiredChecks(look, { ...request, viewports: [viewport] }));
    }
    const bad = badSteps(session, kept, checks, passed, why);
    if (!bad.size) {
      return { look, checks, distance: kept.reduce((sum, { draft }) => sum + draft.distance, from.distance) };
    }
    kept = kept.filter((step) => !bad.has(step));
  }
  return from;
}

/** Steps that helped nothing, or that may be what made something fall short. */
function badSteps(
  session: ComponentSession,
  steps: readonly Step[],
  after: readonly LedgerCheck[],
  passed: ReadonlySet<string>,
  why: Map<string, string>,
): Set<Step> {
  const due = new Set(after.filter(isDue).map(checkKey));
  const bad = new Set(steps.filter((step) => step.checks.every((check) => due.has(checkKey(check)))));
  // What did not help may be to blame as well, so it goes first.
  if (bad.size) return bad;
  for (const check of after) {
    if (!isDue(check) || !passed.has(checkKey(check))) continue;
    const blamed = steps.filter(({ showing }) =>
      showing.some(({ part, column }) => part === check.part && column === check.column),
    );
    for (const step of blamed.length ? blamed : steps) {
      bad.add(step);
      for (const own of step.checks) why.set(checkKey(own), breaking(session, check));
    }
  }
  return bad;
}

const breaking = (session: ComponentSession, { part, column }: LedgerCheck): string => {
  const label = partNamed(session.kind, part)?.label ?? part;
  return `Whatever helps here makes “${label}, ${columnNamed(column)?.label.toLowerCase()}” fail.`;
};

function whyNot(check: LedgerCheck): string {
  if (check.criterion === '2.5.8') return 'Its size is a matter of its layout; give it a larger height or padding.';
  if (check.approach === 'others')
    return 'The site’s own sheet changes it while another is pointed at; that rule has to go, or to fade it less.';
  if (check.criterion === '1.4.13') return 'That it opens to the pointer alone is a matter of its selectors or script.';
  if (check.criterion === '2.2.2')
    return 'A video or a marquee is stopped by a control, which needs markup and a script.';
  if (check.varies) return 'What lies behind is both too light and too dark for any one colour.';
  return 'No single change was found that passes in every case that it has a say in.';
}

function solutionOf(
  look: Look,
  { look: now, checks, distance }: Reached,
  wanted: readonly LedgerCheck[],
  why: ReadonlyMap<string, string>,
): Solution {
  const after = new Map(checks.map((check) => [checkKey(check), check]));
  const outcome = wanted.map((check) => after.get(checkKey(check)) ?? onceGone(check) ?? check);
  const old = new Set(look.settings);
  return {
    settings: now.settings.filter((setting) => !old.has(setting)),
    mended: outcome.filter((check) => !isDue(check)),
    unmet: outcome.filter(isDue).map((check) => ({ check, why: why.get(checkKey(check)) ?? whyNot(check) })),
    distance,
  };
}

/** One colour, wherever the component has it, is replaced by one other that passes in all those places, or by the fewest that do. */
function solveColour(
  session: ComponentSession,
  look: Look,
  css: string,
  before: readonly LedgerCheck[],
  request: RemedyRequest,
): Solution {
  const from = parseColour(css);
  const wanted = before.filter((check) => isDue(check) && from !== undefined && hasColour(check, from));
  const places = from ? placesOf(session, look, from, request) : [];
  const { replacements, left } = from ? replacementsFor(from, places) : { replacements: [], left: [] };
  const why = new Map(
    wanted.map((check) => [checkKey(check), `In ${left.length} of the places that have ${css} no colour passes.`]),
  );
  if (!replacements.length) return solutionOf(look, { look, checks: before, distance: 0 }, wanted, why);
  const now = changeLook(look, settingsOf(places, replacements));
  const distance = replacements.reduce((sum, own) => sum + own.distance, 0);
  return solutionOf(look, { look: now, checks: session.requiredChecks(now, request), distance }, wanted, why);
}

const hasColour = ({ foreground, background }: LedgerCheck, colour: Rgba): boolean =>
  [foreground, background].some((own) => own !== undefined && sameRgba(own, colour));

/** Colours of a component that fall short somewhere at levels A and AA, the most often first; each can be solved wherever it is used. */
export function shortColours(checks: readonly LedgerCheck[]): string[] {
  const counts = new Map<string, number>();
  for (const check of checks) {
    if (!isRequired(check.criterion) || !isDue(check) || !check.foreground || !check.background) continue;
    if (contrastRatio(check.foreground, check.background) >= check.needed) continue;
    for (const colour of [check.foreground, check.background]) {
      const hex = toHex(colour);
      counts.set(hex, (counts.get(hex) ?? 0) + 1);
    }
  }
  return [...counts].sort((a, b) => b[1] - a[1]).map(([hex]) => hex);
}
