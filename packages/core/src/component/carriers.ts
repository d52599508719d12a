import { ident } from 'css-tree';
import { canBeDisabled, inputType, isDisabled, isField, isPlaceholderShown } from '../css/selector/form-state.js';
import { bitOf, CARRIED_ATOMS, INVALID, type CarriedAtom, type StateBits } from '../css/selector/states.js';
import type { MarkupChange } from '../page/stage.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import { lookup } from '../base/lookup.js';

/** How the markup of one element says that it is in a state. */
export interface StateCarrier {
  readonly atom: CarriedAtom;
  /** What an element in the state matches; a compound, or one with a parent. */
  readonly selector: string;
  readonly holds: (element: ElementNode) => boolean;
  /** What to change so that the state holds, or does not. */
  readonly put: (element: ElementNode, on: boolean) => readonly MarkupChange[];
}

const CURRENT_CLASS =
  /^(is[-_])?(current|active|selected)$|(^|[-_])(current|active|selected)([-_](page|item|link|tab))?$|^current[-_]/i;
/** Classes that say what state an element is in, so that they do not tell which element it is. */
export const isStateClass = (name: string): boolean =>
  CURRENT_CLASS.test(name) ||
  /^(is[-_]|has[-_])?(disabled|open|opened|show|shown|collapsed|expanded|checked|invalid|valid|error|focus|hover)$/i.test(
    name,
  );

const CHECKABLE = new Set(['checkbox', 'radio']);
const CHECKED_ROLES = new Set(['switch', 'checkbox', 'radio', 'menuitemcheckbox', 'menuitemradio']);

const attribute = (atom: CarriedAtom, name: string, value: string): StateCarrier => ({
  atom,
  selector: `[${name}="${value}"]`,
  holds: (element) => element.attributes.get(name) === value,
  put: (element, on) => [{ order: element.order, name, value: on ? value : undefined }],
});

/** ARIA states that are written out when they do not hold. */
const ariaState = (atom: CarriedAtom, name: string): StateCarrier => ({
  ...attribute(atom, name, 'true'),
  put: (element, on) => [{ order: element.order, name, value: on ? 'true' : 'false' }],
});

const withClass = (element: ElementNode, name: string, on: boolean): MarkupChange => {
  const classes = element.classes.filter((own) => own !== name);
  if (on) classes.push(name);
  return { order: element.order, name: 'class', value: classes.length ? classes.join(' ') : undefined };
};

const byClass = (name: string, onParent: boolean): StateCarrier => {
  const target = (element: ElementNode) => (onParent ? element.parent : element);
  const selector = `.${ident.encode(name)}`;
  return {
    atom: 'current',
    selector: onParent ? `${selector} > *` : selector,
    holds: (element) => target(element)?.classes.includes(name) ?? false,
    put: (element, on) => {
      const node = target(element);
      return node ? [withClass(node, name, on)] : [];
    },
  };
};

/** Several marks of one state that a site puts on together. */
const together = (carriers: readonly StateCarrier[]): StateCarrier => ({
  ...carriers[0]!,
  holds: (element) => carriers.some((carrier) => carrier.holds(element)),
  put: (element, on) => carriers.flatMap((carrier) => carrier.put(element, on)),
});

/** How this site marks which of several is the current one: by an attribute, a class on it or on its item, or by both. */
function currentCarrier(element: ElementNode, like: readonly ElementNode[]): StateCarrier | undefined {
  if (element.attributes.get('role') === 'tab') return ariaState('current', 'aria-selected');
  const marks: StateCarrier[] = [];
  const marked = like.find((other) => (other.attributes.get('aria-current') ?? 'false') !== 'false');
  if (marked) marks.push(attribute('current', 'aria-current', marked.attributes.get('aria-current')!));
  const classMark = currentClass(like);
  if (classMark) marks.push(classMark);
  return marks.length ? together(marks) : attribute('current', 'aria-current', 'page');
}

function currentClass(like: readonly ElementNode[]): StateCarrier | undefined {
  for (const other of like) {
    const own = other.classes.find((name) => CURRENT_CLASS.test(name));
    if (own && like.some((one) => !one.classes.includes(own))) return byClass(own, false);
    const outer =
      other.parent?.name === 'li' ? other.parent.classes.find((name) => CURRENT_CLASS.test(name)) : undefined;
    if (outer) return byClass(outer, true);
  }
  return undefined;
}

/** Fieldsets around a control that disable what they hold. */
const disablingAround = (element: ElementNode): ElementNode[] =>
  [...ancestors(element)].filter((node) => node.name === 'fieldset' && node.attributes.has('disabled'));

