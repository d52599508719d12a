import { columnNamed, ROWS, type DriftedCell, type DriftUnit } from '@retoque/core';
import type { SeenAt } from '../engine/protocol';

/** A value in which things differ, with all the sides and corners that differ alike. */
export interface DriftLine {
  readonly key: string;
  readonly label: string;
  /** The property of CSS, for all of its sides. */
  readonly css: string;
  /** Empty at rest. */
  readonly state: string;
  readonly wanted: string;
  readonly having: number;
  readonly others: readonly { readonly text: string; readonly elements: number; readonly names: readonly string[] }[];
}

export const elementsOf = (units: readonly DriftUnit[]): number =>
  units.reduce((sum, { elements }) => sum + elements.length, 0);

const whole = (property: string): string => property.replace(/-(top|right|bottom|left)(-(left|right))?/, '');

/** The label of the row that has a property, of all its sides where there is one. */
const labelOf = (property: string): string =>
  ROWS.find(({ properties }) => properties.includes(property))?.label ?? property;

/** The cells of one drift as lines to read: four corners that differ alike are one. */
export function linesOf(cells: readonly DriftedCell[]): DriftLine[] {
  const lines = new Map<string, DriftLine>();
  for (const { property, column, wanted, having, others } of cells) {
    const css = whole(property);
    const key = [css, column, wanted, ...others.map(({ text }) => text)].join('|');
    if (lines.has(key)) continue;
    lines.set(key, {
      key,
      label: labelOf(property),
      css,
      state: column === 'default' ? '' : (columnNamed(column)?.label.toLowerCase() ?? column),
      wanted,
      having,
      others: others.map(({ text, units }) => ({
        text,
        elements: elementsOf(units),
        names: [...new Set(units.map(({ name }) => name))],
      })),
    });
  }
  return [...lines.values()];
}

/** The part of the site that is looked at: empty for the widest and light, which stand for all of it. */
const seenWords = ({ viewport, scheme }: SeenAt): string =>
  [
    ...(viewport === 'wide' ? [] : [`up to ${viewport} width`]),
    ...(scheme === 'dark' ? ['in the dark scheme'] : []),
  ].join(', ');

/** Where that holds which makes things alike. */
export const reachWords = (seen: SeenAt): string => {
  const where = seenWords(seen);
  return where
    ? `What is made alike here holds ${where} alone.`
    : 'What is made alike here holds at every width and in both schemes.';
};

/** Said where nothing drifts. */
export const noneWords = (seen: SeenAt): string => {
  const where = seenWords(seen);
  return `Nothing drifts${where ? ` ${where}` : ''}: things that look alike on this site are the same, in every state.`;
};
