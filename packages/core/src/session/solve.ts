import { LEVELS } from '../check/check.js';
import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import { toHex } from '../colour/print.js';
import { sameRgba, type Rgba } from '../colour/rgba.js';
import { partNamed } from '../component/kind.js';
import { columnNamed, setBits } from '../component/states.js';
import { changeLook, type Look, type Setting } from '../look/model.js';
import { nearestPassing } from '../remedy/nearest.js';
import type { Solution } from '../remedy/remedy.js';
import { cellSetting } from './cells.js';
import type { ComponentSession } from './component-session.js';
import { Remedies, type RemedyRequest } from './remedies.js';
import type { LedgerCheck } from './state-sheet.js';
import { passesAll, type TriedCase } from './try-colours.js';

/** What one action is to solve: a part in all its states, the component, or all that has one colour. */
export type SolveScope =
  | { readonly of: 'part'; readonly part: string }
  | { readonly of: 'component' }
  | { readonly of: 'colour'; readonly colour: string };

/** Steps after which a search gives up. */
const MOST_STEPS = 60;

const isDue = ({ verdict, criterion }: LedgerCheck) =>
  verdict === 'short' && LEVELS[criterion] !== 'AAA' && LEVELS[criterion] !== 'advice';

const keyOf = ({ part, column, demand, viewport }: LedgerCheck) => `${part} ${column} ${demand} ${viewport}`;

/**
 * Solves several checks in one step. States are taken from the default upwards, since the others follow it; of each
 * short check the way out is taken that changes least and makes nothing else fall short.
 */
export function solve(session: ComponentSession, look: Look, scope: SolveScope, request: RemedyRequest): Solution {
  const before = session.ledger(look, request);
  if (scope.of === 'colour') return solveColour(session, look, scope.colour, before, request);
  const inScope = (check: LedgerCheck) => scope.of === 'component' || check.part === scope.part;
  const wanted = before.filter((check) => isDue(check) && inScope(check));
  const drafted = draftAll(session, look, wanted, request);
  let now = changeLook(look, drafted.settings);
  let checks: readonly LedgerCheck[] = drafted.settings.length ? session.ledger(now, request) : before;
  const passed = new Set(before.filter((check) => !isDue(check)).map(keyOf));
  // What was drafted without a look at the rest is given up where it does harm.
  if (checks.some((check) => isDue(check) && passed.has(keyOf(check))))
    [now, checks, drafted.distance] = [look, before, 0];
  let { distance } = drafted;
  const given = new Map<string, string>();
  for (let step = 0; step < MOST_STEPS; step++) {
    const [check] = checks
      .filter((item) => isDue(item) && inScope(item) && !given.has(keyOf(item)))
      .sort((a, b) => rank(a) - rank(b));
    if (!check) break;
    const best = new Remedies(session, now, { ...request, at: check.viewport }).first(check);
    if (!best || best.breaks.length) {
      given.set(keyOf(check), best ? breaking(session, best.breaks) : whyNot(check));
      continue;
    }
    now = changeLook(now, best.settings);
    distance += best.distance;
    checks = session.ledger(now, request);
  }
  return solutionOf(session, look, now, wanted, checks, given, distance, request);
}

/**
 * The smallest change for each check by itself, in the order of the states: what follows a state takes its change along
 * and needs none of its own. Nothing is tried on the whole component yet.
 */
function draftAll(
  session: ComponentSession,
  look: Look,
  wanted: readonly LedgerCheck[],
  request: RemedyRequest,
): { settings: readonly Setting[]; distance: number } {
  const settings: Setting[] = [];
  let distance = 0;
  const done = new Set<string>();
  const placeOf = (part: string, column: string, criterion: string) => `${part} ${column} ${criterion}`;
  for (const check of [...wanted].sort((a, b) => rank(a) - rank(b))) {
    const { part, column, criterion } = check;
    if (done.has(placeOf(part, column, criterion))) continue;
    const [draft] = new Remedies(session, look, { ...request, at: check.viewport }).draftsFor(check);
    done.add(placeOf(part, column, criterion));
    if (!draft) continue;
    settings.push(...draft.settings);
    distance += draft.distance;
    const { viewports, place } = request;
    const { environment } = viewports.find(({ name }) => name === check.viewport) ?? viewports[0]!;
    const row = draft.settings[0]!.property === 'background-color' ? 'background' : 'text';
    if (criterion !== '1.4.3') continue;
    const at = { part: draft.settings[0]!.part, row, column };
    for (const { name } of session.followersOf(look, at, { environment, ...(place ? { place } : {}) })) {
      done.add(placeOf(part, name, criterion));
    }
  }
  return { settings, distance };
}

const rank = ({ column }: LedgerCheck): number => setBits(columnNamed(column)!);

const breaking = (session: ComponentSession, broken: readonly LedgerCheck[]): string => {
  const [first] = broken;
  const label = first ? (partNamed(session.kind, first.part)?.label ?? first.part) : '';
  return first
    ? `Whatever helps here makes “${label}, ${columnNamed(first.column)?.label.toLowerCase()}” fall short.`
    : 'Nothing was found that helps.';
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

const PROPERTIES = ['color', 'background-color'] as const;
const ROW: Readonly<Record<(typeof PROPERTIES)[number], string>> = { color: 'text', 'background-color': 'background' };

/** One colour, wherever the component has it, is replaced by one other that passes in all those places. */
function solveColour(
  session: ComponentSession,
  look: Look,
  css: string,
  before: readonly LedgerCheck[],
  request: RemedyRequest,
): Solution {
  const from = parseColour(css);
  const wanted = before.filter(
    (check) =>
      isDue(check) &&
      from !== undefined &&
      [check.foreground, check.background].some((own) => own && sameRgba(own, from)),
  );
  const { viewports, at, place } = request;
  const { environment } = viewports.find(({ name }) => name === at) ?? viewports[0]!;
  const sheet = { environment, ...(place ? { place } : {}) };
  const settings: { setting: Omit<Setting, 'value'>; property: (typeof PROPERTIES)[number]; cases: TriedCase[] }[] = [];
  if (from) {
    for (const { part, columns } of session.columnsOfParts(look, sheet)) {
      for (const column of columns) {
        const values = session.valuesIn(look, part.part.name, column, sheet, PROPERTIES);
        for (const property of PROPERTIES) {
          const own = parseColour(values.get(property) ?? '');
          if (!own || !sameRgba(own, from)) continue;
          const carrier = part.part.carrier ?? part.part.name;
          settings.push({
            setting: cellSetting(part.part.name, carrier, property, column, place ?? {}),
            property,
            cases: session.triedCases(look, { part: part.part.name, row: ROW[property], column: column.name }, sheet),
          });
        }
      }
    }
  }
  const passes = (colour: Rgba) => settings.every(({ cases, property }) => passesAll(cases, property, colour));
  const found = from && nearestPassing(from, passes);
  const why = new Map(
    wanted.map((check) => [
      keyOf(check),
      `No one colour in place of ${css} passes in all ${settings.length} places that have it.`,
    ]),
  );
  if (!found || !from) return solutionOf(session, look, look, wanted, before, why, 0, request);
  const now = changeLook(
    look,
    settings.map(({ setting }) => ({ ...setting, value: found.css })),
  );
  return solutionOf(session, look, now, wanted, session.ledger(now, request), why, found.distance, request);
}

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
