import { once } from '../memo/once.js';
import { NEEDED_EDGE } from '../check/edge.js';
import { iconToTry } from '../check/icon/icon.js';
import type { Level } from '../check/check.js';
import { checkText } from '../check/text.js';
import { partCarriers, textCase, type TextCase } from '../check/text-case.js';
import { ALLOWED_SHARE, verdictOf } from '../check/verdict.js';
import { parseColour } from '../colour/parse.js';
import { luminance } from '../colour/contrast.js';
import { lightBetween } from '../colour/light.js';
import { TRANSPARENT, type Rgba } from '../colour/rgba.js';
import type { Box } from '../page/box.js';
import { flatTrial, type FlatTrial } from '../paint/flat-trial.js';
import { isFlat } from '../paint/flat.js';
import { measureScene } from '../paint/measure.js';
import { COVERED, type Measurement } from '../paint/measurement.js';
import { piecesOf } from '../paint/pieces.js';
import type { Looking, Scene } from '../paint/scene.js';
import { grounded, marked, type SceneNode } from '../paint/scene-nodes.js';
import { nodesText, splitAnywhere, splitScene } from '../paint/spread.js';
import type { ElementNode } from '../tree/tree.js';
import { shortAgainst, type Asked } from '../colour/nearest.js';

/** Which samples of a track pass in every column that follows a cell. */
export interface TrackSample {
  readonly colour: Rgba;
  readonly passes: boolean;
  readonly lowest: number | undefined;
}

/** A text that a colour of a part may change: the part's own, or one that stands on it. */
export interface TriedText {
  readonly looking: Looking;
  /** The part's element, whose colour is tried. */
  readonly element: ElementNode;
  readonly carrier: ElementNode;
  readonly pseudo: string | undefined;
}

/** A text that is judged, ready to be measured with other colours. */
export interface TriedCase {
  readonly text: TextCase;
  readonly needed: number;
  readonly takesColour: boolean;
  /** Whether the part's ground lies behind it. */
  readonly onGround: boolean;
  /** Whether no place at all may fall short, however small. */
  readonly strict?: boolean;
}

const isWithin = (node: ElementNode, outer: ElementNode): boolean => {
  for (let at: ElementNode | undefined = node; at; at = at.parent) if (at === outer) return true;
  return false;
};

/** Texts of a part's element that are measured at all. */
export const triedTexts = (looking: Looking, element: ElementNode, pseudo: string | undefined): TriedText[] =>
  (pseudo === undefined ? partCarriers(element) : [element]).map((carrier) => ({ looking, element, carrier, pseudo }));

/** @param property that is tried; where it is the ground, what it hides may be seen */
export function triedCase(
  { looking, element, carrier, pseudo }: TriedText,
  property: string,
  level: Level = 'AA',
): TriedCase | undefined {
  const { view } = looking;
  const check = checkText(looking, carrier, level, pseudo);
  if (check.verdict === 'exempt' || check.verdict === 'unsure') return undefined;
  const onGround = isWithin(carrier, element);
  const tried = onGround && property === 'background-color' ? element : undefined;
  return {
    text: textCase(looking, carrier, pseudo, tried),
    needed: check.needed,
    // A child with a colour of its own does not take the part's.
    takesColour: carrier === element || view.of(carrier).text('color') === view.of(element).text('color'),
    onGround,
  };
}

/** An icon as a case: its worst place decides. */
export function triedIcon(looking: Looking, element: ElementNode): TriedCase | undefined {
  const text = iconToTry(looking, element);
  return text && { text, needed: NEEDED_EDGE, takesColour: true, onGround: false, strict: true };
}

/** One case with a colour of the part in place of its own. */
export function tryIn(
  { text, needed, takesColour, onGround }: TriedCase,
  property: string,
  colour: Rgba,
): Measurement | undefined {
  const { scene, areas, halo } = text;
  const nodes =
    property === 'color' && takesColour
      ? marked(scene.nodes, colour)
      : property === 'background-color' && onGround
        ? grounded(scene.nodes, colour)
        : scene.nodes;
  const tried: Scene = { ...scene, nodes };
  const found = measureScene(tried, areas, needed, halo);
  return found === COVERED ? undefined : found;
}

