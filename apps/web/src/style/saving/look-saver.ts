import { LONGEST_STEP, trialSchema, type LookData, type SavedLook, type SaveLook, type Trial } from '@retoque/contract';
import { ProblemError } from '../../api/client';
import { sameLook, type SentSave, type Shelf } from './unsaved';

/** What a conflict is about: the newer look, and the one that both it and the edit here were made from. */
export interface Rival {
  readonly current: Trial;
  readonly base: LookData | undefined;
}

export type SaveState =
  | { readonly kind: 'saved'; readonly at: Date }
  | { readonly kind: 'saving' }
  /** Kept in the browser alone until the owner has said where it is to hold. */
  | { readonly kind: 'held' }
  /** No answer from the server; the edit is kept and sent again by itself. */
  | { readonly kind: 'waiting'; readonly message: string }
  /** The server cannot take it, now or later; it is kept here, and sent again once it is another. */
  | { readonly kind: 'refused'; readonly message: string }
  | ({ readonly kind: 'conflict' } & Rival);

const PAUSE_MILLIS = 500;
const FIRST_RETRY_MILLIS = 1500;
const LONGEST_RETRY_MILLIS = 20_000;
const TOO_MANY = 429;
const FAILED = 500;

interface Saving {
  /** The look as the server has it, and its revision. */
  readonly trial: Trial;
  /** What is in hand when the screen opens; what the shelf holds comes before it. */
  readonly look: LookData;
  readonly shelf: Shelf;
  readonly save: (save: SaveLook) => Promise<SavedLook>;
  readonly onState: (state: SaveState) => void;
  /** What was done since the look that was saved last, in words. */
  readonly nameStep?: (base: LookData | undefined) => string | undefined;
  /** Told the look that was saved since over an edit whose answer was lost. */
  readonly onNewer: (look: LookData) => void;
}

/**
 * Saves one look a moment after it changes, on the revision it was made on; one save at a time. A save whose answer was
 * lost is sent once more, as it was and under its own id, before anything newer: only then is it known what the next
 * one is made on, and none can be in conflict with itself.
 */
export class LookSaver {
  private look: LookData;
  /** The revision that the look in hand was made on, and what it says where that is known. */
  private revision: number;
  private base: LookData | undefined;
  /** The save that may have been carried out without an answer. */
  private sent: SentSave | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private sending = false;
  private held = false;
  private delay = FIRST_RETRY_MILLIS;
  private now: SaveState;

  constructor(private readonly saving: Saving) {
    const { trial, look, shelf } = saving;
    const left = shelf.read();
    this.look = left?.look ?? look;
    this.revision = left?.baseRevision ?? trial.revision;
    this.base = left ? left.base : trial.look;
    this.sent = left?.sent;
    this.now = { kind: 'saved', at: new Date(trial.updatedAt) };
  }

  get state(): SaveState {
    return this.now;
  }

  /** Takes the look in hand, to be saved after a pause. */
  edit(look: LookData): void {
    this.look = look;
    // What was not sent yet is not said to be safe.
    if (this.held) return this.tellHeld();
    if (this.now.kind === 'saved' && !this.isSaved()) this.tell({ kind: 'saving' });
    this.sendIn(PAUSE_MILLIS);
  }

  /** Sends nothing while it is held; what is in hand then goes on its way as soon as it is not. */
  hold(held: boolean): void {
    if (held === this.held) return;
    this.held = held;
    clearTimeout(this.timer);
    if (held) this.tellHeld();
    else void this.send();
  }

  private tellHeld(): void {
    if (this.now.kind !== 'conflict' && !this.isSaved()) this.tell({ kind: 'held' });
  }

  /** Keeps in the browser what the server may not have yet. */
  keep(): void {
    if (!this.isSaved()) this.shelve();
    else if (!this.sending) this.saving.shelf.drop();
  }

