/** Names that browsers treat as another property. */
const ALIASES: Readonly<Record<string, string>> = {
  'word-wrap': 'overflow-wrap',
  'font-width': 'font-stretch',
  'grid-row-gap': 'row-gap',
  'grid-column-gap': 'column-gap',
};

/** Prefixed names that Chromium reads as the plain property. */
const PREFIXED = new Set(
  `align-content align-items align-self animation appearance backdrop-filter background-clip background-origin background-size
   border-radius border-bottom-left-radius border-bottom-right-radius border-top-left-radius border-top-right-radius
   box-shadow box-sizing filter flex flex-basis flex-direction flex-flow flex-grow flex-shrink flex-wrap justify-content
   opacity order transform transform-origin transition transition-delay transition-duration transition-property
   transition-timing-function`.split(/\s+/),
);

/** Logical longhands in horizontal, left-to-right writing. */
const LOGICAL: Readonly<Record<string, string>> = {
  'inset-inline-start': 'left',
  'inset-inline-end': 'right',
  'inset-block-start': 'top',
  'inset-block-end': 'bottom',
  'inline-size': 'width',
  'block-size': 'height',
  'min-inline-size': 'min-width',
  'min-block-size': 'min-height',
  'max-inline-size': 'max-width',
  'max-block-size': 'max-height',
  'border-start-start-radius': 'border-top-left-radius',
  'border-start-end-radius': 'border-top-right-radius',
  'border-end-start-radius': 'border-bottom-left-radius',
  'border-end-end-radius': 'border-bottom-right-radius',
};

const SIDES: Readonly<Record<string, string>> = {
  'inline-start': 'left',
  'inline-end': 'right',
  'block-start': 'top',
  'block-end': 'bottom',
};

/** The name under which a declared property takes part in the cascade. */
export function canonicalName(declared: string): string {
  if (declared.startsWith('--')) return declared;
  let name = declared.toLowerCase();
  if (name.startsWith('-webkit-') && PREFIXED.has(name.slice(8))) name = name.slice(8);
  name = ALIASES[name] ?? LOGICAL[name] ?? name;
  const side = /^(margin|padding|border)-(inline-start|inline-end|block-start|block-end)(.*)$/.exec(name);
  return side ? `${side[1]}-${SIDES[side[2]!]}${side[3]}` : name;
}
