import { lengthToPx, type LengthBasis } from './length.js';

/** Absolute sizes for a medium of 16 px (CSS Fonts 4, section 2.5.1). */
const SIZES: Readonly<Record<string, number>> = {
  'xx-small': 9,
  'x-small': 10,
  small: 13,
  medium: 16,
  large: 18,
  'x-large': 24,
  'xx-large': 32,
  'xxx-large': 48,
};

/** Font size in pixels; `basis.em` and `basis.percent` are the parent's size. */
export function fontSizeToPx(text: string, basis: LengthBasis): number | undefined {
  const word = text.toLowerCase();
  if (SIZES[word] !== undefined) return SIZES[word];
  if (word === 'larger') return basis.em * 1.2;
  if (word === 'smaller') return basis.em / 1.2;
  return lengthToPx(text, { ...basis, percent: basis.em });
}

/** Font weight as a number; `bolder` and `lighter` step as CSS Fonts 4, section 2.2.1 gives. */
export function fontWeight(text: string, parent: number): number | undefined {
  switch (text.toLowerCase()) {
    case 'normal':
      return 400;
    case 'bold':
      return 700;
    case 'bolder':
      return parent < 350 ? 400 : parent < 550 ? 700 : parent < 900 ? 900 : parent;
    case 'lighter':
      return parent < 100 ? parent : parent < 550 ? 100 : parent < 750 ? 400 : 700;
    default: {
      const value = Number(text);
      return Number.isFinite(value) && value >= 1 && value <= 1000 ? value : undefined;
    }
  }
}
