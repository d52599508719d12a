import { BEHAVIOURS, lasting, momentOf, setting, type Around } from '@retoque/behaviours';
import { PreviewMemory } from './preview-memory';

/** One of the ways in which a component with a behaviour is seen, held still. */
export interface Moment {
  readonly name: string;
  readonly label: string;
  /** Brings it about on the component in a frame; what is returned takes it back. */
  readonly hold: (host: HTMLElement) => () => void;
}

const MOST_MESSAGES = 8;

/** A clock that stands until it is set, and a visitor who was never here. */
function still(path: string) {
  const memory = new PreviewMemory();
  let now = Date.now();
  const around: Around = {
    now: () => now,
    wait: () => () => {},
    keep: memory.keep,
    kept: memory.kept,
    path: () => path,
  };
  return { around, set: (moment: number) => void (now = moment), move: (by: number) => void (now += by) };
}

const message = (at: number): Moment => ({
  name: `message-${at}`,
  label: `Message ${at + 1}`,
  hold: (host) => {
    const running = BEHAVIOURS.notices!(host, still('/').around);
    host.setAttribute('data-way', 'none');
    [...host.querySelectorAll(':scope ul > li, :scope ol > li')].forEach((item, i) =>
      item.setAttribute('data-at', i === at ? 'now' : i < at ? 'before' : 'after'),
    );
    return running.stop;
  },
});

/** @param left milliseconds until the end */
const counted = (name: string, label: string, left: number): Moment => ({
  name,
  label,
  hold: (host) => {
    const clock = still('/');
    const isVisit = setting(host, 'count', '') === 'from-first-visit';
    if (!isVisit) clock.set(momentOf(setting(host, 'until', ''), setting(host, 'zone', 'UTC')) - left);
    const running = BEHAVIOURS.countdown!(host, clock.around);
    if (isVisit) {
      clock.move(lasting(setting(host, 'lasts', '')) - left);
      running.refresh();
    }
    return running.stop;
  },
});

const pressed = (name: string, label: string, behaviour: string, press: string | undefined): Moment => ({
  name,
  label,
  hold: (host) => {
    const running = BEHAVIOURS[behaviour]!(host, still('/').around);
    if (press !== undefined) host.querySelector<HTMLElement>(press)?.click();
    return running.stop;
  },
});

const DAY = 864e5;

/**
 * The moments of a component's behaviours, to be seen beside each other.
 *
 * @param names of its behaviours
 * @param messages how many items its list has
 */
export function momentsOf(names: readonly string[], messages: number): readonly Moment[] {
  const moments: Moment[] = [];
  if (names.includes('notices')) {
    for (let at = 0; at < Math.min(messages, MOST_MESSAGES); at++) moments.push(message(at));
  }
  if (names.includes('countdown')) {
    moments.push(
      counted('days-left', 'Three days left', 3 * DAY),
      counted('minute-left', 'One minute left', 60_000),
      counted('end', 'At the end', 0),
    );
  }
  if (names.includes('ticker')) {
    moments.push(
      pressed('running', 'Running', 'ticker', undefined),
      pressed('paused', 'Paused', 'ticker', '[data-do~=pause]'),
    );
  }
  if (names.includes('consent')) {
    moments.push(
      pressed('asked', 'Asked', 'consent', undefined),
      pressed('chosen', 'Chosen', 'consent', '[data-choice]'),
    );
  }
  if (names.includes('appear')) moments.push({ name: 'closed', label: 'Closed', hold: closed });
  return moments;
}

const closed = (host: HTMLElement): (() => void) => {
  const running = BEHAVIOURS.appear!(host, { ...still('/').around, kept: () => 'closed' });
  return running.stop;
};
