/** How a longhand's computed value is formed; anything else keeps its declared keywords. */
export type ValueKind = 'colour' | 'font-size' | 'font-weight' | 'line-width' | 'length' | 'number' | 'text';

export interface PropertyInfo {
  readonly name: string;
  readonly inherited: boolean;
  readonly initial: string;
  readonly kind: ValueKind;
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;

const table = new Map<string, PropertyInfo>();
const add = (kind: ValueKind, inherited: boolean, entries: Readonly<Record<string, string>>) => {
  for (const [name, initial] of Object.entries(entries)) table.set(name, { name, inherited, initial, kind });
};
const each = (names: readonly string[], pattern: string, initial: string) =>
  Object.fromEntries(names.map((name) => [pattern.replace('*', name), initial]));

// Initial values and inheritance as the definition tables of the CSS modules give them.
add('colour', true, {
  color: 'canvastext',
  'caret-color': 'auto',
  'accent-color': 'auto',
  fill: 'black',
  stroke: 'none',
});
add('colour', false, {
  'background-color': 'transparent',
  'outline-color': 'currentcolor',
  'text-decoration-color': 'currentcolor',
  ...each(SIDES, 'border-*-color', 'currentcolor'),
});
add('font-size', true, { 'font-size': 'medium' });
add('font-weight', true, { 'font-weight': 'normal' });
add('line-width', false, { 'outline-width': 'medium', ...each(SIDES, 'border-*-width', 'medium') });
add('number', false, { opacity: '1', 'z-index': 'auto', order: '0', 'flex-grow': '0', 'flex-shrink': '1' });
add('length', false, {
  ...each(SIDES, 'margin-*', '0'),
  ...each(SIDES, 'padding-*', '0'),
  ...each(SIDES, '*', 'auto'),
  ...each(CORNERS, 'border-*-radius', '0'),
  width: 'auto',
  height: 'auto',
  'min-width': 'auto',
  'min-height': 'auto',
  'max-width': 'none',
  'max-height': 'none',
  'row-gap': 'normal',
  'column-gap': 'normal',
  'outline-offset': '0',
  'flex-basis': 'auto',
  'text-underline-offset': 'auto',
  'text-decoration-thickness': 'auto',
});
add('length', true, {
  'letter-spacing': 'normal',
  'word-spacing': 'normal',
  'text-indent': '0',
  'line-height': 'normal',
});
add('text', true, {
  'color-scheme': 'normal',
  cursor: 'auto',
  direction: 'ltr',
  'font-family': 'sans-serif',
  'font-stretch': 'normal',
  'font-style': 'normal',
  'font-variant-caps': 'normal',
  'list-style-image': 'none',
  'list-style-position': 'outside',
  'list-style-type': 'disc',
  'pointer-events': 'auto',
  'text-align': 'start',
  'text-shadow': 'none',
  'text-transform': 'none',
  visibility: 'visible',
  'white-space': 'normal',
});
add('text', false, {
  'align-items': 'normal',
  'align-self': 'auto',
  appearance: 'none',
  'aspect-ratio': 'auto',
  'backdrop-filter': 'none',
  'background-attachment': 'scroll',
  'background-blend-mode': 'normal',
  'background-clip': 'border-box',
  'background-image': 'none',
  'background-origin': 'padding-box',
  'background-position-x': '0%',
  'background-position-y': '0%',
  'background-repeat': 'repeat',
  'background-size': 'auto',
  'box-shadow': 'none',
  'box-sizing': 'content-box',
  content: 'normal',
  display: 'inline',
  filter: 'none',
  'flex-direction': 'row',
  'flex-wrap': 'nowrap',
  float: 'none',
  'justify-content': 'normal',
  'mix-blend-mode': 'normal',
  'outline-style': 'none',
  'overflow-x': 'visible',
  'overflow-y': 'visible',
  position: 'static',
  'text-decoration-line': 'none',
  'text-decoration-style': 'solid',
  'text-overflow': 'clip',
  transform: 'none',
  'transition-behavior': 'normal',
  'transition-delay': '0s',
  'transition-duration': '0s',
  'transition-property': 'all',
  'transition-timing-function': 'ease',
  ...each(SIDES, 'border-*-style', 'none'),
});

export const PROPERTIES: ReadonlyMap<string, PropertyInfo> = table;

/** What is known of a property; unknown ones behave as not inherited, custom ones as inherited. */
export function propertyInfo(name: string): PropertyInfo {
  return (
    table.get(name) ?? {
      name,
      inherited: name.startsWith('--'),
      initial: name.startsWith('--') ? '' : 'auto',
      kind: 'text',
    }
  );
}
