import {
  cellSetting,
  columnNamed,
  namesSwatch,
  partNamed,
  rowText,
  settingIndex,
  settingKey,
  type Cell,
  type EditingPlace,
  type Kind,
  type Look,
  type SheetRow,
} from '@retoque/core';

/**
 * Rows of a sheet with what its owner has set as it was set: with the names of swatches, whose colours the sheet has, and
 * without what the finish sets that the look follows.
 */
export function withOwnText(rows: readonly SheetRow[], told: Look, kind: Kind, place: EditingPlace): SheetRow[] {
  const index = settingIndex(told);
  return rows.map((sheetRow) => {
    const { part, row } = sheetRow;
    const carrier = partNamed(kind, part)?.carrier ?? part;
    const ownText = (cell: Cell): Cell => {
      const column = cell.own === undefined ? undefined : columnNamed(cell.column);
      if (!column) return cell;
      const valueOf = (property: string) =>
        index.get(settingKey(cellSetting(part, carrier, property, column, place)))?.value;
      if (row.properties.every((property) => valueOf(property) === undefined))
        return { ...cell, own: undefined, isOfFinish: true };
      if (!row.properties.some((property) => namesSwatch(valueOf(property) ?? ''))) return cell;
      return { ...cell, own: rowText(row, (property) => valueOf(property) ?? '') ?? cell.own };
    };
    return { ...sheetRow, cells: sheetRow.cells.map(ownText) };
  });
}
