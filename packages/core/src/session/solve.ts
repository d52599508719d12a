import { LEVELS } from '../check/check.js';
import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { sameRgba, type Rgba } from '../colour/rgba.js';
import { partNamed } from '../component/kind.js';
import { columnFor, columnNamed, setBits } from '../component/states.js';
import { bitsOfWhen, changeLook, type Look, type Setting } from '../look/model.js';
import type { Solution } from '../remedy/remedy.js';
import type { ComponentSession } from './component-session.js';
import { placesOf, replacementFor } from './colour-places.js';
import { Remedies, type Draft, type RemedyRequest } from './remedies.js';
import type { LedgerCheck } from './state-sheet.js';

/** What one action is to solve: a part in all its states, the component, or all that has one colour. */
export type SolveScope =
  | { readonly of: 'part'; readonly part: string }
  | { readonly of: 'component' }
  | { readonly of: 'colour'; readonly colour: string };

/** Rows of the sheet whose values others may follow. */
const ROW: Readonly<Record<string, string>> = { color: 'text', 'background-color': 'background' };

/** Rounds in which what did not help, or did harm, is replaced by something else. */
const MOST_ROUNDS = 6;

export const isDue = ({ verdict, criterion }: LedgerCheck) =>
  verdict === 'short' && LEVELS[criterion] !== 'AAA' && LEVELS[criterion] !== 'advice';

export const keyOf = ({ part, column, demand, viewport }: LedgerCheck) => `${part} ${column} ${demand} ${viewport}`;

/**
 * Solves several checks in one step. Of each short check the smallest change that passes in every case that it has a say
 * in is taken; states are gone through from the default upwards, since the others follow it. Then all is looked at
 * together: what makes something else fall short, or helps nothing, is given back, and the next smallest is tried.
 */
export function solve(session: ComponentSession, look: Look, scope: SolveScope, request: RemedyRequest): Solution {
  const before = session.ledger(look, request);
  if (scope.of === 'colour') return solveColour(session, look, scope.colour, before, request);
  const inScope = (check: LedgerCheck) => scope.of === 'component' || check.part === scope.part;
  const wanted = before.filter((check) => isDue(check) && inScope(check));
  let now = look;
  let checks: readonly LedgerCheck[] = before;
  let distance = 0;
  const why = new Map<string, string>();
  const tried = new Set<string>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const open = checks.filter((check) => isDue(check) && inScope(check));
    const steps = draft(session, now, open, tried, request);
    if (!steps.length) break;
    const passed = new Set(checks.filter((check) => !isDue(check)).map(keyOf));
    let kept = steps;
    let next = changeLook(now, settingsOf(kept));
    let after: readonly LedgerCheck[] = session.ledger(next, request);
    // Giving a step back may lay bare that another one needed it, so it is looked at again.
    for (
      let bad = badSteps(session, kept, after, passed, why);
      bad.size;
      bad = badSteps(session, kept, after, passed, why)
    ) {
      kept = kept.filter((step) => !bad.has(step));
      next = changeLook(now, settingsOf(kept));
      after = kept.length ? session.ledger(next, request) : checks;
    }
    if (!kept.length) continue;
    distance += kept.reduce((sum, step) => sum + step.draft.distance, 0);
    [now, checks] = [next, after];
  }
  return solutionOf(session, look, now, wanted, checks, why, distance, request);
}

/** A change for one check, or for the same at several widths, and the columns of parts in which it shows. */
interface Step {
  readonly checks: LedgerCheck[];
  readonly draft: Draft;
  readonly columns: ReadonlySet<string>;
}

const settingsOf = (steps: readonly Step[]): Setting[] => steps.flatMap(({ draft }) => draft.settings);

/**
 * The smallest change for each check by itself, in the order of the states: what follows a state takes its change along
 * and needs none of its own. Nothing is tried on the whole component yet.
 *
 * @param tried what was tried before and is not to be tried again; added to
 */
function draft(
  session: ComponentSession,
  look: Look,
  open: readonly LedgerCheck[],
  tried: Set<string>,
  request: RemedyRequest,
): Step[] {
  const steps = new Map<string, Step>();
  const done = new Set<string>();
  const asked: ConstructorParameters<typeof Remedies>[3] = new Map();
  const remedies = new Map(
    request.viewports.map(({ name }) => [name, new Remedies(session, look, { ...request, at: name }, asked)]),
  );
  for (const check of [...open].sort((a, b) => rank(a) - rank(b))) {
    const place = `${check.criterion} ${check.part} ${check.column} ${check.viewport}`;
    if (done.has(place)) continue;
    const nameOf = ({ settings }: Draft) => `${keyOf(check)} ${JSON.stringify(settings)}`;
    const found = remedies
      .get(check.viewport)!
      .draftsFor(check)
      .find((one) => !tried.has(nameOf(one)));
    done.add(place);
    if (!found) continue;
    tried.add(nameOf(found));
    const same = steps.get(JSON.stringify(found.settings));
    if (same) {
      same.checks.push(check);
      continue;
    }
    const columns = new Set([`${check.part} ${check.column}`]);
    for (const { environment, name } of request.viewports) {
      for (const setting of found.settings) {
        const row = ROW[setting.property];
        if (!row) continue;
        const { place: at } = request;
        const column = columnFor(bitsOfWhen(setting.when)).name;
        const sheet = { environment, ...(at ? { place: at } : {}) };
        for (const follower of session.followersOf(look, { part: setting.part, row, column }, sheet)) {
          columns.add(`${setting.part} ${follower.name}`);
          done.add(`${check.criterion} ${check.part} ${follower.name} ${name}`);
        }
      }
    }
    steps.set(JSON.stringify(found.settings), { checks: [check], draft: found, columns });
  }
  return [...steps.values()];
}