/** What one case asks of a colour, ready to be asked of many. */
function trialOf(tried: TriedCase, property: string): Asked {
  const { text, takesColour, onGround, needed, strict = false } = tried;
  const what =
    property === 'color' && takesColour ? 'mark' : property === 'background-color' && onGround ? 'ground' : undefined;
  const judge = (colour: Rgba) => {
    const found = tryIn(tried, property, colour);
    return !found || (strict ? found.worst >= needed : verdictOf(found, needed) === 'passes');
  };
  if (what) return (!text.halo && piecewise(tried, what)) || { passes: judge, short: [] };
  // Its colours are none of those that are tried.
  const always = judge(TRANSPARENT);
  return { passes: () => always, short: [] };
}

/** The same for a scene that is plain, or plain over what stays: its pieces are made once. */
function piecewise({ text, needed, strict }: TriedCase, what: 'mark' | 'ground'): Asked | undefined {
  const { scene, areas } = text;
  const found = piecesToTry(scene.nodes, areas);
  if (!found) return undefined;
  const { pieces, share } = found;
  const whatIf: Trial[] = [];
  for (const { nodes, count } of pieces) {
    const trial = flatTrial(nodes, what);
    if (!trial) return undefined;
    whatIf.push({ ...trial, count });
  }
  const allowed = (strict ? 0 : share) * whatIf.reduce((sum, { count }) => sum + count, 0);
  const opaque = againstOpaque(whatIf, needed, allowed);
  const veiled = what === 'ground' ? underVeil(whatIf, needed, allowed) : undefined;
  return {
    passes: (colour) => {
      if (opaque && colour.alpha === 1) return opaque(luminance(colour));
      if (veiled) return veiled(colour);
      let short = 0;
      for (const { ratio, count } of whatIf) {
        if (ratio(colour) < needed) short += count;
        if (short > allowed) return false;
      }
      return true;
    },
    short: whatIf.flatMap(({ against, count }) => (against && count > allowed ? [shortAgainst(against, needed)] : [])),
  };
}

interface Trial extends FlatTrial {
  /** Pixels that look like it. */
  readonly count: number;
}

interface Pieces {
  readonly pieces: readonly { readonly nodes: readonly SceneNode[]; readonly count: number }[];
  /** How much of it may fall short. */
  readonly share: number;
}

/** What lies behind in several places, as plain scenes; over a picture or gradient one for each of its colours. */
function piecesToTry(nodes: readonly SceneNode[], areas: readonly Box[]): Pieces | undefined {
  if (isFlat(nodes)) return { pieces: [{ nodes, count: 1 }], share: 0 };
  const pieces = areas.length ? piecesOf(nodes, areas) : undefined;
  if (pieces) return { pieces, share: ALLOWED_SHARE };
  const isPlaced = (node: SceneNode): boolean =>
    node.kind === 'group' ? node.nodes.every(isPlaced) : node.kind !== 'pattern' || node.tiling !== undefined;
  const known = areas.length > 0 && nodes.every(isPlaced);
  const split = known ? splitScene(nodes, areas) : splitAnywhere(nodes);
  if (!split) return undefined;
  return {
    pieces: split.colours.map(({ colour, count }) => ({
      nodes: [{ kind: 'solid', colour, box: undefined } satisfies SceneNode, ...split.rest],
      count,
    })),
    share: 'varies' in split && split.varies === 'picture' ? ALLOWED_SHARE : 0,
  };
}

