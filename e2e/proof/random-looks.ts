import {
  changeLook,
  columnNamed,
  ComponentSession,
  EMPTY_LOOK,
  statesOf,
  type Exception,
  type Look,
  type Setting,
  type Site,
} from '../../packages/core/dist/index.js';
import { randomFrom } from '../corpus/pages.mjs';

/** Properties that looks set, with values of every sort: absolute, relative, named by the cascade, translucent. */
const VALUES: Readonly<Record<string, readonly string[]>> = {
  color: ['#7a1f0f', 'rgb(10 80 90 / 80%)', 'currentcolor', 'inherit', 'initial'],
  'background-color': ['#ffd166', 'transparent', 'rgb(0 0 0 / 20%)', 'currentcolor'],
  'background-image': ['linear-gradient(90deg, #123, #456)', 'none'],
  'border-top-color': ['#0a5', 'currentcolor'],
  'border-top-style': ['solid', 'dashed', 'none'],
  'border-top-width': ['3px', '.2em', '0'],
  'border-top-left-radius': ['9px', '1em'],
  'box-shadow': ['0 2px 6px rgb(0 0 0 / 40%)', 'none'],
  'outline-color': ['#c0f'],
  'outline-style': ['solid', 'none'],
  'outline-width': ['2px'],
  'padding-left': ['11px', '1.5em', '0'],
  'font-size': ['19px', '1.3em', '90%'],
  'font-weight': ['700', '400'],
  'letter-spacing': ['.1em', 'normal'],
  'line-height': ['1.4', 'normal'],
  opacity: ['.6', '1'],
  'text-decoration-line': ['underline', 'none'],
  'text-transform': ['uppercase', 'none'],
  transform: ['translateY(-2px)', 'none'],
};
const MOST_LOOKS = 3;
const MOST_SETTINGS = 7;
const MOST_COMPONENTS = 60;

export type Draw = <T>(items: readonly T[]) => T;

export function drawing(seed: number): Draw {
  const random = randomFrom(seed);
  return (items) => items[Math.floor(random() * items.length)]!;
}

const maybe = (draw: Draw, odds: number): boolean => draw(Array.from({ length: odds }, (_, i) => i)) === 0;

function lookFor(draw: Draw, session: ComponentSession, pageIds: readonly string[]): Look {
  const parts = session.sheet(EMPTY_LOOK).parts.filter(({ columns }) => columns.length > 0);
  if (!parts.length) return EMPTY_LOOK;
  const exceptions: Exception[] = [];
  const settings: Setting[] = [];
  const count = 1 + draw(Array.from({ length: MOST_SETTINGS }, (_, i) => i));
  for (let n = 0; n < count; n++) {
    const part = draw(parts);
    const property = draw(Object.keys(VALUES));
    let exception: string | undefined;
    if (maybe(draw, 5)) {
      const members = session.members(part.name);
      if (members.length > 1) {
        exception = `x-${part.name}`;
        if (!exceptions.some(({ id }) => id === exception))
          exceptions.push({ id: exception, name: 'One', part: part.name, members: [draw(members).selector] });
      }
    }
    const column = columnNamed(maybe(draw, 2) ? part.columns[0]! : draw(part.columns))!;
    settings.push({
      part: part.name,
      property,
      value: draw(VALUES[property]!),
      ...(exception ? { exception } : {}),
      when: {
        states: statesOf(part.carrier, column.atoms),
        ...(maybe(draw, 5) ? { page: draw(pageIds) } : {}),
        ...(maybe(draw, 5) ? { viewport: draw(['medium', 'narrow'] as const) } : {}),
        ...(maybe(draw, 8) ? { scheme: 'dark' as const } : {}),
        ...(maybe(draw, 10) ? { motion: 'reduced' as const } : {}),
      },
    });
  }
  return { ...changeLook(EMPTY_LOOK, settings), exceptions };
}

/** Gives one to three components of a site looks drawn from a seed, in place of what they wore. */
export function wearAtRandom(site: Site, seed: number): number {
  const draw = drawing(seed);
  site.keepOnly([]);
  const pageIds = site.pages.map(({ pageId }) => pageId);
  const count = 1 + draw(Array.from({ length: MOST_LOOKS }, (_, i) => i));
  for (let n = 0; n < count; n++) {
    const version = draw(pageIds);
    const page = site.page(version);
    // What a scrollbar comes to is told by its pixels alone; it has tests of its own.
    const found = page
      .components()
      .filter(({ kind }) => kind !== 'scrollbar')
      .slice(0, MOST_COMPONENTS);
    if (!found.length) continue;
    const { kind, locator, name } = draw(found);
    const session = new ComponentSession(page, kind, locator);
    const look = lookFor(draw, session, pageIds);
    site.wear({ id: `${kind} ${locator.selector}`, name, kind, locator, look, pageId: version });
  }
  return site.worn.length;
}
