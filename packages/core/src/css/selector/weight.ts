import type { CssNode, SelectorList } from 'css-tree';
import { parse } from '../syntax/parser.js';
import { onceForText } from '../../memo/once.js';
import { compileText } from './match.js';
import { compareSpecificity, type Specificity } from './specificity.js';

/** The weight of one selector that reaches what a list reaches: a list is put into :is(), which takes its strongest. */
export function asOneSelector(text: string): { text: string; specificity: Specificity } {
  const list = compileText(text);
  // As it was written, which reads easier than what a printer makes of it.
  if (list.length === 1) return { text: text.trim(), specificity: list[0]!.specificity };
  const one = `:is(${list.map((selector) => selector.text).join(', ')})`;
  return { text: one, specificity: compileText(one)[0]!.specificity };
}

const startsAtRoot = onceForText((text: string): boolean => {
  const ast = parse(text, { context: 'selectorList' }) as SelectorList;
  const first = (ast.children.first as CssNode & { children: { first: CssNode } }).children.first;
  return (
    (first.type === 'TypeSelector' && first.name.toLowerCase() === 'html') ||
    (first.type === 'PseudoClassSelector' && ['root', 'is', 'where'].includes(first.name.toLowerCase()))
  );
});

/**
 * Raises a selector's specificity to at least `needed` and no further than it must, without changing what it matches.
 * Classes are gained by `:root` before it; ids by a `:not()` that excludes nothing.
 *
 * @param without where `root` may not be used, classes too are gained by a `:not()`: Chromium takes no state of a
 * scrollbar's part for true behind a selector that names the root
 */
export function raiseTo(text: string, needed: Specificity, without: 'root' | undefined = undefined): string {
  const base = asOneSelector(text);
  const short = (candidate: string) => compareSpecificity(compileText(candidate)[0]!.specificity, needed) < 0;
  if (compareSpecificity(base.specificity, needed) >= 0) return base.text;
  const atRoot = startsAtRoot(base.text);
  const [ids, classes] = base.specificity;
  const missingIds = Math.max(0, needed[0] - ids);
  const never = missingIds ? `:not(${'#_'.repeat(missingIds)})` : '';
  const build = (roots: number): string => {
    if (without === 'root') return `${base.text}${never}${':not(._)'.repeat(roots)}`;
    if (atRoot)
      return base.text.replace(/^(html|:root|:(?:is|where)\([^)]*\))?/i, `$1${never}${':not(._)'.repeat(roots)}`);
    return `${':root'.repeat(Math.max(1, roots))}${never} ${base.text}`;
  };
  if (!missingIds && !atRoot && !without) {
    const byTag = `html ${base.text}`;
    if (!short(byTag)) return byTag;
  }
  const most = needed[1] + 2 + classes;
  for (let roots = atRoot || without ? 0 : 1; roots <= most; roots++) {
    const candidate = build(roots);
    if (!short(candidate)) return candidate;
  }
  return build(most);
}

export const specificityOf = (text: string): Specificity => compileText(text)[0]!.specificity;
