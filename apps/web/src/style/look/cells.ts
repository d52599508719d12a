import { columnNamed, kindNamed, partNamed, type Cell, type Kind, type Row, type WiderPlace } from '@retoque/core';

export interface CellAddress {
  readonly part: string;
  readonly row: string;
  readonly column: string;
}

export const sameAddress = (a: CellAddress, b: CellAddress): boolean =>
  a.part === b.part && a.row === b.row && a.column === b.column;

export const columnLabel = (name: string): string => columnNamed(name)?.label ?? name;

const PLACES: Readonly<Record<WiderPlace, string>> = {
  wider: 'a wider viewport',
  'every-page': 'every page',
  light: 'the light scheme',
  'full-motion': 'full motion',
  'all-members': 'all members',
};

/** What a cell follows, in words. */
export function followWords(kind: Kind, part: string, cell: Cell, usual?: string): string {
  const label = partNamed(kind, part)?.label ?? part;
  if (cell.muted) return `${label}. Set by you, switched off.`;
  if (cell.own !== undefined) return `${label}. Set by you.`;
  if (cell.isOfFinish) return `${label}. From its finish.`;
  const place = cell.followsPlace ? PLACES[cell.followsPlace] : undefined;
  if (cell.follows !== undefined) {
    return `${label}. Follows ${columnLabel(cell.follows)}${place ? `, as set for ${place}` : ''}.`;
  }
  if (place) return `${label}. Follows ${place}.`;
  if (cell.from === 'site') return `${label}. Set by your site.`;
  if (cell.from === 'look') return `${label}. Comes with what you set; without it, it would not be seen.`;
  return usual === undefined
    ? `${label}. Not set; the browser decides.`
    : `${label}. Not set${usual && `; usually “${usual}”`}.`;
}

/** A value as it is read: of a setting of a script without the quotes that CSS needs. */
export const plainText = ({ group }: Row, value: string): string =>
  group === 'Behaviour' ? value.replace(/^"(.*)"$/, '$1') : value;

export const requireKind = (name: string): Kind => {
  const kind = kindNamed(name);
  if (!kind) throw new Error(`This version of Retoque does not know the kind "${name}".`);
  return kind;
};
