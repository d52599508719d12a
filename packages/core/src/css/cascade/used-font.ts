import { parseValue } from '../sheet/declaration.js';
import type { FontMetrics, FontMetricsTable, ValueContext } from '../values/context.js';
import { adjustForFamily, MEDIUM, readFontSize, type FontSize } from '../values/font.js';
import { splitTopLevel } from '../values/split.js';
import type { SourceStyle } from './style-source.js';

/** Metrics of the first family of a list that has any. */
export function metricsOf(families: string, fonts: FontMetricsTable): FontMetrics | undefined {
  for (const family of splitTopLevel(families)) {
    const found = fonts[family.replace(/^"|"$/g, '').toLowerCase()];
    if (found) return found;
  }
  return undefined;
}

/** Pixels of a line; undefined when only the font knows it. */
export function lineHeightOf(style: SourceStyle): number | undefined {
  const value = style.computed('line-height');
  if (value === 'normal') {
    const metrics = style.metrics;
    return metrics && metrics.normalLineHeight * style.fontSize;
  }
  return value.endsWith('px') ? Number.parseFloat(value) : Number(value) * style.fontSize;
}

/** The scheme that colours are painted in (CSS Color Adjustment 1, section 2.2). */
export function schemeOf(colorScheme: string, preferred: 'light' | 'dark'): 'light' | 'dark' {
  const words = colorScheme.split(/\s+/);
  if (words.includes(preferred)) return preferred;
  return words.includes('dark') && !words.includes('light') ? 'dark' : 'light';
}

/** What the size of a font is read from. */
interface SizeOf {
  /** The text that is specified; undefined where none is. */
  readonly declared: string | undefined;
  readonly parent: FontSize;
  readonly wasMonospace: boolean;
  readonly isMonospace: boolean;
  /** What relative sizes refer to. */
  readonly context: () => ValueContext;
}

/** The font size with what browsers remember of it. */
export function sizeOf({ declared, parent, wasMonospace, isMonospace, context }: SizeOf): FontSize {
  const inherits =
    declared === undefined || declared === 'inherit' || declared === 'unset' || declared.startsWith('revert');
  let size = parent;
  if (declared === 'initial') size = MEDIUM;
  else if (!inherits) {
    const value = parseValue(declared);
    size = (value && readFontSize(value.children.toArray(), parent, isMonospace, context())) ?? parent;
  }
  return adjustForFamily(size, wasMonospace, isMonospace);
}
