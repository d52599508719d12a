import { printNumber } from '../../base/number.js';
import type { PropertyInfo } from '../property/table.js';
import { splitTopLevel } from '../values/split.js';
import type { SourceStyle } from './style-source.js';

const MAX_LINE_LAYERS = 64;

/** A computed value as CSSOM resolves it, section 9; what only layout knows stays as it is. */
export function resolvedValue(style: SourceStyle, info: PropertyInfo, value: string): string {
  if (value === 'currentcolor') return info.name === 'color' ? value : style.text('color');
  switch (info.resolve) {
    case 'caret':
      return value === 'auto' ? style.text('color') : value;
    case 'line-height':
      return value === 'normal' || value.endsWith('px') ? value : `${printNumber(Number(value) * style.fontSize)}px`;
    case 'border-width': {
      const line = style.computed(info.styleName!);
      return line === 'none' || line === 'hidden' ? '0px' : value;
    }
    case 'layers':
      return perLayer(style, info.name, value);
    default:
      return value;
  }
}

/** Lists beside a list of pictures are cut or repeated to its length (CSS Backgrounds 3, section 2.1). */
function perLayer(style: SourceStyle, property: string, value: string): string {
  const images = style.computed(property.startsWith('mask') ? 'mask-image' : 'background-image');
  const layers = Math.min(MAX_LINE_LAYERS, splitTopLevel(images).length);
  const own = splitTopLevel(value);
  if (own.length === layers) return value;
  return Array.from({ length: layers }, (_, i) => own[i % own.length]).join(', ');
}
