import { without, type Check, type Level } from '../check/check.js';
import { checkEdge } from '../check/edge.js';
import { checkIcon, checkMark } from '../check/icon/icon.js';
import { checkThumb } from '../check/thumb.js';
import { checkText, worstOf } from '../check/text.js';
import { partCarriers } from '../check/text-case.js';
import type { Demand } from '../component/kind.js';
import type { StateColumn } from '../component/state-column.js';
import type { FoundPart } from '../component/parts.js';
import { shownBits, STATE_COLUMNS } from '../component/states.js';
import { CARRIED } from '../css/selector/states.js';
import type { SubjectGroup } from '../handover/entries.js';
import type { Looking } from '../paint/scene.js';
import type { SeenSubject, Subject } from '../component/subject.js';
import { hasOwnText, readableText, type ElementNode } from '../tree/tree.js';
import type { Approach, ColumnCheck } from './ledger-check.js';

/** Sees a subject in a column's state, with whatever hides it opened. */
export type SeeIn = (subject: Subject, column: StateColumn) => LookedAt;

/** A subject that is seen, with what it is measured with. */
export interface LookedAt extends SeenSubject {
  readonly looking: Looking;
}

export interface DemandInput {
  readonly demand: Demand;
  readonly part: FoundPart;
  readonly column: StateColumn;
  readonly groups: readonly SubjectGroup[];
  readonly see: SeeIn;
  readonly level?: Level;
}

const NOTHING = without('1.4.3', 'exempt', 4.5, 'It has no text of its own.');

const approachOf = ({ criterion, of }: Demand): Approach =>
  criterion === '1.4.3' ? 'text' : of === 'icon' ? 'icon' : 'edge';

const isOverPicture = ({ varies, verdict, reason = '' }: Check): boolean =>
  varies === 'picture' || (verdict === 'unsure' && /picture/i.test(reason));

interface Measured {
  readonly check: Check;
  readonly at: ElementNode;
}

function measure({ demand, part, level = 'AA' }: DemandInput, seen: LookedAt): Measured[] {
  const { view, element, looking } = seen;
  const { pseudo } = part.part;
  if (demand.criterion === '1.4.3') {
    if (demand.own) return hasOwnText(element) ? [{ check: checkText(looking, element, level), at: element }] : [];
    if (pseudo !== undefined) {
      const check = checkMark(looking, element, pseudo) ?? checkText(looking, element, level, pseudo);
      return [{ check, at: element }];
    }
    return partCarriers(element).map((carrier) => ({ check: checkText(looking, carrier, level), at: carrier }));
  }
  if (demand.of === 'edge') return [{ check: checkEdge(looking, element), at: element }];
  if (demand.of === 'thumb') {
    return [{ check: checkThumb(view.of(element), (name) => view.of(element, name)), at: element }];
  }
  return [{ check: checkIcon(looking, element), at: element }];
}

/** Members of a group that are measured one by one. */
const MOST_MEMBERS = 80;

/** The members of a group at rest, each where it stands; only the one that stands for them where that makes no difference. */
function membersAtRest({ subject, members }: SubjectGroup, { part, see }: DemandInput): LookedAt[] {
  const own = see(subject, STATE_COLUMNS.default);
  // Where nothing was measured all are the same, and what is put into another state is that one alone.
  if (members.length < 2 || !own.looking.geometry || subject.states.atRest) return [own];
  const { stage, view } = own;
  return members.slice(0, MOST_MEMBERS).map((member): LookedAt => {
    if (member === subject.element) return own;
    const element = stage.tree.elements[member.order]!;
    return { ...own, element, style: view.of(element, part.part.pseudo) };
  });
}

/** What of a group is seen in a column: all of it at rest, and in another state the member that fares worst at rest. */
function seenOf(group: SubjectGroup, input: DemandInput): LookedAt[] {
  const { column, part, see, demand } = input;
  if (demand.criterion !== '1.4.3') return [see(group.subject, column)];
  const rest = membersAtRest(group, input);
  if (column.name === STATE_COLUMNS.default.name) return rest;
  if (rest.length < 2) return [see(group.subject, column)];
  const checks = rest.map((item) => worstOf(measure(input, item).map(({ check }) => check)));
  const worst = worstOf(checks.filter((check) => check !== undefined));
  const { order } = rest[Math.max(0, checks.indexOf(worst))]!.element;
  const subject = part.subjects.find(({ element }) => element.order === order) ?? group.subject;
  return [see(subject, column)];
}

/**
 * One demand of a part in a column; of several elements the worst speaks. Where a picture lies behind there is a second
 * check, as if it had not loaded. Nothing where none is ever in that state.
 */
export function checkDemand(input: DemandInput): ColumnCheck[] {
  const { demand, part, column, groups } = input;
  const carried = shownBits(column) & CARRIED;
  const able = groups.filter(({ subject }) => (carried & ~subject.states.possible) === 0);
  if (!able.length) return [];
  const seen = able.flatMap((group) => seenOf(group, input));
  const of = (all: readonly Measured[], more: Partial<ColumnCheck>): ColumnCheck => {
    const worst = worstOf(all.map((item) => item.check)) ?? NOTHING;
    const at = all.find((item) => item.check === worst)?.at;
    return {
      ...worst,
      part: part.part.name,
      column: column.name,
      demand: demand.name,
      label: demand.label,
      approach: approachOf(demand),
      measuredElements: able.reduce((sum, { members }) => sum + members.length, 0),
      worstText: at ? readableText(at).slice(0, 60) : '',
      ...more,
    };
  };
  const all = seen.flatMap((item) => measure(input, item));
  if (demand.own && !all.length) return [];
  const result = [of(all, {})];
  if (all.some(({ check }) => isOverPicture(check))) {
    const bare = seen.flatMap((item) =>
      measure(input, { ...item, looking: { ...item.looking, withoutPictures: true } }),
    );
    result.push(
      of(bare, { demand: `${demand.name}-bare`, label: `${demand.label}, picture missing`, withoutPictures: true }),
    );
  }
  return result;
}