const DISABLED: StateCarrier = {
  atom: 'disabled',
  selector: ':disabled',
  holds: isDisabled,
  put: (element, on) =>
    on
      ? [{ order: element.order, name: 'disabled', value: '' }]
      : [element, ...disablingAround(element)].map(({ order }) => ({ order, name: 'disabled', value: undefined })),
};

/** An attribute that is there or not, whatever it holds. */
const flag = (atom: CarriedAtom, name: string, selector: string): StateCarrier => ({
  atom,
  selector,
  holds: (element) => element.attributes.has(name),
  put: (element, on) => [{ order: element.order, name, value: on ? '' : undefined }],
});

const CHECKED = flag('checked', 'checked', ':checked');
const OPEN = flag('expanded', 'open', '[open]');

const OPEN_PARENT: StateCarrier = {
  atom: 'expanded',
  selector: `${OPEN.selector} > *`,
  holds: (element) => element.parent !== undefined && OPEN.holds(element.parent),
  put: (element, on) => (element.parent ? OPEN.put(element.parent, on) : []),
};

const INVALID_FIELD: StateCarrier = {
  ...attribute('invalid', 'aria-invalid', 'true'),
  selector: ':is(:user-invalid, [aria-invalid="true"])',
};

/** Something that a field of its type could hold, so that it counts as filled. */
const SAMPLE: Readonly<Record<string, string>> = lookup({
  email: 'ada@example.org',
  url: 'https://example.org/',
  tel: '01234 567890',
  number: '2',
});

const FILLED: StateCarrier = {
  atom: 'filled',
  // A field without a placeholder shows none, empty or not, so it cannot be told whether it is filled.
  selector: '[placeholder]:not(:placeholder-shown)',
  holds: (element) => !isPlaceholderShown(element),
  put: (element, on) => [
    {
      order: element.order,
      name: element.name === 'textarea' ? '#text' : 'value',
      value: on ? (SAMPLE[inputType(element)] ?? 'Marram') : element.name === 'textarea' ? '' : undefined,
    },
  ],
};

/**
 * How an element carries a state; undefined when it cannot be in it.
 *
 * @param like the other elements of its part, which show how this site marks one of them
 */
export function carrierFor(
  atom: CarriedAtom,
  element: ElementNode,
  like: readonly ElementNode[] = [element],
): StateCarrier | undefined {
  const role = element.attributes.get('role') ?? '';
  switch (atom) {
    case 'disabled':
      return canBeDisabled(element) ? DISABLED : attribute('disabled', 'aria-disabled', 'true');
    case 'checked':
      if (element.name === 'input' && CHECKABLE.has(inputType(element))) return CHECKED;
      return CHECKED_ROLES.has(role) ? ariaState('checked', 'aria-checked') : undefined;
    case 'expanded':
      if (element.attributes.has('aria-expanded')) return ariaState('expanded', 'aria-expanded');
      if (element.name === 'summary') return OPEN_PARENT;
      return element.name === 'details' || element.name === 'dialog' ? OPEN : undefined;
    case 'invalid':
      return isField(element) ? INVALID_FIELD : undefined;
    case 'filled':
      return element.attributes.has('placeholder') && isField(element) ? FILLED : undefined;
    case 'current':
      return currentCarrier(element, like);
  }
}

/** The carried states of one element: which there are, which hold, and what brings a set of them about. */
export class CarriedStates {
  private readonly carriers = new Map<CarriedAtom, StateCarrier>();
  /** All atoms that the element can be put into. */
  readonly possible: StateBits;
  /** The atoms that hold as the page has it. */
  readonly atRest: StateBits;

  constructor(
    readonly element: ElementNode,
    like: readonly ElementNode[],
    atoms: readonly CarriedAtom[] = CARRIED_ATOMS,
  ) {
    let [possible, atRest] = [0, 0];
    for (const atom of atoms) {
      const carrier = carrierFor(atom, element, like);
      if (!carrier) continue;
      this.carriers.set(atom, carrier);
      possible |= bitOf(atom);
      if (carrier.holds(element)) atRest |= bitOf(atom);
    }
    this.possible = possible;
    this.atRest = atRest;
  }

  selector(atom: CarriedAtom): string | undefined {
    return this.carriers.get(atom)?.selector;
  }

  /** Changes that leave the element in exactly these atoms; none where the page has it so. */
  changesFor(bits: StateBits): MarkupChange[] {
    const changes: MarkupChange[] = [];
    const rest = this.atRest;
    for (const [atom, carrier] of this.carriers) {
      const bit = bitOf(atom);
      if ((bits & bit) !== (rest & bit)) changes.push(...carrier.put(this.element, (bits & bit) !== 0));
    }
    return changes;
  }

  /** What is left of a set once the markup carries its part: pointer and keyboard, and what no markup makes true. */
  static remaining(bits: StateBits, carried: StateBits): StateBits {
    return bits & ~(carried & ~INVALID);
  }
}
