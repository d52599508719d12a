import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { LookData, SavedLook, SaveLook, Trial } from '@retoque/contract';
import { changeLook, EMPTY_LOOK } from '@retoque/core';
import fc from 'fast-check';
import { ConnectionError, ProblemError } from '../../api/client';
import { LookSaver, type SaveState } from './look-saver';
import { readUnsaved, sameLook, type Shelf, type Unsaved } from './unsaved';

const colour = (value: string): LookData =>
  changeLook(EMPTY_LOOK, [{ part: 'button', property: 'color', value, when: { states: [] } }]) as LookData;

/** What becomes of a request: it is answered, or lost on its way to the server or back. */
type Fate = 'answered' | 'lost' | 'unheard' | { readonly status: number };

/** Saves as the server does: on the known revision, once for each id. */
class Server {
  trial: Trial;
  readonly fates: Fate[] = [];
  readonly carriedOut: LookData[] = [];
  private readonly done = new Map<string, number>();
  private savedAt = 0;

  constructor(look: LookData) {
    this.trial = { id: crypto.randomUUID(), name: 'A', revision: 1, look, updatedAt: this.instant() };
  }

  readonly save = (save: SaveLook): Promise<SavedLook> => {
    const fate = this.fates.shift() ?? 'answered';
    if (fate === 'lost') return Promise.reject(new ConnectionError('no answer'));
    if (typeof fate === 'object') return Promise.reject(problem(fate.status));
    const before = this.done.get(save.saveId);
    if (before === undefined && this.trial.revision !== save.baseRevision)
      return Promise.reject(problem(409, { current: this.trial }));
    if (before === undefined) this.take(save.look, save.saveId);
    const revision = before ?? this.trial.revision;
    const newer = this.trial.revision > revision ? this.trial : null;
    return fate === 'unheard'
      ? Promise.reject(new ConnectionError('no answer'))
      : Promise.resolve({ revision, savedAt: this.instant(), newer });
  };

  /** A save of another window, where no id is given. */
  take(look: LookData, saveId: string = crypto.randomUUID()): void {
    this.trial = { ...this.trial, look, revision: this.trial.revision + 1, updatedAt: this.instant() };
    this.done.set(saveId, this.trial.revision);
    this.carriedOut.push(look);
  }

  private instant = () => new Date(Date.UTC(2026, 0, 1) + this.savedAt++).toISOString();
}

function problem(status: number, more: object = {}): ProblemError {
  const body = { type: 'about:blank', title: 'No', status, ...more };
  return new ProblemError(body, body);
}

/** A window with its shelf; opened again it is what the browser has after a reload. */
class Window {
  state: SaveState | undefined;
  look: LookData;
  private saver!: LookSaver;

  readonly shelf: Shelf = {
    read: () => (this.kept ? readUnsaved(this.kept) : undefined),
    write: (unsaved: Unsaved) => (this.kept = JSON.stringify(unsaved)),
    drop: () => (this.kept = undefined),
  };

  constructor(
    private readonly server: Server,
    private kept?: string,
  ) {
    this.look = server.trial.look;
    this.open();
  }

  open(): void {
    const { trial, save } = this.server;
    // Nothing of the window that was closed goes on.
    jest.clearAllTimers();
    this.look = this.shelf.read()?.look ?? trial.look;
    const saver: LookSaver = new LookSaver({
      trial,
      look: this.look,
      shelf: this.shelf,
      save: async (what) => {
        const answer = await save(what);
        return this.saver === saver ? answer : new Promise<never>(() => undefined);
      },
      onState: (state) => this.saver === saver && (this.state = state),
      onNewer: (look) => (this.look = look),
    });
    this.saver = saver;
    this.state = saver.state;
    saver.edit(this.look);
  }

  hold(held: boolean): void {
    this.saver.hold(held);
  }

  edit(look: LookData): void {
    this.look = look;
    this.saver.edit(look);
    this.saver.keep();
  }

  rebase(next: LookData): void {
    if (this.state?.kind !== 'conflict') throw new Error('There is nothing to settle.');
    this.look = next;
    this.saver.rebase(this.state.current, next);
    this.saver.edit(next);
  }
}

/** A window on a look that is there. */
const opened = () => {
  const server = new Server(colour('#000000'));
  return { server, window: new Window(server) };
};

/** Longer than the longest wait for another try. */
const settle = () => jest.advanceTimersByTimeAsync(120_000);
const pause = () => jest.advanceTimersByTimeAsync(600);

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

