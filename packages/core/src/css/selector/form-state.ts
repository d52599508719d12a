import { ancestors, descendants, type ElementNode } from '../../tree/tree.js';

/** What HTML itself says of a form control, read from attributes as in a page that nobody has touched yet. */

const FIELD = new Set(['input', 'select', 'textarea']);
/** Types of an input that take text. */
export const TEXT_LIKE = new Set(['text', 'search', 'url', 'tel', 'email', 'password', 'number']);
/** Types of an input that can be read-only. */
export const READ_ONLY_APPLIES = new Set([...TEXT_LIKE, 'date', 'month', 'week', 'time', 'datetime-local']);
const INPUT_TYPES = new Set([
  ...READ_ONLY_APPLIES,
  ...['hidden', 'range', 'color', 'checkbox', 'radio', 'file', 'submit', 'image', 'reset', 'button'],
]);

export function inputType(element: ElementNode): string {
  const type = (element.attributes.get('type') ?? '').toLowerCase();
  return INPUT_TYPES.has(type) ? type : 'text';
}

/** True for an element of HTML of one of these names. */
export const is = (element: ElementNode, ...names: string[]) =>
  element.namespace === 'html' && names.includes(element.name);
/** An element that somebody fills in or chooses from. */
export const isField = (element: ElementNode) => element.namespace === 'html' && FIELD.has(element.name);

/** WHATWG HTML 4.10.18.5: which elements may be disabled, and fieldsets that disable what they hold. */
export function canBeDisabled(element: ElementNode): boolean {
  return is(element, 'button', 'input', 'select', 'textarea', 'optgroup', 'option', 'fieldset');
}

export function isDisabled(element: ElementNode): boolean {
  if (!canBeDisabled(element)) return false;
  if (element.attributes.has('disabled')) return true;
  if (element.name === 'option') {
    return element.parent !== undefined && is(element.parent, 'optgroup') && element.parent.attributes.has('disabled');
  }
  if (element.name === 'optgroup') return false;
  let below: ElementNode = element;
  for (const node of ancestors(element)) {
    if (is(node, 'fieldset') && node.attributes.has('disabled')) {
      const firstLegend = node.children.find((child) => is(child, 'legend'));
      if (below !== firstLegend) return true;
    }
    below = node;
  }
  return false;
}

export function isLink(element: ElementNode): boolean {
  if (element.namespace === 'html') return is(element, 'a', 'area') && element.attributes.has('href');
  return element.name === 'a' && (element.attributes.has('href') || element.attributes.has('xlink:href'));
}

/** A select that shows several of its options at once (HTML, section 4.10.7). */
export function isListBox(element: ElementNode): boolean {
  if (!is(element, 'select')) return false;
  const size = /^\s*\d+/.exec(element.attributes.get('size') ?? '');
  return element.attributes.has('multiple') || (size !== null && Number(size[0]) > 1);
}

const selectOf = (option: ElementNode): ElementNode | undefined => {
  for (const node of ancestors(option)) if (is(node, 'select')) return node;
  return undefined;
};

/** The options of a select, in groups or not. */
export const optionsOf = (select: ElementNode): ElementNode[] =>
  [...descendants(select)].filter((node) => is(node, 'option'));

/** The option that a drop-down shows when none is marked: the first that is not disabled (HTML 4.10.7). */
export function isSelectedOption(option: ElementNode): boolean {
  const select = selectOf(option);
  if (!select) return option.attributes.has('selected');
  const options = optionsOf(select);
  if (select.attributes.has('multiple')) return option.attributes.has('selected');
  const marked = options.filter((node) => node.attributes.has('selected'));
  if (marked.length) return marked.at(-1) === option;
  if (Number(select.attributes.get('size') ?? '1') > 1) return false;
  return options.find((node) => !isDisabled(node)) === option;
}

export function isChecked(element: ElementNode): boolean {
  if (is(element, 'input')) {
    return ['checkbox', 'radio'].includes(inputType(element)) && element.attributes.has('checked');
  }
  return is(element, 'option') && isSelectedOption(element);
}

export const isRequired = (element: ElementNode): boolean =>
  isField(element) &&
  element.attributes.has('required') &&
  !(
    is(element, 'input') &&
    ['hidden', 'range', 'color', 'submit', 'image', 'reset', 'button'].includes(inputType(element))
  );

export const isOptional = (element: ElementNode): boolean => isField(element) && !isRequired(element);

export function isReadWrite(element: ElementNode): boolean {
  if (is(element, 'input')) {
    return READ_ONLY_APPLIES.has(inputType(element)) && !element.attributes.has('readonly') && !isDisabled(element);
  }
  if (is(element, 'textarea')) return !element.attributes.has('readonly') && !isDisabled(element);
  for (const node of [element, ...ancestors(element)]) {
    const editable = node.attributes.get('contenteditable')?.toLowerCase();
    if (editable === 'false') return false;
    if (editable === '' || editable === 'true' || editable === 'plaintext-only') return true;
  }
  return false;
}

export function isPlaceholderShown(element: ElementNode): boolean {
  if (!element.attributes.has('placeholder')) return false;
  if (is(element, 'input')) {
    return TEXT_LIKE.has(inputType(element)) && (element.attributes.get('value') ?? '') === '';
  }
  return is(element, 'textarea') && element.content.every((item) => typeof item === 'string' && item === '');
}

/** A button that sends its form. */
export const isSubmit = (element: ElementNode): boolean =>
  (is(element, 'button') && !['button', 'reset'].includes((element.attributes.get('type') ?? '').toLowerCase())) ||
  (is(element, 'input') && ['submit', 'image'].includes(inputType(element)));

const formOf = (element: ElementNode): ElementNode | undefined => {
  for (const node of ancestors(element)) if (is(node, 'form')) return node;
  return undefined;
};

export function isDefault(element: ElementNode): boolean {
  if (is(element, 'input') && ['checkbox', 'radio'].includes(inputType(element)))
    return element.attributes.has('checked');
  if (is(element, 'option')) return element.attributes.has('selected');
  if (!isSubmit(element)) return false;
  const form = formOf(element);
  if (!form) return false;
  for (const node of descendants(form)) if (isSubmit(node)) return node === element;
  return false;
}

export function isIndeterminate(element: ElementNode): boolean {
  if (is(element, 'progress')) return !element.attributes.has('value');
  if (!is(element, 'input') || inputType(element) !== 'radio') return false;
  const name = element.attributes.get('name');
  if (!name) return !isChecked(element);
  const home = formOf(element) ?? [...ancestors(element)].at(-1) ?? element;
  return ![...descendants(home)].some(
    (node) =>
      is(node, 'input') && inputType(node) === 'radio' && node.attributes.get('name') === name && isChecked(node),
  );
}
