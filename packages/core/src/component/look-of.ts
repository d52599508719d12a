import { forceStates } from '../css/selector/forced.js';
import { bitOf } from '../css/selector/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { PageStyles } from '../css/cascade/page-styles.js';
import { descendants, type ElementNode } from '../tree/tree.js';
import { textLength } from './shape.js';

const OF_TEXT = ['color', 'text-decoration-line', 'background-color', 'background-image'];
const OF_BOX = [
  'border-top-color',
  'border-top-width',
  'border-top-style',
  'border-top-left-radius',
  'padding-left',
  'padding-top',
  'text-transform',
];

const said = (style: ElementStyle, properties: readonly string[]): string =>
  properties.map((property) => style.text(property)).join();

/** What a person sees of a button or a link, at rest and under the pointer, as text: what looks alike says the same. */
export function lookOf(element: ElementNode, styles: PageStyles, isButton: boolean): string {
  // A line under its words is not what a button is known by.
  const ofText = isButton ? OF_TEXT.filter((name) => name !== 'text-decoration-line') : OF_TEXT;
  const rest = styles.at().of(element);
  const pointed = styles.at(forceStates([[element, bitOf('hover')]])).of(element);
  const isPicture =
    !textLength(element) && [...descendants(element)].some(({ name }) => name === 'img' || name === 'svg');
  return [said(rest, [...ofText, ...OF_BOX]), said(pointed, ofText), isPicture ? 'picture' : ''].join('|');
}
