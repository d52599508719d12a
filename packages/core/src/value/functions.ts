import { byComma } from '../css/values/split.js';
import { printTerms } from './print.js';
import { readTerms } from './terms.js';

/** One function of a list such as `filter` or `transform`; arguments are CSS text. */
export interface ValueFunction {
  readonly name: string;
  readonly given: readonly string[];
}

/** What a function of a list is about: what it is called, and what one that is added starts with. */
export interface FunctionInfo {
  readonly name: string;
  readonly label: string;
  readonly start: readonly string[];
  /** What each argument is; one for each of `start`. */
  readonly about: readonly string[];
}

/** Filter Effects 1, section 6. */
export const FILTER_FUNCTIONS: readonly FunctionInfo[] = [
  { name: 'brightness', label: 'Brightness', start: ['110%'], about: ['Amount'] },
  { name: 'contrast', label: 'Contrast', start: ['110%'], about: ['Amount'] },
  { name: 'saturate', label: 'Saturation', start: ['120%'], about: ['Amount'] },
  { name: 'grayscale', label: 'Grey', start: ['100%'], about: ['Amount'] },
  { name: 'sepia', label: 'Sepia', start: ['40%'], about: ['Amount'] },
  { name: 'hue-rotate', label: 'Hue', start: ['30deg'], about: ['Angle'] },
  { name: 'invert', label: 'Inverted', start: ['100%'], about: ['Amount'] },
  { name: 'opacity', label: 'Opacity', start: ['80%'], about: ['Amount'] },
  { name: 'blur', label: 'Blur', start: ['4px'], about: ['Radius'] },
  { name: 'drop-shadow', label: 'Shadow of its outline', start: ['0 2px 4px rgb(0 0 0 / 30%)'], about: ['Shadow'] },
];

/** CSS Transforms 2, section 12. */
export const TRANSFORM_FUNCTIONS: readonly FunctionInfo[] = [
  { name: 'translate', label: 'Move', start: ['0px', '-2px'], about: ['Across', 'Down'] },
  { name: 'scale', label: 'Scale', start: ['1.03'], about: ['Factor'] },
  { name: 'rotate', label: 'Turn', start: ['2deg'], about: ['Angle'] },
  { name: 'skew', label: 'Slant', start: ['4deg', '0deg'], about: ['Across', 'Down'] },
  { name: 'perspective', label: 'Perspective', start: ['600px'], about: ['Distance'] },
  { name: 'rotateX', label: 'Tilt back', start: ['8deg'], about: ['Angle'] },
  { name: 'rotateY', label: 'Tilt sideways', start: ['8deg'], about: ['Angle'] },
];

/**
 * The functions of a list in their order; none for `none`.
 *
 * @returns undefined for what is no list of functions
 */
export function readFunctions(text: string): ValueFunction[] | undefined {
  const nodes = readTerms(text);
  if (!nodes?.length) return nodes && [];
  const functions = nodes.map((node): ValueFunction | undefined => {
    if (node.type === 'Url') return { name: 'url', given: [`"${node.value}"`] };
    if (node.type !== 'Function') return undefined;
    const inner = node.children.toArray();
    return { name: node.name, given: inner.length ? byComma(inner).map((part) => printTerms(part).trim()) : [] };
  });
  return functions.every((item) => item !== undefined) ? functions : undefined;
}

/** @returns `none` for an empty list */
export const printFunctions = (functions: readonly ValueFunction[]): string =>
  functions.length ? functions.map(({ name, given }) => `${name}(${given.join(', ')})`).join(' ') : 'none';
