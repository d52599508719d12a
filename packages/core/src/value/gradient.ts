import type { CssNode, FunctionNode } from 'css-tree';
import { parseValue } from '../css/sheet/declaration.js';
import { byComma } from '../css/values/split.js';
import { printTerms } from './print.js';
import { isColourTerm } from './terms.js';
import { lookup } from '../base/lookup.js';

export type GradientShape = 'linear' | 'radial' | 'conic';

/** A colour at one place of the gradient line, or from one place to another. */
export interface GradientStop {
  readonly colour: string;
  /** CSS text of a length, percentage or angle; undefined where the browser spreads stops evenly. */
  readonly at?: string | undefined;
  readonly to?: string | undefined;
}

/** The place halfway between two colours. */
export interface GradientHint {
  readonly hint: string;
}

/** A gradient taken apart (CSS Images 4, section 3); every text is CSS. */
export interface Gradient {
  readonly shape: GradientShape;
  readonly repeating: boolean;
  /** What stands behind `in`: a colour space, and how hues are travelled. */
  readonly interpolation?: string | undefined;
  /** Of a linear gradient an angle or `to top left`; of a conic one the angle behind `from`. */
  readonly direction?: string | undefined;
  /** Of a radial gradient: `circle`, `ellipse 20px 40px`, `closest-side`. */
  readonly size?: string | undefined;
  /** Behind `at`, of a radial or conic gradient. */
  readonly centre?: string | undefined;
  readonly stops: readonly (GradientStop | GradientHint)[];
}

export const isHint = (stop: GradientStop | GradientHint): stop is GradientHint => 'hint' in stop;

const NAME = /^(-webkit-)?(repeating-)?(linear|radial|conic)-gradient$/i;
const HUES = new Set(['shorter', 'longer', 'increasing', 'decreasing']);
const OPPOSITE: Readonly<Record<string, string>> = lookup({
  top: 'bottom',
  bottom: 'top',
  left: 'right',
  right: 'left',
});
const EXTENT: Readonly<Record<string, string>> = lookup({ cover: 'farthest-corner', contain: 'closest-side' });

const wordOf = (node: CssNode | undefined): string | undefined =>
  node?.type === 'Identifier' ? node.name.toLowerCase() : undefined;

/**
 * Takes a gradient apart, whatever way it is written; older prefixed ones come out as the standard's.
 *
 * @returns undefined for what is no gradient, or one that only the page can resolve (`var()`)
 */
export function readGradient(text: string): Gradient | undefined {
  const nodes = parseValue(text.trim())?.children.toArray() ?? [];
  const [node] = nodes;
  if (nodes.length !== 1 || node?.type !== 'Function') return undefined;
  const match = NAME.exec(node.name);
  if (!match) return undefined;
  const shape = match[3]!.toLowerCase() as GradientShape;
  const parts = byComma(node.children.toArray().filter(({ type }) => type !== 'WhiteSpace'));
  if (!parts.length || holdsVariable(node)) return undefined;
  const prefixed = match[1] !== undefined;
  const colourAt = parts.findIndex((part) => part.some(isColourTerm));
  if (colourAt < 0) return undefined;
  const isPrelude = (part: readonly CssNode[]) => !part.some(isColourTerm) && part.length > 0;
  // A prelude of the older syntax may have two parts: where, and of what size.
  const preludes = parts.slice(0, prefixed ? colourAt : Math.min(1, colourAt)).filter(isPrelude);
  const prelude = prefixed ? olderPrelude(shape, preludes) : readPrelude(shape, preludes[0] ?? []);
  const stops = parts.slice(preludes.length).map(readStop);
  if (!prelude || stops.some((stop) => stop === undefined)) return undefined;
  return {
    shape,
    repeating: match[2] !== undefined,
    ...prelude,
    stops: stops as (GradientStop | GradientHint)[],
  };
}

const holdsVariable = (node: FunctionNode): boolean =>
  node.children.some((child) => child.type === 'Function' && (/^(var|env)$/i.test(child.name) || holdsVariable(child)));

type Prelude = Pick<Gradient, 'interpolation' | 'direction' | 'size' | 'centre'>;

function readPrelude(shape: GradientShape, nodes: readonly CssNode[]): Prelude | undefined {
  const rest = [...nodes];
  let interpolation: string | undefined;
  const into = rest.findIndex((node) => wordOf(node) === 'in');
  if (into >= 0) {
    const words = [wordOf(rest[into + 1])];
    if (HUES.has(wordOf(rest[into + 2]) ?? '')) words.push(wordOf(rest[into + 2]), wordOf(rest[into + 3]));
    if (words.some((word) => word === undefined)) return undefined;
    interpolation = words.join(' ');
    rest.splice(into, words.length + 1);
  }
  const at = rest.findIndex((node) => wordOf(node) === 'at');
  const centre = at < 0 ? undefined : printTerms(rest.splice(at).slice(1));
  const own = shape === 'conic' && wordOf(rest[0]) === 'from' ? rest.slice(1) : rest;
  const text = own.length ? printTerms(own) : undefined;
  return {
    ...(interpolation === undefined ? {} : { interpolation }),
    ...(text === undefined ? {} : shape === 'radial' ? { size: text } : { direction: text }),
    ...(centre === undefined ? {} : { centre }),
  };
}

