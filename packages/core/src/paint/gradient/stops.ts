import { isHint, type Gradient } from '../../value/gradient.js';
import { lengthIn } from '../length.js';

/** A colour at a place of the gradient line; what is between two of them turns at the hint. */
export interface PlacedStop {
  readonly colour: string;
  readonly at: number;
  /** Where, on the way from the stop before to this one, the colour is halfway: 0 to 1. */
  readonly halfway: number;
}

interface Item {
  readonly colour: string | undefined;
  at: number | undefined;
}

/**
 * Stops in their places along the line, as shares of its length. Source: CSS Images 4, section 3.5.3: the first and last
 * stand at the ends, none stands before the one in front of it, and those without a place are spread evenly.
 *
 * @param length of the line in pixels, or 360 of a turn
 * @returns undefined where a place is in a unit that computing did not resolve
 */
export function placeStops(gradient: Gradient, length: number): PlacedStop[] | undefined {
  const items: Item[] = [];
  for (const stop of gradient.stops) {
    const places = isHint(stop) ? [stop.hint] : [stop.at, stop.to].filter((text) => text !== undefined);
    const numbers = places.map((text) => lengthIn(text, length));
    if (numbers.includes(undefined)) return undefined;
    const colour = isHint(stop) ? undefined : stop.colour;
    if (!numbers.length) items.push({ colour, at: undefined });
    for (const number of numbers) items.push({ colour, at: length ? number! / length : 0 });
  }
  if (!items.length) return undefined;
  items[0]!.at ??= 0;
  items.at(-1)!.at ??= 1;
  let highest = -Infinity;
  for (const item of items) if (item.at !== undefined) item.at = highest = Math.max(highest, item.at);
  for (let i = 0; i < items.length; i++) {
    if (items[i]!.at !== undefined) continue;
    let end = i;
    while (items[end]!.at === undefined) end++;
    const from = items[i - 1]!.at!;
    const step = (items[end]!.at! - from) / (end - i + 1);
    for (let at = i; at < end; at++) items[at]!.at = from + step * (at - i + 1);
  }
  const stops: PlacedStop[] = [];
  let hint: number | undefined;
  for (const { colour, at } of items) {
    if (colour === undefined) {
      hint = at;
      continue;
    }
    const before = stops.at(-1)?.at ?? at!;
    const span = at! - before;
    stops.push({ colour, at: at!, halfway: hint === undefined || !span ? 0.5 : (hint - before) / span });
    hint = undefined;
  }
  return stops;
}
