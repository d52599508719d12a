import { noteAsked } from './asking';
import type { Engine } from './protocol';

/** What nobody waits for before going on: it is worked out while nothing else is asked. */
const BEHIND: ReadonlySet<string> = new Set<keyof Engine>([
  // What a page is told of before it is looked at, and what is measured of it while nothing else is done.
  'open',
  'wear',
  'equip',
  'toMeasure',
  'measured',
  'pageToMeasure',
  'pageMeasured',
  // What lists, notes and choices show as it comes, and the page that they are about.
  'liveFrame',
  'list',
  'count',
  'explain',
  'prepare',
  'siteColours',
  'siteFamilies',
  'siteFonts',
  'warm',
]);

type Answer = (...asked: unknown[]) => Promise<unknown>;

/** The same engine; while any other of its answers is asked for, those that nobody waits for stand back. */
export const inFront = (engine: Engine): Engine =>
  Object.fromEntries(
    Object.entries<Answer>(engine as unknown as Record<string, Answer>).map(([name, answer]) => [
      name,
      BEHIND.has(name)
        ? answer
        : async (...asked: unknown[]) => {
            noteAsked();
            try {
              return await answer(...asked);
            } finally {
              noteAsked();
            }
          },
    ]),
  ) as unknown as Engine;
