import {
  kindNamed,
  statesOf,
  type Cell,
  type Kind,
  type Look,
  type Setting,
  type SheetRow,
  type StateColumn,
} from '@retoque/core';
import { changeLook } from '@retoque/core';

export interface CellAddress {
  readonly row: string;
  readonly column: string;
}

export function columnNamed(kind: Kind, name: string): StateColumn {
  return kind.states.find((column) => column.name === name) ?? kind.states[0]!;
}

/** Sets or clears a cell: all of its row's properties together, in one step. */
export function setCell(
  look: Look,
  kind: Kind,
  row: Pick<SheetRow, 'part' | 'properties'>,
  column: string,
  value: string | undefined,
): Look {
  const states = statesOf(row.part, columnNamed(kind, column).atoms);
  return changeLook(
    look,
    row.properties.map((property): Omit<Setting, 'value'> & { value: string | undefined } => ({
      part: row.part,
      property,
      when: { states },
      value,
    })),
  );
}

/** What a cell follows, in words. */
export function followWords(kind: Kind, cell: Cell): string {
  const part = kind.parts[0]!.label;
  if (cell.own !== undefined) return `${part}. Set by you.`;
  if (cell.follows !== undefined) return `${part}. Follows ${columnNamed(kind, cell.follows).label}.`;
  if (cell.from === 'site') return `${part}. Set by your site.`;
  return `${part}. Not set; the browser decides.`;
}

export const requireKind = (name: string): Kind => {
  const kind = kindNamed(name);
  if (!kind) throw new Error(`This version of Retoque does not know the kind "${name}".`);
  return kind;
};