/** Whether an opaque colour passes, from its luminance alone; undefined where more than that has a say. */
function againstOpaque(
  whatIf: readonly Trial[],
  needed: number,
  allowed: number,
): ((luminance: number) => boolean) | undefined {
  if (whatIf.length < 3 || whatIf.some(({ against }) => !against)) return undefined;
  const sorted = whatIf
    .map(({ against, count }) => ({ light: luminance(against!), count }))
    .sort((a, b) => a.light - b.light);
  const lights = Float64Array.from(sorted, ({ light }) => light);
  const upTo = new Float64Array(sorted.length + 1);
  sorted.forEach(({ count }, i) => (upTo[i + 1] = upTo[i]! + count));
  /** How many lie below a luminance, or at it too. */
  const below = (limit: number, orAt: boolean) => {
    let [low, high] = [0, lights.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (lights[middle]! < limit || (orAt && lights[middle] === limit)) low = middle + 1;
      else high = middle;
    }
    return upTo[low]!;
  };
  return (light) => {
    const [from, to] = [(light + 0.05) / needed - 0.05, (light + 0.05) * needed - 0.05];
    return below(to, false) - below(from, true) <= allowed;
  };
}

/** Whether text of one colour passes on a veil over many colours, in one pass over them. */
function underVeil(whatIf: readonly Trial[], needed: number, allowed: number): Asked['passes'] | undefined {
  const text = whatIf[0]?.against;
  if (whatIf.length < 3 || !text || whatIf.some(({ under, against }) => !under || against !== text)) return undefined;
  const channels = Float32Array.from(whatIf.flatMap(({ under }) => [under!.r * 255, under!.g * 255, under!.b * 255]));
  const counts = Float64Array.from(whatIf, ({ count }) => count);
  const [from, to] = shortAgainst(text, needed);
  return ({ r, g, b, alpha }) => {
    const rest = 1 - alpha;
    const [red, green, blue] = [r * 255 * alpha, g * 255 * alpha, b * 255 * alpha];
    let short = 0;
    for (let i = 0, at = 0; i < counts.length; i++, at += 3) {
      const light =
        0.2126 * lightBetween(red + channels[at]! * rest) +
        0.7152 * lightBetween(green + channels[at + 1]! * rest) +
        0.0722 * lightBetween(blue + channels[at + 2]! * rest);
      if (light <= from || light >= to) continue;
      short += counts[i]!;
      if (short > allowed) return false;
    }
    return true;
  };
}

/** What is asked of a colour of the part by all cases together; cases that ask the same are asked once. */
export function askedOf(cases: readonly TriedCase[], property: string): Asked {
  const distinct = [...new Map(cases.map((tried) => [caseKey(tried), tried])).values()];
  const whatIf = distinct.map((tried) => trialOf(tried, property));
  return {
    passes: (colour) => whatIf.every((trial) => trial.passes(colour)),
    short: whatIf.flatMap(({ short }) => short),
  };
}

/** The same for cases that paint and ask the same. */
function caseKey({ text, needed, takesColour, onGround, strict }: TriedCase): string {
  const { scene, areas, halo } = text;
  const places = areas.map(({ x, y, width, height }) => `${x},${y},${width},${height}`).join(';');
  return `${needed} ${takesColour} ${onGround} ${strict} ${places} ${halo ? caseNumber(text) : ''} ${nodesText(scene.nodes)}`;
}

let cases = 0;
const caseNumber = once((_text: TextCase) => ++cases);

/**
 * Measures trial colours of a part.
 *
 * @param colours CSS colours; those that cannot be read never pass
 */
export function tryColours(property: string, cases: readonly TriedCase[], colours: readonly string[]): TrackSample[] {
  return colours.map((css) => {
    const colour = parseColour(css);
    if (!colour) return { colour: TRANSPARENT, passes: false, lowest: undefined };
    let lowest: number | undefined;
    let passes = cases.length > 0;
    for (const tried of cases) {
      const found = tryIn(tried, property, colour);
      if (!found) continue;
      if (lowest === undefined || found.worst < lowest) lowest = found.worst;
      if (verdictOf(found, tried.needed) !== 'passes') passes = false;
    }
    return { colour, passes, lowest };
  });
}
