import { parseColour } from '../colour/parse.js';
import { comment } from './print.js';

/** What the standard properties can say of a scrollbar: two colours and whether it is thin (CSS Scrollbars 1). */
export interface ScrollbarLook {
  readonly selector: string;
  readonly thumb: string | undefined;
  readonly track: string | undefined;
  /** Width of the bar as CSS text. */
  readonly width: string | undefined;
}

/** Narrower than this, in CSS pixels, counts as thin. */
const THIN = 12;

/**
 * The standard properties for browsers that do not know the older pseudo-elements. Where both are known the standard
 * ones would switch the others off, so they stand under a condition. Empty when nothing can be said.
 */
export function standardScrollbar({ selector, thumb, track, width }: ScrollbarLook): string {
  // A piece that is not painted is no colour to hand over: the whole bar would vanish.
  const usable = (text: string | undefined) => (((text && parseColour(text)?.alpha) || 0) > 0 ? text : undefined);
  const lines: string[] = [];
  const [thumbColour, trackColour] = [usable(thumb), usable(track)];
  if (thumbColour && trackColour) lines.push(`scrollbar-color: ${thumbColour} ${trackColour};`);
  const pixels = width?.endsWith('px') ? Number.parseFloat(width) : undefined;
  if (pixels !== undefined && pixels < THIN) lines.push(`scrollbar-width: ${pixels === 0 ? 'none' : 'thin'};`);
  if (!lines.length) return '';
  const block = `  ${selector} {\n${lines.map((line) => `    ${line}`).join('\n')}\n  }`;
  return `${comment('Only for browsers that do not know the pseudo-elements, which these would switch off')}\n@supports not selector(::-webkit-scrollbar) {\n${block}\n}\n`;
}