/** The prefixed syntax: a side is where the gradient begins, angles turn the other way, and the centre comes first. */
function olderPrelude(shape: GradientShape, parts: readonly (readonly CssNode[])[]): Prelude | undefined {
  if (shape === 'conic') return undefined;
  if (shape === 'linear') {
    const [nodes] = parts;
    if (!nodes) return {};
    const [first] = nodes;
    if (first?.type === 'Dimension' && first.unit.toLowerCase() === 'deg') {
      return { direction: `${(90 - Number(first.value) + 360) % 360}deg` };
    }
    // From corner to corner the older line ran through both, which the standard's does not unless the box is square.
    const side = nodes.length === 1 ? OPPOSITE[wordOf(first) ?? ''] : undefined;
    return side === undefined ? undefined : { direction: `to ${side}` };
  }
  const isSize = (part: readonly CssNode[]) =>
    part.some((node) => /^(circle|ellipse|cover|contain|(closest|farthest)-(side|corner))$/.test(wordOf(node) ?? ''));
  const size = parts.find(isSize)?.map((node) => EXTENT[wordOf(node) ?? ''] ?? printTerms([node]));
  const centre = parts.find((part) => !isSize(part));
  return {
    ...(size ? { size: size.join(' ') } : {}),
    ...(centre ? { centre: printTerms(centre) } : {}),
  };
}

function readStop(nodes: readonly CssNode[]): GradientStop | GradientHint | undefined {
  const at = nodes.findIndex(isColourTerm);
  if (at < 0) return nodes.length === 1 ? { hint: printTerms(nodes) } : undefined;
  const places = nodes.filter((_node, i) => i !== at);
  if (places.length > 2) return undefined;
  return {
    colour: printTerms([nodes[at]!]),
    ...(places[0] ? { at: printTerms([places[0]]) } : {}),
    ...(places[1] ? { to: printTerms([places[1]]) } : {}),
  };
}

const printStop = (stop: GradientStop | GradientHint): string =>
  isHint(stop) ? stop.hint : [stop.colour, stop.at, stop.to].filter((text) => text !== undefined).join(' ');

/** The gradient as CSS; reading it gives the same gradient again. */
export function printGradient(gradient: Gradient): string {
  const { shape, repeating, interpolation, direction, size, centre, stops } = gradient;
  const prelude = [
    shape === 'radial' ? size : shape === 'conic' && direction !== undefined ? `from ${direction}` : direction,
    shape !== 'linear' && centre !== undefined ? `at ${centre}` : undefined,
    interpolation === undefined ? undefined : `in ${interpolation}`,
  ].filter((text) => text !== undefined);
  const parts = [...(prelude.length ? [prelude.join(' ')] : []), ...stops.map(printStop)];
  return `${repeating ? 'repeating-' : ''}${shape}-gradient(${parts.join(', ')})`;
}

const TURN: Readonly<Record<string, number>> = lookup({ deg: 1, grad: 0.9, rad: 180 / Math.PI, turn: 360 });

/** A place as a share of the gradient line, 0 to 1; undefined where only layout knows it. */
function shareOf(text: string): number | undefined {
  const match = /^([+-]?(?:\d+(?:\.\d*)?|\.\d+))(%|deg|grad|rad|turn)?$/i.exec(text);
  if (!match) return undefined;
  const value = Number(match[1]);
  if (match[2] === '%') return value / 100;
  if (match[2] === undefined) return value === 0 ? 0 : undefined;
  return (value * TURN[match[2].toLowerCase()]!) / 360;
}

/**
 * Where each stop stands, 0 to 1, with those between spread evenly and none before the one in front of it (CSS Images
 * 4, section 3.5.3). Lengths count as the place between their neighbours, since only layout knows them.
 */
export function placesOf({ stops }: Gradient): number[] {
  const places = stops.map((stop, i) => {
    const text = isHint(stop) ? stop.hint : stop.at;
    if (text !== undefined) return shareOf(text);
    return i === 0 ? 0 : i === stops.length - 1 ? 1 : undefined;
  });
  if (places.length) {
    places[0] ??= 0;
    places[places.length - 1] ??= 1;
  }
  let highest = -Infinity;
  const fixed = places.map((place) => (place === undefined ? undefined : (highest = Math.max(highest, place))));
  return fixed.map((place, i) => {
    if (place !== undefined) return place;
    const before = fixed.findLastIndex((other, at) => at < i && other !== undefined);
    const after = fixed.findIndex((other, at) => at > i && other !== undefined);
    return fixed[before]! + ((fixed[after]! - fixed[before]!) * (i - before)) / (after - before);
  });
}
