import { selfAndAncestors, textOf, type ElementNode } from '../../tree/tree.js';

function languageOf(element: ElementNode): string {
  for (const node of selfAndAncestors(element)) {
    const language = node.attributes.get('lang') ?? node.attributes.get('xml:lang');
    if (language !== undefined) return language.toLowerCase();
  }
  return '';
}

/** Extended filtering of RFC 4647, section 3.3.2, as Selectors 4 asks for :lang(). */
export function matchesLanguage(element: ElementNode, ranges: readonly string[]): boolean {
  const tag = languageOf(element);
  return ranges.some((range) => {
    if (range === '') return tag === '';
    if (tag === '') return false;
    const wanted = range.toLowerCase().split('-');
    const have = tag.split('-');
    if (wanted[0] !== '*' && wanted[0] !== have[0]) return false;
    let at = 1;
    for (const part of wanted.slice(1)) {
      if (part === '*') continue;
      while (at < have.length && have[at] !== part) {
        if (have[at]!.length === 1) return false;
        at++;
      }
      if (at++ >= have.length) return false;
    }
    return true;
  });
}

/** Letters of right-to-left scripts; digits and marks decide nothing. */
const RTL = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u;
const LTR = /\p{L}/u;

/** HTML's directionality (WHATWG HTML, section 3.2.6.4). */
export function directionOf(element: ElementNode): 'ltr' | 'rtl' {
  for (const node of selfAndAncestors(element)) {
    const dir = node.attributes.get('dir')?.toLowerCase();
    if (dir === 'ltr' || dir === 'rtl') return dir;
    if (dir === 'auto' || (dir === undefined && node.name === 'bdi')) {
      for (const character of textOf(node)) {
        if (RTL.test(character)) return 'rtl';
        if (LTR.test(character)) return 'ltr';
      }
      return 'ltr';
    }
  }
  return 'ltr';
}

export const matchesDirection = (element: ElementNode, direction: string): boolean =>
  directionOf(element) === direction;
