// How well components are found: those that a person named against those that the core finds.
import { ancestors, selectAll, textOf } from '../../packages/core/dist/index.js';

/** Shares of two lists of elements that must be in the other for them to be the same thing. */
const ENOUGH = 0.8;

/** True for two roots of one thing: the same element, or one around the other with nothing more to say. */
function isSame(a, b) {
  if (a === b) return true;
  const [outer, inner] = [...ancestors(b)].includes(a) ? [a, b] : [...ancestors(a)].includes(b) ? [b, a] : [];
  return outer !== undefined && textOf(outer) === textOf(inner);
}

const overlap = (some, others) => some.filter((one) => others.some((other) => isSame(one, other))).length / some.length;

const kindsOf = ({ kind }) => kind.split(' ');

function isMatch(tree, found, label) {
  if (!kindsOf(label).includes(found.kind)) return false;
  const own = found.elements.map((order) => tree.elements[order]);
  return label.choices.some((elements) => overlap(elements, own) >= ENOUGH && overlap(own, elements) >= ENOUGH);
}

/** Part of a label by itself, such as one of several lists that were found one by one: right, and not all of it. */
function isPiece(tree, found, label) {
  if (!kindsOf(label).includes(found.kind)) return false;
  const own = found.elements.map((order) => tree.elements[order]);
  return label.choices.some((elements) => overlap(own, elements) >= ENOUGH);
}

/**
 * @param page a PageSession
 * @param labels of the page: what must be found (`components`) and what may be (`also`), by selectors of the page as it
 *   is shipped
 * @param elementsAt gives the elements of such a selector
 */
export function score(page, { components, also = [] }, elementsAt = (selector) => selectAll(page.tree, selector)) {
  const { tree } = page;
  // Either of several is right, where a person might name either.
  const read = (label) => ({
    ...label,
    choices: [label.at]
      .flat()
      .map(elementsAt)
      .filter((elements) => elements.length),
  });
  const wanted = components.map(read);
  const allowed = also.map(read);
  const found = page.components().filter(({ elements }) => !elements.includes(0));
  const missed = wanted.filter(
    (label) => !found.some((one) => isMatch(tree, one, label)) && !isCovered(tree, found, label),
  );
  const wrong = found.filter((one) => ![...wanted, ...allowed].some((label) => isPiece(tree, one, label)));
  return {
    wanted: wanted.length,
    found: found.length,
    missed: missed.map(({ kind, at, choices }) => `${kind} at ${at} (${choices[0]?.length ?? 0})`),
    wrong: wrong.map(({ kind, selector, elements }) => `${kind} ${selector} (${elements.length})`),
  };
}

/** Lists of links that stand apart may be found one by one, as long as all of them are. */
function isCovered(tree, found, label) {
  const pieces = found.filter((one) => one.kind === 'link-list' && isPiece(tree, one, label));
  if (pieces.length < 2 || pieces.length > 4) return false;
  const all = pieces.flatMap(({ elements }) => elements.map((order) => tree.elements[order]));
  return label.choices.some((elements) => overlap(elements, all) >= ENOUGH);
}
