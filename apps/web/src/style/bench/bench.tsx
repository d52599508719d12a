import { Flex } from '@chakra-ui/react';
import type { Component } from '@retoque/contract';
import { tallyOf, type StateSheet, type Tally } from '@retoque/core';
import type { SiteComponent } from '../site/useSiteComponents';

/** How the checks of a sheet came out; undefined without a sheet. */
export const countsOf = (sheet: StateSheet | undefined): Tally | undefined => sheet && tallyOf(sheet.checks);

/** The list with the figures of the edit in hand, which the stored looks do not have yet. */
export function withCurrent(
  components: readonly SiteComponent[],
  component: Component,
  counts: Tally | undefined,
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
