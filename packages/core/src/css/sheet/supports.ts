import { generate, lexer, type CssNode } from 'css-tree';
import { expandDeclaration, needsSubstitution } from './declaration.js';
import { canonicalName } from '../property/names.js';
import { PROPERTIES } from '../property/table.js';
import { compileText } from '../selector/match.js';
import { SHORTHANDS } from '../shorthand/index.js';

const listOf = (node: CssNode): CssNode[] =>
  'children' in node && node.children ? (node.children as unknown as { toArray(): CssNode[] }).toArray() : [];

/** Prefixed properties that Chromium does not know. */
const FOREIGN = /^-(moz|ms|o|khtml|apple)-/i;

const KNOWN_PREFIXED = /^-webkit-/i;

function supportsDeclaration(property: string, text: string): boolean {
  if (property.startsWith('--')) return true;
  if (FOREIGN.test(property)) return false;
  const name = canonicalName(property);
  const known = PROPERTIES.has(name) || SHORTHANDS.has(name) || lexer.getProperty(name) !== null;
  if (!known && !KNOWN_PREFIXED.test(name)) return false;
  if (needsSubstitution(text)) return known;
  return expandDeclaration(property, text, false, { sheet: '', line: 1, column: 1 }).length > 0;
}

/** CSS Conditional 4, section 6: what a current Chromium supports, judged by the grammar of the property. */
export function supports(node: CssNode | undefined): boolean {
  if (!node) return false;
  if (node.type === 'Condition') {
    let result: boolean | undefined;
    let joiner = 'and';
    let negate = false;
    for (const item of listOf(node)) {
      if (item.type === 'Identifier') {
        if (item.name.toLowerCase() === 'not') negate = true;
        else joiner = item.name.toLowerCase();
        continue;
      }
      const value = supports(item) !== negate;
      negate = false;
      result = result === undefined ? value : joiner === 'or' ? result || value : result && value;
    }
    return result ?? false;
  }
  const loose = node as unknown as { type: string; declaration?: CssNode; feature?: string; value?: CssNode };
  if (loose.type === 'SupportsDeclaration' && loose.declaration) return supports(loose.declaration);
  if (node.type === 'Declaration') return supportsDeclaration(node.property, generate(node.value).trim());
  if (loose.type === 'FeatureFunction' && loose.value) {
    const feature = loose.feature?.toLowerCase();
    if (feature === 'selector') {
      try {
        compileText(generate(loose.value));
        return true;
      } catch {
        return false;
      }
    }
    if (feature === 'font-tech' || feature === 'font-format') return true;
  }
  return false;
}
