import { BEHAVIOURS, type Around, type Running } from '@retoque/behaviours';
import { allIn, parentOf } from '../frame/dom';
import type { PreviewClock } from './preview-clock';
import type { PreviewMemory } from './preview-memory';

/**
 * What a page calls its controls may stand in for what an element can do (HTML, "named access"): a behaviour that cannot
 * run there does not, and the preview goes on.
 */
function started(start: () => Running): Running[] {
  try {
    return [start()];
  } catch {
    return [];
  }
}

/** Behaviours at work in the document of a frame, in which no script of its own runs. */
export interface Behaving {
  readonly names: readonly string[];
  refresh(): void;
  stop(): void;
}

const PREFIX = 'rq-';

/** Sets going what the markup of a page has, as its script would. */
export function behave(document: Document, clock: PreviewClock, memory: PreviewMemory, path: string): Behaving {
  const around: Around = {
    now: clock.now,
    wait: clock.wait,
    keep: memory.keep,
    kept: memory.kept,
    path: () => path,
  };
  const names: string[] = [];
  const running = Object.entries(BEHAVIOURS).flatMap(([name, start]) =>
    [...allIn(document, PREFIX + name)].flatMap((element): Running[] => {
      const host = parentOf(element);
      if (!host) return [];
      names.push(name);
      return started(() => start(host as HTMLElement, around));
    }),
  );
  return {
    names: [...new Set(names)],
    refresh: () => running.forEach((own) => own.refresh()),
    stop: () => running.forEach((own) => own.stop()),
  };
}
