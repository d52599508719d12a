import {
  cellSetting,
  changeLook,
  columnNamed,
  settingIndex,
  settingKey,
  type EditingPlace,
  type Exception,
  type Look,
  type Row,
  type SheetPart,
  type Setting,
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

/** A look with some of its settings alone; of the others it is not kept either that they were switched off. */
function withSettings(look: Look, isKept: (setting: Setting) => boolean): Look {
  const settings = look.settings.filter(isKept);
  const left = new Set(settings.map(settingKey));
  return { ...look, settings, muted: look.muted.filter((key) => left.has(key)) };
}

/** Takes an exception away with its settings. */
export const removeException = (look: Look, id: string): Look => ({
  ...withSettings(look, (setting) => setting.exception !== id),
  exceptions: look.exceptions.filter((item) => item.id !== id),
});

/** A look without a part that its owner had added, and without what it says of it. */
export const removePart = (look: Look, part: string): Look => ({
  ...withSettings(correctPart(look, part, undefined), (setting) => setting.part !== part),
  exceptions: look.exceptions.filter((exception) => exception.part !== part),
});

/** Gives a part another selector; undefined goes back to the kind's own. */
export function correctPart(look: Look, part: string, selector: string | undefined): Look {
  const parts = { ...look.parts };
  if (selector === undefined) delete parts[part];
  else parts[part] = selector;
  const { parts: _before, ...rest } = look;
  return Object.keys(parts).length ? { ...rest, parts } : rest;
}