describe('LookSaver', () => {
  it('saves once after a pause, what was last in hand', async () => {
    const { server, window } = opened();
    window.edit(colour('#111111'));
    window.edit(colour('#222222'));
    expect(window.state?.kind).toBe('saving');
    await pause();
    expect(window.state?.kind).toBe('saved');
    expect(server.carriedOut).toEqual([colour('#222222')]);
    expect(window.shelf.read()).toBeUndefined();
  });

  it('sends nothing while it is held, keeps it in the browser, and sends it once it is not', async () => {
    const { server, window } = opened();
    window.hold(true);
    window.edit(colour('#111111'));
    await settle();
    expect(window.state?.kind).toBe('held');
    expect(server.carriedOut).toEqual([]);
    expect(window.shelf.read()?.look).toEqual(colour('#111111'));
    window.hold(false);
    await pause();
    expect(window.state?.kind).toBe('saved');
    expect(server.carriedOut).toEqual([colour('#111111')]);
  });

  it('has nothing to send where what was held is taken back', async () => {
    const { server, window } = opened();
    window.hold(true);
    window.edit(colour('#111111'));
    window.edit(colour('#000000'));
    window.hold(false);
    await settle();
    expect(window.state?.kind).toBe('saved');
    expect(server.carriedOut).toEqual([]);
    expect(window.shelf.read()).toBeUndefined();
  });

  it('is in no conflict with its own save where the answer was lost and more was edited since', async () => {
    const { server, window } = opened();
    server.fates.push('unheard');
    window.edit(colour('#111111'));
    await pause();
    expect(window.state?.kind).toBe('waiting');
    window.edit(colour('#222222'));
    await settle();
    expect(window.state?.kind).toBe('saved');
    expect(server.carriedOut).toEqual([colour('#111111'), colour('#222222')]);
  });

  it('does not say saved where an edit is taken back whose save may have been carried out', async () => {
    const { server, window } = opened();
    server.fates.push('unheard', 'lost', 'lost');
    window.edit(colour('#111111'));
    await pause();
    window.edit(colour('#000000'));
    await pause();
    expect(window.state?.kind).toBe('waiting');
    expect(window.shelf.read()).toBeDefined();
    window.open();
    await settle();
    expect(window.state?.kind).toBe('saved');
    expect(server.trial.look).toEqual(colour('#000000'));
  });

  it('asks about what another window saved over an edit whose answer was lost', async () => {
    const { server, window } = opened();
    server.fates.push('unheard');
    window.edit(colour('#111111'));
    await pause();
    server.take(colour('#abcdef'));
    window.edit(colour('#222222'));
    await settle();
    expect(window.state).toMatchObject({ kind: 'conflict', base: colour('#111111') });
    expect(window.shelf.read()).toMatchObject({ base: colour('#111111'), look: colour('#222222') });
    // The question is the same after a reload.
    window.open();
    await settle();
    expect(window.state).toMatchObject({ kind: 'conflict', base: colour('#111111') });
    window.rebase(colour('#333333'));
    await settle();
    expect(window.state?.kind).toBe('saved');
    expect(server.trial.look).toEqual(colour('#333333'));
  });

  it('takes the newer look where nothing was edited since the lost answer', async () => {
    const { server, window } = opened();
    server.fates.push('unheard');
    window.edit(colour('#111111'));
    await pause();
    server.take(colour('#abcdef'));
    await settle();
    expect(window.state?.kind).toBe('saved');
    expect(window.look).toEqual(colour('#abcdef'));
  });

  it('does not send again what the server cannot take, and sends the next edit', async () => {
    const { server, window } = opened();
    server.fates.push({ status: 413 });
    window.edit(colour('#111111'));
    await settle();
    expect(window.state?.kind).toBe('refused');
    expect(window.shelf.read()?.look).toEqual(colour('#111111'));
    window.edit(colour('#222222'));
    await settle();
    expect(window.state?.kind).toBe('saved');
    expect(server.carriedOut).toEqual([colour('#222222')]);
  });

  it.each([429, 500, 503])('tries again by itself after %i', async (status) => {
    const { server, window } = opened();
    server.fates.push({ status }, { status });
    window.edit(colour('#111111'));
    await settle();
    expect(window.state?.kind).toBe('saved');
    expect(server.carriedOut).toEqual([colour('#111111')]);
  });

  it('takes up what an older version kept, under the id that it was sent with', async () => {
    const server = new Server(colour('#000000'));
    const saveId = crypto.randomUUID();
    await server.save({ baseRevision: 1, saveId, look: colour('#111111') });
    const kept = { baseRevision: 1, base: colour('#000000'), saveId, look: colour('#111111') };
    const window = new Window(server, JSON.stringify(kept));
    window.edit(colour('#222222'));
    await settle();
    expect(window.state?.kind).toBe('saved');
    expect(server.carriedOut).toEqual([colour('#111111'), colour('#222222')]);
  });

  const value = fc.integer({ min: 0, max: 3 }).map((n) => colour(`#00000${n}`));
  const step = fc.oneof(
    { weight: 4, arbitrary: fc.record({ edit: value }) },
    { weight: 3, arbitrary: fc.record({ fate: fc.constantFrom<Fate>('lost', 'unheard', { status: 503 }) }) },
    { weight: 3, arbitrary: fc.record({ wait: fc.integer({ min: 100, max: 5000 }) }) },
    { weight: 1, arbitrary: fc.constant({ reload: true }) },
  );

  it('ends with the last edit saved and no question asked, whatever is lost or reloaded', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 30 }), async (steps) => {
        const server = new Server(colour('#ffffff'));
        const window = new Window(server);
        for (const it of steps) {
          if ('edit' in it) window.edit(it.edit);
          else if ('fate' in it) server.fates.push(it.fate);
          else if ('wait' in it) await jest.advanceTimersByTimeAsync(it.wait);
          else window.open();
          // 'Saved' is said of nothing that the server does not have.
          if (window.state?.kind === 'saved') expect(sameLook(server.trial.look, window.look)).toBe(true);
          expect(window.state?.kind).not.toBe('conflict');
        }
        const last = window.look;
        server.fates.length = 0;
        await settle();
        expect(window.state?.kind).toBe('saved');
        expect(server.trial.look).toEqual(last);
        expect(window.shelf.read()).toBeUndefined();
      }),
      { numRuns: 300 },
    );
  });
});
