import { selfAndAncestors, type ElementNode } from '../tree/tree.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import type { Looking } from '../paint/scene.js';
import type { Check, Level } from './check.js';
import { partCarriers } from './text-case.js';
import { checkText, worstOf } from './text.js';

/** What of an element, or of what holds it, changes what is seen of a text. */
const PAINTS = [
  'color',
  '-webkit-text-fill-color',
  'background-color',
  'background-image',
  'opacity',
  'filter',
  'mix-blend-mode',
] as const;

/** An element in one view of its page. */
export interface SeenElement {
  readonly view: StyledPage;
  readonly looking: Looking;
  readonly element: ElementNode;
}

function isRepainted(rest: StyledPage, other: StyledPage, element: ElementNode, there: ElementNode): boolean {
  const [own, same] = [[...selfAndAncestors(element)], [...selfAndAncestors(there)]];
  return own.some((node, i) => {
    const [before, now] = [rest.of(node), other.of(same[i]!)];
    return before !== now && PAINTS.some((property) => before.text(property) !== now.text(property));
  });
}

/** Whether anything of an element's texts is painted otherwise while another is pointed at. */
export const changesBeside = (rest: SeenElement, beside: SeenElement): boolean =>
  carriersIn(rest, beside).some(([carrier, there]) => isRepainted(rest.view, beside.view, carrier, there));

/** What holds text, in both views. */
function carriersIn(rest: SeenElement, beside: SeenElement): (readonly [ElementNode, ElementNode])[] {
  const there = partCarriers(beside.element);
  return partCarriers(rest.element).flatMap((carrier, i) => (there[i] ? [[carrier, there[i]] as const] : []));
}

/**
 * The text of an element while another of its sort is pointed at, as where a site fades all others then (WCAG 2.2, 1.4.3,
 * asks as much of it in any state). The worst of its texts speaks.
 *
 * @param rest as it stands at rest
 * @param beside the same element while the other is pointed at
 * @returns undefined where that changes nothing of it
 */
export function checkBeside(rest: SeenElement, beside: SeenElement, level: Level): Check | undefined {
  const checks = carriersIn(rest, beside).flatMap(([carrier, there]) =>
    isRepainted(rest.view, beside.view, carrier, there) ? [checkText(beside.looking, there, level)] : [],
  );
  // What is closed or away while another is pointed at is not read then.
  return worstOf(checks.filter(({ verdict }) => verdict !== 'unseen'));
}
