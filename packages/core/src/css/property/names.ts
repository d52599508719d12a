import { lookup } from '../../base/lookup.js';
/** Names that browsers treat as another property. */
const ALIASES: Readonly<Record<string, string>> = lookup({
  'word-wrap': 'overflow-wrap',
  'font-width': 'font-stretch',
  'grid-row-gap': 'row-gap',
  'grid-column-gap': 'column-gap',
  'grid-gap': 'gap',
  '-webkit-border-after': 'border-block-end',
  '-webkit-border-before': 'border-block-start',
  '-webkit-border-end': 'border-inline-end',
  '-webkit-border-start': 'border-inline-start',
  '-webkit-margin-after': 'margin-block-end',
  '-webkit-margin-before': 'margin-block-start',
  '-webkit-margin-end': 'margin-inline-end',
  '-webkit-margin-start': 'margin-inline-start',
  '-webkit-padding-after': 'padding-block-end',
  '-webkit-padding-before': 'padding-block-start',
  '-webkit-padding-end': 'padding-inline-end',
  '-webkit-padding-start': 'padding-inline-start',
  '-webkit-logical-width': 'inline-size',
  '-webkit-logical-height': 'block-size',
  '-webkit-print-color-adjust': 'print-color-adjust',
  '-webkit-column-break-inside': 'break-inside',
  '-epub-text-transform': 'text-transform',
});

/** Prefixed names that Chromium reads as the plain property. */
const PREFIXED = new Set(
  `align-content align-items align-self animation animation-delay animation-direction animation-duration
   animation-fill-mode animation-iteration-count animation-name animation-play-state animation-timing-function appearance
   backdrop-filter backface-visibility background-clip background-origin background-size border-bottom-left-radius
   border-bottom-right-radius border-radius border-top-left-radius border-top-right-radius box-decoration-break box-shadow
   box-sizing clip-path column-count column-gap column-rule column-rule-color column-rule-style column-rule-width
   column-span column-width columns filter flex flex-basis flex-direction flex-flow flex-grow flex-shrink flex-wrap
   font-feature-settings hyphenate-character justify-content mask mask-clip mask-composite mask-image mask-origin
   mask-position mask-repeat mask-size opacity order perspective perspective-origin shape-outside text-emphasis
   text-emphasis-color text-emphasis-position text-emphasis-style text-size-adjust transform transform-origin
   transform-style transition transition-delay transition-duration transition-property transition-timing-function
   user-select`.split(/\s+/),
);

/** The name under which a declared property takes part in the cascade; logical names stay, since direction decides. */
export function canonicalName(declared: string): string {
  if (declared.startsWith('--')) return declared;
  let name = declared.toLowerCase();
  if (name.startsWith('-webkit-') && PREFIXED.has(name.slice(8))) name = name.slice(8);
  return ALIASES[name] ?? name;
}
