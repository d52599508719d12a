import { readGradient, type Gradient } from '../../value/gradient.js';
import { gradientLine } from './line.js';
import { defaultSpace, mixing, type Mix, type Premultiplied } from './mix.js';
import { placeStops, type PlacedStop } from './stops.js';

interface Segment {
  readonly from: number;
  readonly span: number;
  readonly mix: Mix;
  /** Bends the way so that the hint is halfway (CSS Images 4, section 3.5.2); undefined for a straight one. */
  readonly bend: number | undefined;
}

/** A gradient over a box of one size. */
export interface PaintedGradient {
  /** The colour at a point; x and y in pixels from the box's top left. */
  readonly colourAt: (x: number, y: number) => Premultiplied;
  /** Colours along the whole line, close together, for when it is not known which part of it is behind something. */
  readonly colours: () => Premultiplied[];
}

function segmentsOf(stops: readonly PlacedStop[], interpolation: string): Segment[] | undefined {
  const segments = stops.slice(1).map((stop, i): Segment | undefined => {
    const before = stops[i]!;
    const mix = mixing(before.colour, stop.colour, interpolation);
    const bend = stop.halfway === 0.5 ? undefined : Math.log(0.5) / Math.log(Math.min(1, Math.max(0, stop.halfway)));
    return mix && { from: before.at, span: stop.at - before.at, mix, bend };
  });
  return segments.includes(undefined) ? undefined : (segments as Segment[]);
}

function colourIn(segment: Segment, place: number): Premultiplied {
  const { from, span, mix, bend } = segment;
  if (span <= 0) return mix(place < from ? 0 : 1);
  const share = Math.min(1, Math.max(0, (place - from) / span));
  if (bend === undefined) return mix(share);
  // A hint at an end leaves one colour alone.
  return mix(bend === Infinity ? (share < 1 ? 0 : 1) : bend === 0 ? (share > 0 ? 1 : 0) : share ** bend);
}

const PER_SEGMENT = 64;

/**
 * Makes a gradient ready to be asked for its colours over a box.
 *
 * @param text the computed value of one layer of `background-image`
 * @param width of the box, in pixels
 * @returns undefined for what is no gradient, or cannot be told without the page
 */
export function paintGradient(text: string, width: number, height: number): PaintedGradient | undefined {
  const gradient = readGradient(text);
  return gradient && paintRead(gradient, width, height);
}

export function paintRead(gradient: Gradient, width: number, height: number): PaintedGradient | undefined {
  const line = gradientLine(gradient, width, height);
  const stops = line && placeStops(gradient, line.length);
  if (!line || !stops?.length) return undefined;
  const space = gradient.interpolation ?? defaultSpace(stops.map(({ colour }) => colour));
  // One colour alone paints as if it stood twice.
  const segments = segmentsOf(stops.length === 1 ? [stops[0]!, { ...stops[0]!, halfway: 0.5 }] : stops, space);
  if (!segments?.length) return undefined;
  const first = segments[0]!.from;
  const last = segments.at(-1)!.from + segments.at(-1)!.span;
  const period = last - first;
  const colourOn = (position: number): Premultiplied => {
    let place = position;
    if (gradient.repeating && period > 0)
      place = first + (place - first) - Math.floor((place - first) / period) * period;
    if (place < first) return segments[0]!.mix(0);
    // At a place where several stops stand, the last of them counts.
    for (let i = segments.length - 1; i >= 0; i--) {
      if (place >= segments[i]!.from) return colourIn(segments[i]!, place);
    }
    return segments[0]!.mix(0);
  };
  return {
    colourAt: (x, y) => colourOn(line.at(x, y)),
    colours: () =>
      segments.flatMap((segment) =>
        Array.from({ length: PER_SEGMENT + 1 }, (_, i) => colourIn({ ...segment, span: 1, from: 0 }, i / PER_SEGMENT)),
      ),
  };
}
