import { lexer } from 'css-tree';
import { parseValue } from '../sheet/declaration.js';
import type { RegisteredProperty } from '../sheet/sheet.js';
import type { ValueContext } from '../values/context.js';
import { computeTerms } from '../values/terms.js';

const UNIVERSAL = '*';

const COLOUR_SYNTAX = /<color>|<image>/;

/**
 * The computed value of a registered custom property.
 *
 * @returns undefined when the value does not fit the property's syntax
 */
export function computeRegistered(
  registered: RegisteredProperty,
  text: string,
  context: ValueContext,
): string | undefined {
  if (registered.syntax === UNIVERSAL) return text;
  const value = parseValue(text);
  if (!value) return undefined;
  try {
    if (lexer.match(registered.syntax, value).error) return undefined;
  } catch {
    return undefined;
  }
  return computeTerms(value.children.toArray(), context, {
    keepCase: true,
    colours: COLOUR_SYNTAX.test(registered.syntax),
    numberUnit: /<length|<length-percentage/.test(registered.syntax) && text.trim() === '0' ? 'px' : '',
  });
}
