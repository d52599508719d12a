import { spacedTerms } from '../../value/split-text.js';
import type { Gradient } from '../../value/gradient.js';
import { lengthIn } from '../length.js';
import { lookup } from '../../base/lookup.js';

/** Where on the gradient line a point of the box lies, and how long the line is in pixels or, of a turn, in degrees. */
export interface GradientLine {
  readonly length: number;
  /** 0 at the start of the line, 1 at its end; x and y in pixels from the box's top left. */
  readonly at: (x: number, y: number) => number;
}

const RADIANS: Readonly<Record<string, number>> = lookup({
  deg: Math.PI / 180,
  grad: Math.PI / 200,
  rad: 1,
  turn: 2 * Math.PI,
});

function angleIn(text: string): number | undefined {
  const match = /^([+-]?(?:\d+(?:\.\d+)?|\.\d+)(?:e[+-]?\d+)?)(deg|grad|rad|turn)?$/i.exec(text.trim());
  if (!match) return undefined;
  return Number(match[1]) * RADIANS[(match[2] ?? 'deg').toLowerCase()]!;
}

/** The angle of a linear gradient, clockwise from upwards. CSS Images 4, section 3.1.1: corners meet at the middle. */
function linearAngle(direction: string | undefined, width: number, height: number): number | undefined {
  if (direction === undefined) return Math.PI;
  if (!direction.startsWith('to ')) return angleIn(direction);
  const up = direction.includes('top');
  const down = direction.includes('bottom');
  const left = direction.includes('left');
  const right = direction.includes('right');
  if (!(up || down)) return left ? -Math.PI / 2 : Math.PI / 2;
  if (!(left || right)) return up ? 0 : Math.PI;
  // The line stands square on the diagonal between the two other corners.
  return Math.atan2((right ? 1 : -1) * height, (up ? 1 : -1) * width);
}

function linear(gradient: Gradient, width: number, height: number): GradientLine | undefined {
  const angle = linearAngle(gradient.direction, width, height);
  if (angle === undefined) return undefined;
  const sin = Math.sin(angle);
  const cos = Math.cos(angle);
  const length = Math.abs(width * sin) + Math.abs(height * cos);
  return {
    length,
    at: (x, y) => (length ? ((x - width / 2) * sin - (y - height / 2) * cos) / length + 0.5 : 0),
  };
}

function centreOf(centre: string | undefined, width: number, height: number): [number, number] | undefined {
  const [across = '50%', down = '50%'] = spacedTerms(centre ?? '50% 50%');
  const x = lengthIn(WORDS[across] ?? across, width);
  const y = lengthIn(WORDS[down] ?? down, height);
  return x === undefined || y === undefined ? undefined : [x, y];
}
const WORDS: Readonly<Record<string, string>> = lookup({
  left: '0%',
  top: '0%',
  center: '50%',
  right: '100%',
  bottom: '100%',
});

/** A line or circle of no length is drawn as if it had this one (CSS Images 4, section 3.2.3). */
const LEAST = 1e-5;

function radii(
  size: string | undefined,
  [x, y]: readonly [number, number],
  width: number,
  height: number,
): [number, number] | undefined {
  const words = spacedTerms(size ?? '');
  const lengths = words.filter((word) => /\d/.test(word));
  const isCircle = words.includes('circle') || (lengths.length === 1 && !words.includes('ellipse'));
  if (lengths.length) {
    const across = lengthIn(lengths[0]!, width);
    const down = lengths[1] === undefined ? across : lengthIn(lengths[1], height);
    return across === undefined || down === undefined ? undefined : [across, down];
  }
  const extent = words.find((word) => word.includes('-')) ?? 'farthest-corner';
  const choose = extent.startsWith('closest') ? Math.min : Math.max;
  const across = choose(Math.abs(x), Math.abs(width - x));
  const down = choose(Math.abs(y), Math.abs(height - y));
  if (isCircle) {
    const radius = extent.endsWith('side')
      ? choose(across, down)
      : choose(...[0, width].flatMap((left) => [0, height].map((top) => Math.hypot(x - left, y - top))));
    return [radius, radius];
  }
  // An ellipse through a corner has the proportions of the one through the sides (CSS Images 4, section 3.2.1).
  const scale = extent.endsWith('side') ? 1 : Math.SQRT2;
  return [across * scale, down * scale];
}

function radial(gradient: Gradient, width: number, height: number): GradientLine | undefined {
  const centre = centreOf(gradient.centre, width, height);
  const size = centre && radii(gradient.size, centre, width, height);
  if (!centre || !size) return undefined;
  const across = Math.max(LEAST, size[0]);
  const down = Math.max(LEAST, size[1]);
  return { length: across, at: (x, y) => Math.hypot((x - centre[0]) / across, (y - centre[1]) / down) };
}

function conic(gradient: Gradient, width: number, height: number): GradientLine | undefined {
  const centre = centreOf(gradient.centre, width, height);
  const from = gradient.direction === undefined ? 0 : angleIn(gradient.direction);
  if (!centre || from === undefined) return undefined;
  return {
    length: 360,
    at: (x, y) => {
      const turn = (Math.atan2(x - centre[0], centre[1] - y) - from) / (2 * Math.PI);
      return turn - Math.floor(turn);
    },
  };
}

/**
 * The line of a gradient over a box. Source: CSS Images 4, sections 3.1 to 3.3.
 *
 * @param width of the box, in pixels
 * @returns undefined where a length is in a unit that computing did not resolve
 */
export function gradientLine(gradient: Gradient, width: number, height: number): GradientLine | undefined {
  if (gradient.shape === 'linear') return linear(gradient, width, height);
  return gradient.shape === 'radial' ? radial(gradient, width, height) : conic(gradient, width, height);
}
