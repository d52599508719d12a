import type { StateColumn } from '../component/state-column.js';
import type { FoundPart } from '../component/parts.js';
import { columnFor, columnNamed, setBits, STATE_COLUMNS } from '../component/states.js';
import type { Environment } from '../css/conditions/environment.js';
import { bitsOf, closeBits, FOCUS, FOCUS_VISIBLE, FOCUS_WITHIN, type StateBits } from '../css/selector/states.js';
import { mayMatch } from '../css/cascade/rule-entry.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import { bitsOfWhen, type Look } from '../look/model.js';
import { statesInPlay } from '../component/subject.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { ElementNode } from '../tree/tree.js';

/** Columns of one part: those of its kind, those the site's rules mention, those the look uses. */
export interface PartColumns {
  readonly part: FoundPart;
  readonly columns: readonly StateColumn[];
}

const ORDER = Object.keys(STATE_COLUMNS);
const rankOf = (column: StateColumn) => {
  const at = ORDER.indexOf(column.name);
  return at < 0 ? ORDER.length + setBits(column) : at;
};

/** Sets of states that the author's selectors about an element name together on it or its like. */
function setsOfRules(styles: PageStyles, element: ElementNode, pseudo: string | undefined): Set<StateBits> {
  const sets = new Set<StateBits>();
  for (const entry of styles.possibleEntries(element)) {
    if (entry.origin !== 'author' || entry.selector.pseudoElement !== pseudo || !entry.selector.states) continue;
    if (!mayMatch(entry, element, styles.tree.quirks)) continue;
    sets.add(closeBits(entry.selector.states & ~FOCUS_WITHIN));
  }
  return sets;
}

/** Columns that a part has whatever the look is, with what its markup can carry. */
export interface SiteColumns {
  readonly part: FoundPart;
  readonly columns: ReadonlyMap<string, StateColumn>;
  readonly possible: StateBits;
}

/**
 * The columns of a part on its site: those that its kind names, and one for each set that the site's own rules mention
 * unless another shows the same; focus by pointer and by keyboard share one.
 */
export function siteColumnsOf(part: FoundPart, pages: StagedPages, environment: Environment): SiteColumns {
  const columns = new Map<string, StateColumn>();
  const possible = part.subjects.reduce((bits, subject) => bits | subject.states.possible, 0);
  const add = (column: StateColumn) => {
    columns.set(column.name, column);
  };
  for (const name of part.part.states) {
    const column = STATE_COLUMNS[name];
    if (isPossible(column, possible)) add(column);
  }
  const styles = pages.at().stylesFor(environment);
  const [first] = part.subjects;
  if (first) {
    for (const bits of setsOfRules(styles, first.element, part.part.pseudo)) {
      const column = columnFor(bits & FOCUS ? bits | FOCUS_VISIBLE : bits);
      if (isPossible(column, possible)) add(column);
    }
    const carried = statesInPlay(pages, environment, first, 'author') & possible;
    for (const column of Object.values(STATE_COLUMNS)) {
      const bits = setBits(column);
      if (bits && (bits & (bits - 1)) === 0 && (carried & bits) === bits && isPossible(column, possible)) add(column);
    }
  }
  return { part, columns, possible };
}

/** The columns of a part with those that a look and its user add, by rising rank of what a kind names first. */
export function columnsOf(
  { part, columns: own, possible }: SiteColumns,
  look: Look,
  added: readonly string[],
): PartColumns {
  const columns = new Map(own);
  const add = (column: StateColumn) => {
    columns.set(column.name, column);
  };
  for (const setting of look.settings) {
    if (setting.part === part.part.name) add(columnFor(bitsOfWhen(setting.when)));
  }
  for (const name of added) {
    const column = columnNamed(name);
    if (column && isPossible(column, possible) && part.part.states.length > 1) add(column);
  }
  return { part, columns: [...columns.values()].sort((a, b) => rankOf(a) - rankOf(b)) };
}

const CARRIED = bitsOf(['filled', 'current', 'expanded', 'checked', 'invalid', 'disabled']);
const isPossible = (column: StateColumn, possible: StateBits) => (setBits(column) & CARRIED & ~possible) === 0;

/** All columns of several parts, each once. */
export function unionOf(parts: readonly PartColumns[]): StateColumn[] {
  const all = new Map<string, StateColumn>();
  for (const { columns } of parts) for (const column of columns) all.set(column.name, column);
  return [...all.values()].sort((a, b) => rankOf(a) - rankOf(b));
}
