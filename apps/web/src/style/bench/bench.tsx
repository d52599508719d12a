import { Flex } from '@chakra-ui/react';
import type { Component } from '@retoque/contract';
import type { StateSheet } from '@retoque/core';
import type { CellAddress } from '../look/cells';
import type { ShownRow } from '../grid/selection';
import type { SiteComponent } from '../site/useSiteComponents';

/** The cell itself where it is shown, or else the nearest that is: its part's first row, its row's first column. */
export function nearest(
  cell: CellAddress,
  shown: readonly ShownRow[],
  columns: readonly string[],
): CellAddress | undefined {
  const row =
    shown.find((item) => item.part === cell.part && item.row === cell.row) ??
    shown.find((item) => item.part === cell.part) ??
    shown[0];
  const column = columns.includes(cell.column) ? cell.column : columns[0];
  return row && column !== undefined ? { ...row, column } : undefined;
}

export interface Counts {
  readonly short: number;
  readonly unsure: number;
}

/** How many checks of a sheet fall short or are unsure; undefined without a sheet. */
export function countsOf(sheet: StateSheet | undefined): Counts | undefined {
  if (!sheet) return undefined;
  const count = (verdict: string) => sheet.checks.filter((check) => check.verdict === verdict).length;
  return { short: count('short'), unsure: count('unsure') };
}

/** The list with the figures of the edit in hand, which the stored looks do not have yet. */
export function withCurrent(
  components: readonly SiteComponent[],
  component: Component,
  counts: Counts | undefined,
): readonly SiteComponent[] {
  if (!counts) return components;
  return components.map((item) =>
    item.found.kind === component.kind && item.found.selector === component.locator.selector
      ? { ...item, found: { ...item.found, ...counts } }
      : item,
  );
}

export const reachWords = (one: string, many: string, reach: number) => (reach === 1 ? one : `${reach} ${many}`);

export function Legend() {
  return (
    <Flex gap="18px" padding="10px 14px" color="ink3" fontSize="12px" flexWrap="wrap">
      <span>Square: set for this state. Ring: follows another. Bar at the left: set by you.</span>
      <span>Arrows move, Enter edits, Delete clears, M switches off, hold U for the site untouched.</span>
    </Flex>
  );
}
