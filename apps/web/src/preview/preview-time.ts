import { useState, useSyncExternalStore } from 'react';
import { behave, type Behaving } from './behaving';
import { PreviewClock } from './preview-clock';
import { PreviewMemory } from './preview-memory';

const MINUTE = 60_000;

/** What the preview's behaviours run by: a clock that can be moved, and what a visitor remembers. */
export class PreviewTime {
  private readonly clock = new PreviewClock();
  private readonly memory = new PreviewMemory();
  private running: Behaving | undefined;
  private again: (() => Behaving) | undefined;
  private readonly listeners = new Set<() => void>();

  constructor(private readonly path: string) {}

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  readonly names = (): string => this.running?.names.join(' ') ?? '';
  /** Milliseconds since 1970, to the minute. */
  readonly minute = (): number => Math.floor(this.clock.now() / MINUTE) * MINUTE;

  private told(): void {
    this.listeners.forEach((listener) => listener());
  }

  /** Sets the behaviours of a frame going, until what is returned is called. */
  readonly run = (document: Document): (() => void) => {
    this.again = () => behave(document, this.clock, this.memory, this.path);
    this.running = this.again();
    this.told();
    return () => {
      this.running?.stop();
      this.running = this.again = undefined;
      this.told();
    };
  };

  /** Reads settings anew. */
  readonly refresh = (): void => this.running?.refresh();

  /** @param by milliseconds */
  move(by: number): void {
    this.clock.move(by);
    this.running?.refresh();
    this.told();
  }

  /** Loads the page again, as the same visitor or as one who was never here. */
  visit(isNew: boolean): void {
    if (isNew) this.memory.forget();
    this.running?.stop();
    this.running = this.again?.();
    this.told();
  }
}

export const usePreviewTime = (path: string): PreviewTime => useState(() => new PreviewTime(path))[0];
export const useTold = <T>(time: PreviewTime, read: () => T): T => useSyncExternalStore(time.subscribe, read);