/** Steps that helped nothing, or that may be what made something fall short. */
function badSteps(
  session: ComponentSession,
  steps: readonly Step[],
  after: readonly LedgerCheck[],
  passed: ReadonlySet<string>,
  why: Map<string, string>,
): Set<Step> {
  const byKey = new Map(after.map((check) => [keyOf(check), check]));
  const broken = after.filter((check) => isDue(check) && passed.has(keyOf(check)));
  const bad = new Set<Step>();
  const isStillDue = (check: LedgerCheck) => {
    const own = byKey.get(keyOf(check));
    return own !== undefined && isDue(own);
  };
  for (const step of steps) if (step.checks.every(isStillDue)) bad.add(step);
  // What did not help may be to blame as well, so it goes first.
  if (bad.size) return bad;
  for (const check of broken) {
    const blamed = steps.filter(({ columns }) => columns.has(`${check.part} ${check.column}`));
    const all = blamed.length ? blamed : steps.filter(({ columns }) => sharesColumn(columns, check.column));
    for (const step of all.length ? all : steps) {
      bad.add(step);
      for (const own of step.checks) why.set(keyOf(own), breaking(session, check));
    }
  }
  return bad;
}

const sharesColumn = (columns: ReadonlySet<string>, column: string): boolean =>
  [...columns].some((item) => item.endsWith(` ${column}`));

const rank = ({ column }: LedgerCheck): number => setBits(columnNamed(column)!);

const breaking = (session: ComponentSession, { part, column }: LedgerCheck): string => {
  const label = partNamed(session.kind, part)?.label ?? part;
  return `Whatever helps here makes “${label}, ${columnNamed(column)?.label.toLowerCase()}” fall short.`;
};

function whyNot(check: LedgerCheck): string {
  if (check.criterion === '2.5.8') return 'Its size is a matter of its layout; give it a larger height or padding.';
  if (check.criterion === '1.4.13') return 'That it opens to the pointer alone is a matter of its selectors or script.';
  if (check.criterion === '2.2.2') return 'A control that pauses it needs markup and a script.';
  if (check.varies) return 'What lies behind is both too light and too dark for any one colour.';
  return 'No single change was found that passes in every case that it has a say in.';
}

function solutionOf(
  session: ComponentSession,
  look: Look,
  now: Look,
  wanted: readonly LedgerCheck[],
  checks: readonly LedgerCheck[],
  why: ReadonlyMap<string, string>,
  distance: number,
  request: RemedyRequest,
): Solution {
  const after = new Map(checks.map((check) => [keyOf(check), check]));
  const isMet = (check: LedgerCheck) => {
    const found = after.get(keyOf(check));
    return found !== undefined && !isDue(found);
  };
  const old = new Set(look.settings);
  return {
    settings: now.settings.filter((setting) => !old.has(setting)),
    alters: new Remedies(session, look, request).altered(now),
    mended: wanted.filter(isMet).map((check) => after.get(keyOf(check))!),
    unmet: wanted
      .filter((check) => !isMet(check))
      .map((check) => ({ check: after.get(keyOf(check)) ?? check, why: why.get(keyOf(check)) ?? whyNot(check) })),
    distance,
  };
}

/** One colour, wherever the component has it, is replaced by one other that passes in all those places. */
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
  const found = from && replacementFor(from, places);
  const why = new Map(
    wanted.map((check) => [
      keyOf(check),
      `No one colour in place of ${css} passes in all ${places.length} places that have it.`,
    ]),
  );
  if (!found || !from) return solutionOf(session, look, look, wanted, before, why, 0, request);
  const now = changeLook(
    look,
    places.map(({ slot }) => ({ ...slot, value: found.css })),
  );
  return solutionOf(session, look, now, wanted, session.ledger(now, request), why, found.distance, request);
}

const hasColour = ({ foreground, background }: LedgerCheck, colour: Rgba): boolean =>
  [foreground, background].some((own) => own !== undefined && sameRgba(own, colour));

/** Colours of a component that fall short somewhere, the most often first; each can be solved wherever it is used. */
export function shortColours(checks: readonly LedgerCheck[]): string[] {
  const counts = new Map<string, number>();
  for (const check of checks) {
    if (!isDue(check) || !check.foreground || !check.background) continue;
    if (contrastRatio(check.foreground, check.background) >= check.needed) continue;
    for (const colour of [check.foreground, check.background]) {
      const hex = toHex(colour);
      counts.set(hex, (counts.get(hex) ?? 0) + 1);
    }
  }
  return [...counts].sort((a, b) => b[1] - a[1]).map(([hex]) => hex);
}
