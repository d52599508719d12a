import { isDateField, isDropDown, isHtml, isInsideSvg, isSvgText } from './element-facts.js';
import type { StyleView } from './style-view.js';
import { WIDGET_DISPLAY, widgetBox } from './widget.js';
import { lookup } from '../../base/lookup.js';

/** `display` of what is taken out of the flow or laid out by a flex or grid container (CSS Display 3, section 2.7). */
const AS_BLOCK: Readonly<Record<string, string>> = lookup({
  inline: 'block',
  'inline-block': 'block',
  'inline-table': 'table',
  'inline-flex': 'flex',
  'inline-grid': 'grid',
  '-webkit-inline-box': '-webkit-box',
  'inline flow-root': 'block',
  'inline list-item': 'list-item',
  'table-row': 'block',
  'table-row-group': 'block',
  'table-header-group': 'block',
  'table-footer-group': 'block',
  'table-column': 'block',
  'table-column-group': 'block',
  'table-cell': 'block',
  'table-caption': 'block',
  ruby: 'block ruby',
  'ruby-text': 'block',
  'inline math': 'math',
});

/** Two-word values that have an older single word (CSS Display 3, section 2.6). */
const SHORT: Readonly<Record<string, string>> = lookup({
  'block flow': 'block',
  'inline flow': 'inline',
  'inline flow-root': 'inline-block',
  'block flow-root': 'flow-root',
  'inline flex': 'inline-flex',
  'block flex': 'flex',
  'inline grid': 'inline-grid',
  'block grid': 'grid',
  'inline table': 'inline-table',
  'block table': 'table',
  'inline ruby': 'ruby',
  'block flow list-item': 'list-item',
  'block list-item': 'list-item',
  'flow list-item': 'list-item',
  'list-item block': 'list-item',
  '-webkit-flex': 'flex',
  '-webkit-inline-flex': 'inline-flex',
  flow: 'block',
});

const LAYS_OUT_CHILDREN = new Set(['flex', 'inline-flex', 'grid', 'inline-grid', '-webkit-box', '-webkit-inline-box']);

/** A marker beside its item, which is never broken into lines. */
const isOutside = (style: StyleView): boolean => style.computed('list-style-position') === 'outside';

const isTakenOut = (style: StyleView): boolean =>
  ['absolute', 'fixed'].includes(style.computed('position')) || style.computed('float') !== 'none';

function adjustDisplay(style: StyleView, value: string): string {
  let display = SHORT[value] ?? value;
  if (style.drawn) display = WIDGET_DISPLAY[display] ?? display;
  if (isSvgText(style) && display === 'inline') return 'block';
  if (isHtml(style, 'legend') && display !== 'none' && display !== 'contents') return AS_BLOCK[display] ?? display;
  if (display === 'none' || display === 'contents') {
    return display === 'contents' && !style.parent ? 'block' : display;
  }
  if (style.pseudo === 'marker') return isOutside(style) ? 'inline-block' : 'inline';
  if (style.pseudo === 'first-letter' || style.pseudo === 'first-line') return display;
  if (!style.parent || isTakenOut(style) || LAYS_OUT_CHILDREN.has(style.boxParentDisplay)) {
    return AS_BLOCK[display] ?? display;
  }
  return display;
}

function adjustOverflow(style: StyleView, property: string, rawValue: string): string {
  const value = rawValue === 'overlay' ? 'auto' : rawValue;
  const other = style.declaredValue(property === 'overflow-x' ? 'overflow-y' : 'overflow-x');
  const scrolls = other !== 'visible' && other !== 'clip';
  if (!scrolls) return value;
  return value === 'visible' ? 'auto' : value === 'clip' ? 'hidden' : value;
}

/**
 * What a browser makes of a computed value because of other properties of the same element or its parent.
 * CSS Display 3, section 2.7 to 2.9; CSS Overflow 3, section 3.1; CSS 2, section 9.7.
 */
export function adjust(style: StyleView, property: string, value: string): string {
  switch (property) {
    case 'display':
      return adjustDisplay(style, value);
    case 'white-space-collapse':
      return style.pseudo === 'marker' && isOutside(style) ? 'preserve' : value;
    case 'text-wrap-mode':
      return style.pseudo === 'marker' && isOutside(style) ? 'nowrap' : value;
    case 'float':
      return ['absolute', 'fixed'].includes(style.computed('position')) ? 'none' : value;
    case 'direction':
      // Dates are written as the browser's own language has it.
      return isDateField(style) ? 'ltr' : value;
    case 'position':
      return isInsideSvg(style) ? 'static' : value;
    case 'overflow-x':
    case 'overflow-y':
      return adjustOverflow(style, property, value);
    case 'line-height':
      // A drop-down that the browser draws keeps its own height.
      return isDropDown(style) && style.computed('appearance') !== 'none' ? 'normal' : value;
    case 'text-align':
      return adjustTextAlign(style, value);
    case 'content':
      return value === 'none' && !style.pseudo
        ? 'normal'
        : value === 'normal' && /^(before|after)$/.test(style.pseudo ?? '')
          ? 'none'
          : value;
    default: {
      const drawn = style.drawn;
      return (drawn && widgetBox(drawn, property)) ?? value;
    }
  }
}

function adjustTextAlign(style: StyleView, value: string): string {
  // A table lays its own contents out afresh.
  if (value.startsWith('-webkit-') && isHtml(style, 'table')) return 'start';
  if (value === '-internal-center') {
    // A heading of a table is centred unless its surroundings are aligned by somebody.
    const inherited = style.parent?.computed('text-align') ?? 'start';
    return inherited === 'start' ? 'center' : inherited;
  }
  if (value === 'match-parent' || value === '-webkit-match-parent') {
    const inherited = style.parent?.computed('text-align') ?? 'start';
    const rtl = style.parent?.computed('direction') === 'rtl';
    if (inherited === 'start') return value === 'match-parent' && !style.parent ? 'start' : rtl ? 'right' : 'left';
    return inherited === 'end' ? (rtl ? 'left' : 'right') : inherited;
  }
  return value;
}
