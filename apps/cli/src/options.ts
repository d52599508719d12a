import { readFileSync } from 'node:fs';
import {
  compileText,
  DESKTOP,
  InvalidSelectorError,
  PRINTED_SHORTHANDS,
  PROPERTIES,
  readState,
  selectAll,
  SHORTHANDS,
  UnknownStateError,
  type ElementNode,
  type Environment,
  type FontMetricsTable,
  type NamedState,
  type PageSession,
} from '@retoque/core';
import { Failure, oneLine } from './failure.js';
import { locate } from './locate.js';

/** Adds up an option that may be given several times. */
export const collect = (value: string, before: readonly string[]): string[] => [...before, value];

export const list = (text: string): string[] =>
  text
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean);

/** `1280x800`, in CSS pixels. */
export function viewport(text: string): { width: number; height: number } {
  const match = /^(\d{1,5})x(\d{1,5})$/i.exec(text.trim());
  if (!match || Number(match[1]) === 0 || Number(match[2]) === 0) {
    throw new Failure(`--viewport takes a width and a height such as 1280x800, not "${text}".`);
  }
  return { width: Number(match[1]), height: Number(match[2]) };
}

export function environment(size: string, scheme: string): Environment {
  if (scheme !== 'light' && scheme !== 'dark') throw new Failure(`--scheme takes light or dark, not "${scheme}".`);
  return { ...DESKTOP, ...viewport(size), scheme };
}

export function states(text: string): NamedState[] {
  const names = list(text);
  if (!names.length) throw new Failure('--states takes names such as default,hover,focus,active.');
  try {
    return names.map(readState);
  } catch (error) {
    if (error instanceof UnknownStateError) throw new Failure(error.message);
    throw error;
  }
}

export function oneOf<T extends string>(name: string, value: string, allowed: readonly T[]): T {
  const found = allowed.find((item) => item === value);
  if (!found) throw new Failure(`${name} takes ${allowed.join(', ')}, not "${value}".`);
  return found;
}

/**
 * Property names: longhands that are known, custom properties, and shorthands.
 *
 * @param whole shorthands that can be printed whole are kept; all others are spread over their longhands
 */
export function properties(text: string, whole = false): string[] {
  const names = list(text);
  if (!names.length) throw new Failure('--properties takes names such as color,background-color.');
  return names.flatMap((name) => {
    const lower = name.startsWith('--') ? name : name.toLowerCase();
    if (lower.startsWith('--') || PROPERTIES.has(lower)) return [lower];
    if (whole && PRINTED_SHORTHANDS.includes(lower)) return [lower];
    const longhands = SHORTHANDS.get(lower)?.longhands.filter((longhand) => PROPERTIES.has(longhand));
    if (longhands?.length) return longhands;
    throw new Failure(`"${name}" is not a property that Retoque resolves.`);
  });
}

/** An element, or one of its pseudo-elements. */
export interface Target {
  readonly element: ElementNode;
  readonly pseudo: string | undefined;
}

/** What a selector reaches at rest, in document order; a pseudo-element at its end selects that part. */
export function select(page: PageSession, selector: string): Target[] {
  let compiled;
  try {
    compiled = compileText(selector);
  } catch (error) {
    if (error instanceof InvalidSelectorError) throw new Failure(`--select: ${oneLine(error.message)}`);
    throw error;
  }
  const found = compiled.flatMap((item) =>
    selectAll(page.tree, [{ ...item, pseudoElement: undefined }]).map((element): Target => ({
      element,
      pseudo: item.pseudoElement,
    })),
  );
  const seen = new Set<string>();
  return found
    .sort((a, b) => a.element.order - b.element.order)
    .filter(({ element, pseudo }) => {
      const key = `${element.order} ${pseudo ?? ''}`;
      return !seen.has(key) && seen.add(key);
    });
}

/** Font measures from a JSON file: family name to xHeight, zeroAdvance, capHeight and normalLineHeight, in em. */
export function fontMetrics(file: string | undefined): FontMetricsTable | undefined {
  if (file === undefined) return undefined;
  let data: unknown;
  try {
    data = JSON.parse(readFileSync(locate(file), 'utf8'));
  } catch (error) {
    throw new Failure(`${file} cannot be read as JSON: ${oneLine((error as Error).message)}.`);
  }
  const wanted = ['xHeight', 'zeroAdvance', 'capHeight', 'normalLineHeight'];
  const valid =
    typeof data === 'object' &&
    data !== null &&
    Object.values(data).every(
      (entry: unknown) =>
        typeof entry === 'object' &&
        entry !== null &&
        wanted.every((name) => typeof (entry as Record<string, unknown>)[name] === 'number'),
    );
  if (!valid)
    throw new Failure(`${file} must map each family to numbers ${wanted.join(', ')}, as shares of the font size.`);
  return Object.fromEntries(
    Object.entries(data as FontMetricsTable).map(([family, metrics]) => [family.toLowerCase(), metrics]),
  );
}
