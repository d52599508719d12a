import { viewOf } from './behaviour.js';

/** Settings are custom properties of the element: so they hold at a width or on a page as any other value does. */
export function setting(host: Element, name: string, usual: string): string {
  const text = viewOf(host).getComputedStyle(host).getPropertyValue(`--rq-${name}`).trim();
  return text.replace(/^(["'])(.*)\1$/s, '$2') || usual;
}

/** A number at the start of a setting, whatever its unit, within bounds. */
export function amount(host: Element, name: string, usual: number, least = 0): number {
  const number = Number.parseFloat(setting(host, name, ''));
  return Math.max(least, Number.isFinite(number) ? number : usual);
}

const UNITS = new Map([
  ['ms', 1],
  ['s', 1e3],
  ['min', 6e4],
  ['m', 6e4],
  ['h', 36e5],
  ['d', 864e5],
]);

/** A length of time such as `2d 3h 30m`, in milliseconds; NaN where it is none. */
export function lasting(text: string): number {
  const parts = [...text.matchAll(/(?<![\d.])(\d+(?:\.\d+)?)\s*(ms|s|min|m|h|d)(?![a-z])/g)];
  return parts.length ? parts.reduce((sum, [, count, unit]) => sum + Number(count) * UNITS.get(unit!)!, 0) : NaN;
}

/** A setting that is a length of time, in milliseconds. */
export function time(host: Element, name: string, usual: number, least = 0): number {
  const millis = lasting(setting(host, name, ''));
  return Math.max(least, Number.isFinite(millis) ? millis : usual);
}
