import { descendants, textOf, type ElementNode } from '../../tree/tree.js';
import {
  inputType,
  is,
  isChecked,
  isDisabled,
  isIndeterminate,
  isRequired,
  isSelectedOption,
  isSubmit,
  optionsOf,
  READ_ONLY_APPLIES,
  TEXT_LIKE,
} from './form-state.js';
import { matchesPattern } from './pattern.js';

const EMAIL =
  /^[a-zA-Z0-9.!#$%&'*+/=?^_`{|}~-]+@[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?(?:\.[a-zA-Z0-9](?:[a-zA-Z0-9-]{0,61}[a-zA-Z0-9])?)*$/;

const willValidate = (element: ElementNode): boolean => {
  if (isDisabled(element)) return false;
  if (is(element, 'textarea')) return !element.attributes.has('readonly');
  if (is(element, 'select')) return true;
  if (is(element, 'button')) return isSubmit(element);
  if (!is(element, 'input')) return false;
  const type = inputType(element);
  if (['hidden', 'reset', 'button'].includes(type)) return false;
  return !(element.attributes.has('readonly') && READ_ONLY_APPLIES.has(type));
};

/** Validity of the value that the markup gives (HTML 4.10.20.1); undefined where validity does not apply. */
export function validity(element: ElementNode): boolean | undefined {
  if (is(element, 'form', 'fieldset')) {
    return ![...descendants(element)].some((node) => isControl(node) && validity(node) === false);
  }
  if (!willValidate(element)) return undefined;
  if (is(element, 'select')) {
    if (!isRequired(element)) return true;
    return optionsOf(element).some(
      (option) => isSelectedOption(option) && (option.attributes.get('value') ?? textOf(option)) !== '',
    );
  }
  if (is(element, 'textarea')) return !isRequired(element) || textOf(element) !== '';
  if (!is(element, 'input')) return true;
  return inputValidity(element);
}

const isControl = (element: ElementNode) => is(element, 'input', 'select', 'textarea', 'button');

function inputValidity(element: ElementNode): boolean {
  const type = inputType(element);
  if (type === 'checkbox') return !isRequired(element) || isChecked(element);
  if (type === 'radio') return !isRequired(element) || !isIndeterminate(element);
  const value = element.attributes.get('value') ?? '';
  if (value === '') return !(isRequired(element) && type !== 'range' && type !== 'color');
  if (type === 'email') {
    const list = element.attributes.has('multiple') ? value.split(',').map((item) => item.trim()) : [value.trim()];
    if (!list.every((item) => EMAIL.test(item))) return false;
  }
  if (type === 'url' && !/^[a-z][a-z0-9+.-]*:\S+$/i.test(value.trim())) return false;
  const pattern = element.attributes.get('pattern');
  if (pattern !== undefined && TEXT_LIKE.has(type) && type !== 'number' && matchesPattern(pattern, value) === false)
    return false;
  if (type === 'number' || type === 'range') return numberInRange(element, value, type);
  return true;
}

function numberInRange(element: ElementNode, value: string, type: string): boolean {
  const number = Number(value);
  // A value that is no number is sanitised away, and a range is clamped, so neither is invalid.
  if (!Number.isFinite(number) || type === 'range') return true;
  const bound = (name: string) => {
    const text = element.attributes.get(name);
    return text === undefined || text === '' || Number.isNaN(Number(text)) ? undefined : Number(text);
  };
  const min = bound('min');
  const max = bound('max');
  if ((min !== undefined && number < min) || (max !== undefined && number > max)) return false;
  if (element.attributes.get('step')?.toLowerCase() === 'any') return true;
  const step = bound('step') && bound('step')! > 0 ? bound('step')! : 1;
  const steps = (number - (min ?? 0)) / step;
  return Math.abs(steps - Math.round(steps)) < 1e-9;
}