  /** Sends what is in hand now. */
  async send(): Promise<void> {
    clearTimeout(this.timer);
    if (this.sending || this.held || this.now.kind === 'conflict') return;
    if (this.isSaved()) {
      this.saving.shelf.drop();
      if (this.now.kind !== 'saved') this.tell({ kind: 'saved', at: new Date() });
      return;
    }
    this.sending = true;
    this.tell({ kind: 'saving' });
    const { revision: baseRevision } = this;
    const save = (this.sent ??= this.asSave());
    this.shelve();
    let retryIn: number | undefined;
    try {
      retryIn = this.acknowledged(save, await this.saving.save({ baseRevision, ...save }));
    } catch (error) {
      retryIn = this.failed(error);
    } finally {
      this.sending = false;
    }
    if (retryIn !== undefined) this.sendIn(retryIn);
  }

  /**
   * Goes on from the newer look.
   *
   * @param next what is in hand from now on: the newer look itself, or an edit of it
   */
  rebase(current: Trial, next: LookData): void {
    this.look = next;
    this.made(current.revision, current.look);
    this.keep();
    this.tell(this.isSaved() ? { kind: 'saved', at: new Date(current.updatedAt) } : { kind: 'saving' });
  }

  private asSave(): SentSave {
    const step = this.saving.nameStep?.(this.base)?.slice(0, LONGEST_STEP);
    return { saveId: crypto.randomUUID(), look: this.look, ...(step === undefined ? {} : { step }) };
  }

  /** Whether the server is known to have what is in hand. */
  private isSaved(): boolean {
    return this.sent === undefined && this.base !== undefined && sameLook(this.look, this.base);
  }

  /** What is in hand is made on this revision, and nothing is on its way any more. */
  private made(revision: number, base: LookData): void {
    this.revision = revision;
    this.base = base;
    this.sent = undefined;
  }

  private shelve(): void {
    const { revision: baseRevision, base, look, sent } = this;
    this.saving.shelf.write({ baseRevision, base, look, sent });
  }

  /** @returns milliseconds until the next save, where one is due */
  private acknowledged(save: SentSave, { revision, savedAt, newer }: SavedLook): number | undefined {
    this.delay = FIRST_RETRY_MILLIS;
    const isInHand = sameLook(this.look, save.look);
    this.made(revision, save.look);
    if (newer && !isInHand) {
      this.shelve();
      this.tell({ kind: 'conflict', current: newer, base: save.look });
      return undefined;
    }
    if (newer) {
      this.look = newer.look;
      this.made(newer.revision, newer.look);
      this.saving.onNewer(newer.look);
    }
    if (!isInHand) {
      // While more is to be sent it is not said to be saved.
      this.shelve();
      return 0;
    }
    this.saving.shelf.drop();
    this.tell({ kind: 'saved', at: new Date(newer?.updatedAt ?? savedAt) });
    return undefined;
  }

  private failed(error: unknown): number | undefined {
    const problem = error instanceof ProblemError ? error : undefined;
    const status = problem?.problem.status ?? Infinity;
    // Our server's no means that nothing was saved; anything else may hide a save that was carried out.
    if (status <= FAILED) {
      this.sent = undefined;
      this.shelve();
    }
    if (problem && status === 409) {
      const current = trialSchema.parse((problem.body as { current: unknown }).current);
      this.tell({ kind: 'conflict', current, base: this.base });
      return undefined;
    }
    if (problem && status < FAILED && status !== TOO_MANY) {
      this.tell({ kind: 'refused', message: problem.message });
      return undefined;
    }
    const retryIn = this.delay;
    this.delay = Math.min(this.delay * 2, LONGEST_RETRY_MILLIS);
    this.tell({ kind: 'waiting', message: error instanceof Error ? error.message : 'The server does not answer.' });
    return retryIn;
  }

  private sendIn(millis: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), millis);
  }

  private tell(state: SaveState): void {
    this.now = state;
    this.saving.onState(state);
  }
}
