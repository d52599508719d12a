import type { Level } from '../check/check.js';
import { checkBeside, type SeenElement } from '../check/while-beside.js';
import { worstOf } from '../check/text.js';
import type { Kind } from '../component/kind.js';
import type { FoundPart } from '../component/parts.js';
import { STATE_COLUMNS } from '../component/states.js';
import type { Subject } from '../component/subject.js';
import type { SubjectGroup } from '../handover/entries.js';
import { ancestors, readableText } from '../tree/tree.js';
import type { SeeIn } from './checks.js';
import type { ColumnCheck } from './ledger-check.js';

/** A member of a part, and another that can be pointed at without it. */
export interface PairBeside {
  readonly subject: Subject;
  readonly other: Subject;
}

const isApart = (a: Subject, b: Subject): boolean =>
  a.carrier !== b.carrier &&
  ![...ancestors(a.carrier)].includes(b.carrier) &&
  ![...ancestors(b.carrier)].includes(a.carrier);

/**
 * Members of a part that has texts, each with one that can be pointed at: of each group the first with the one after it,
 * and the last with the one before.
 */
export function pairsBeside(kind: Kind, { part, subjects }: FoundPart, groups: readonly SubjectGroup[]): PairBeside[] {
  const hasText = kind.demands.some((demand) => demand.part === part.name && demand.criterion === '1.4.3');
  if (part.pseudo !== undefined || !hasText || subjects.length < 2) return [];
  return groups.flatMap(({ members }) => {
    const own = new Set(members);
    const isOwn = ({ element }: Subject): boolean => own.has(element);
    const [first, last] = [subjects.find(isOwn), subjects.findLast(isOwn)];
    if (!first || !last) return [];
    const after = subjects.slice(subjects.indexOf(first) + 1).find((other) => isApart(first, other));
    const before = subjects.slice(0, subjects.indexOf(last)).findLast((other) => isApart(last, other));
    return [
      ...(after ? [{ subject: first, other: after }] : []),
      ...(before ? [{ subject: last, other: before }] : []),
    ];
  });
}

/** A member at rest, and while the other is pointed at. */
export function seenBeside({ subject, other }: PairBeside, see: SeeIn): { rest: SeenElement; beside: SeenElement } {
  const beside = see(other, STATE_COLUMNS.hover);
  const element = beside.stage.tree.elements[subject.element.order]!;
  return { rest: see(subject, STATE_COLUMNS.default), beside: { ...beside, element } };
}

/** What is asked of members' texts while others are pointed at: of several the worst; nothing where that changes nothing. */
export function checksBeside(
  { part: { name, label } }: FoundPart,
  seen: readonly ReturnType<typeof seenBeside>[],
  level: Level,
): ColumnCheck[] {
  const checks = seen.map(({ rest, beside }) => checkBeside(rest, beside, level));
  const worst = worstOf(checks.filter((check) => check !== undefined));
  if (!worst) return [];
  const { element } = seen[checks.indexOf(worst)]!.beside;
  return [
    {
      ...worst,
      part: name,
      column: STATE_COLUMNS.default.name,
      demand: `${name}-beside`,
      label: `${label} while another is pointed at`,
      approach: 'others',
      measuredElements: checks.filter((check) => check !== undefined).length,
      worstText: readableText(element).slice(0, 60),
    },
  ];
}
