import {
  cellSetting,
  changeLook,
  columnNamed,
  settingIndex,
  settingKey,
  withSettings,
  type EditingPlace,
  type Exception,
  type Look,
  type Row,
  type SheetPart,
} from '@retoque/core';
import type { CellAddress } from './cells';

/** Edits of a look, each one step that can be undone; pure, so that they can be tested and named. */

/** A cell with the values of its longhands; undefined clears it. */
export interface CellChange {
  readonly address: CellAddress;
  readonly values: Readonly<Record<string, string>> | undefined;
}

const carrierOf = (parts: readonly SheetPart[], part: string): string =>
  parts.find((item) => item.name === part)?.carrier ?? part;

/** Sets or clears cells: all of their rows' longhands together. */
export function setCells(
  look: Look,
  changes: readonly CellChange[],
  parts: readonly SheetPart[],
  place: EditingPlace,
  rowOf: (key: string) => Row | undefined,
): Look {
  return changeLook(
    look,
    changes.flatMap(({ address, values }) => {
      const column = columnNamed(address.column);
      const row = rowOf(address.row);
      if (!column || !row) return [];
      const carrier = carrierOf(parts, address.part);
      const names = values ? Object.keys(values) : row.properties;
      return names.map((property) => ({
        ...cellSetting(address.part, carrier, property, column, place),
        value: values?.[property],
      }));
    }),
  );
}

/** Keys of the settings that cells hold. */
function keysOf(
  look: Look,
  cells: readonly CellAddress[],
  parts: readonly SheetPart[],
  place: EditingPlace,
  rowOf: (key: string) => Row | undefined,
): string[] {
  const known = new Set(look.settings.map(settingKey));
  return cells.flatMap(({ part, row, column }) => {
    const state = columnNamed(column);
    return (rowOf(row)?.properties ?? []).flatMap((property) => {
      const key = state && settingKey(cellSetting(part, carrierOf(parts, part), property, state, place));
      return key !== undefined && known.has(key) ? [key] : [];
    });
  });
}

/** What a cell holds in the look itself, which the sheet may not show yet; undefined where it holds nothing. */
export function ownValues(
  look: Look,
  { part, row, column }: CellAddress,
  parts: readonly SheetPart[],
  place: EditingPlace,
  rowOf: (key: string) => Row | undefined,
): Readonly<Record<string, string>> | undefined {
  const state = columnNamed(column);
  const properties = rowOf(row)?.properties;
  if (!state || !properties) return undefined;
  const index = settingIndex(look);
  const values: Record<string, string> = {};
  for (const property of properties) {
    const key = settingKey(cellSetting(part, carrierOf(parts, part), property, state, place));
    const setting = index.get(key);
    if (!setting) return undefined;
    values[property] = setting.value;
  }
  return values;
}

/** Switches the settings of cells off, or on again where all of them are off. */
export function toggleMuted(
  look: Look,
  cells: readonly CellAddress[],
  parts: readonly SheetPart[],
  place: EditingPlace,
  rowOf: (key: string) => Row | undefined,
): { look: Look; muted: boolean } | undefined {
  const keys = keysOf(look, cells, parts, place, rowOf);
  if (!keys.length) return undefined;
  const off = keys.every((key) => look.muted.includes(key));
  const rest = look.muted.filter((key) => !keys.includes(key));
  return { look: { ...look, muted: off ? rest : [...rest, ...keys] }, muted: !off };
}

export const addException = (look: Look, exception: Exception): Look => ({
  ...look,
  exceptions: [...look.exceptions.filter((item) => item.id !== exception.id), exception],
});

/** Takes an exception away with its settings. */
export const removeException = (look: Look, id: string): Look => ({
  ...withSettings(look, (setting) => setting.exception !== id),
  exceptions: look.exceptions.filter((item) => item.id !== id),
});
