import { Flex } from '@chakra-ui/react';
import type { Component } from '@retoque/contract';
import type { StateSheet } from '@retoque/core';
import type { SiteComponent } from '../site/useSiteComponents';

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
