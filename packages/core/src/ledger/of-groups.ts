import { worstOf } from '../check/text.js';
import type { FoundPart } from '../component/parts.js';
import type { StateColumn } from '../component/state-column.js';
import type { SubjectGroup } from '../handover/index.js';
import { readableText } from '../tree/tree.js';
import type { ColumnCheck } from './ledger-check.js';
import type { NamedCheck } from './more-demands.js';

/** Of several elements the worst speaks, demand by demand. */
export function ofGroups(
  { part }: FoundPart,
  column: StateColumn,
  found: readonly { readonly group: SubjectGroup; readonly checks: readonly NamedCheck[] }[],
): ColumnCheck[] {
  const all = found.flatMap(({ group, checks }) => checks.map((item) => ({ ...item, group })));
  return [...new Set(all.map(({ demand }) => demand))].map((demand): ColumnCheck => {
    const own = all.filter((item) => item.demand === demand);
    const worst = worstOf(own.map(({ check }) => check))!;
    const at = own.find(({ check }) => check === worst)!;
    return {
      ...worst,
      part: part.name,
      column: column.name,
      demand: `${part.name}-${demand}`,
      label: at.label,
      ...(at.approach ? { approach: at.approach } : {}),
      measuredElements: own.reduce((sum, { group }) => sum + group.members.length, 0),
      worstText: readableText(at.group.subject.element).slice(0, 60),
    };
  });
}
