import { lookup } from '../../base/lookup.js';
/** Pseudo-elements that Chromium knows (CSS Pseudo-Elements 4 and others); names in lower case. */
const KNOWN = new Set([
  ...['before', 'after', 'first-line', 'first-letter', 'marker', 'placeholder', 'selection', 'backdrop'],
  ...['file-selector-button', 'cue', 'slotted', 'part', 'highlight', 'target-text', 'spelling-error', 'grammar-error'],
  ...['view-transition', 'view-transition-group', 'view-transition-image-pair', 'view-transition-old'],
  ...['view-transition-new', 'details-content', 'search-text', 'scroll-marker', 'scroll-marker-group', 'scroll-button'],
  ...['column', 'checkmark', 'picker', 'picker-icon'],
]);

/** Older names of others, which Chromium takes for the same. */
const ALIASES: Readonly<Record<string, string>> = lookup({
  '-webkit-input-placeholder': 'placeholder',
  '-webkit-file-upload-button': 'file-selector-button',
});

/** These four may also be written with one colon. */
const ONE_COLON = new Set(['before', 'after', 'first-line', 'first-letter']);

/**
 * The canonical name of a pseudo-element, or undefined when a browser would refuse it.
 * Any `::-webkit-…` is accepted, as the standard asks for compatibility (Selectors 4, section 3.6.4).
 */
export function pseudoElementName(name: string, oneColon: boolean): string | undefined {
  const lower = name.toLowerCase();
  if (oneColon) return ONE_COLON.has(lower) ? lower : undefined;
  return KNOWN.has(lower) || lower.startsWith('-webkit-') ? (ALIASES[lower] ?? lower) : undefined;
}
