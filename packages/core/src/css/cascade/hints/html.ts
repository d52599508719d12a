import { ancestors, type ElementNode } from '../../../tree/tree.js';
import { directionOf } from '../../selector/language.js';
import { legacyColour } from './legacy-colour.js';
import { lookup } from '../../../base/lookup.js';

export type Hints = Record<string, string>;

/** Rules for parsing dimension values (HTML, section 2.3.4.4): a length in pixels or a percentage. */
export function dimension(text: string | undefined, nonZero = false): string | undefined {
  const match = /^[\t\n\f\r ]*(\d+(?:\.\d+)?)\s*(%)?/.exec(text ?? '');
  if (!match || (nonZero && Number(match[1]) === 0)) return undefined;
  return `${Number(match[1])}${match[2] ?? 'px'}`;
}

const integer = (text: string | undefined): number | undefined => {
  const match = /^[\t\n\f\r ]*([+-]?\d+)/.exec(text ?? '');
  return match ? Number(match[1]) : undefined;
};

const sides = (pattern: string, value: string): Hints =>
  Object.fromEntries(['top', 'right', 'bottom', 'left'].map((side) => [pattern.replace('*', side), value]));

const border = (width: string, style: string): Hints => ({
  ...sides('border-*-width', width),
  ...sides('border-*-style', style),
});

const FONT_SIZES = ['x-small', 'small', 'medium', 'large', 'x-large', 'xx-large', 'xxx-large'];

/** HTML, section 15.3.1: sizes from 1 to 7, or steps from 3. */
function fontSize(text: string | undefined): string | undefined {
  const match = /^\s*([+-])?(\d+)/.exec(text ?? '');
  if (!match) return undefined;
  const step = Number(match[2]);
  const size = match[1] === '+' ? 3 + step : match[1] === '-' ? 3 - step : step;
  return FONT_SIZES[Math.min(7, Math.max(1, size)) - 1];
}

const nearest = (element: ElementNode, name: string): ElementNode | undefined => {
  for (const node of ancestors(element)) if (node.name === name) return node;
  return undefined;
};

const BLOCK_ALIGN: Readonly<Record<string, string>> = lookup({
  center: '-webkit-center',
  middle: '-webkit-center',
  left: '-webkit-left',
  right: '-webkit-right',
  justify: 'justify',
});
const CELL_ALIGN: Readonly<Record<string, string>> = lookup({
  center: '-webkit-center',
  absmiddle: 'center',
  middle: '-webkit-center',
  left: '-webkit-left',
  right: '-webkit-right',
  justify: 'justify',
});
const OBJECT_ALIGN = lookup<Hints>({
  left: { float: 'left', 'vertical-align': 'top' },
  right: { float: 'right', 'vertical-align': 'top' },
  top: { 'vertical-align': 'top' },
  texttop: { 'vertical-align': 'text-top' },
  middle: { 'vertical-align': '-webkit-baseline-middle' },
  center: { 'vertical-align': 'middle' },
  absmiddle: { 'vertical-align': 'middle' },
  bottom: { 'vertical-align': 'baseline' },
  absbottom: { 'vertical-align': 'bottom' },
});

type Reader = (element: ElementNode, get: (name: string) => string | undefined) => Hints;

const put = (hints: Hints, name: string, value: string | undefined): void => {
  if (value !== undefined) hints[name] = value;
};

const sized: Reader = (_, get): Hints => {
  const hints: Hints = {};
  put(hints, 'width', dimension(get('width')));
  put(hints, 'height', dimension(get('height')));
  return hints;
};

const embedded: Reader = (element, get): Hints => {
  const hints = sized(element, get);
  Object.assign(hints, OBJECT_ALIGN[(get('align') ?? '').toLowerCase()]);
  const across = dimension(get('hspace'));
  const down = dimension(get('vspace'));
  put(hints, 'margin-left', across);
  put(hints, 'margin-right', across);
  put(hints, 'margin-top', down);
  put(hints, 'margin-bottom', down);
  const width = element.name === 'img' || element.name === 'object' ? dimension(get('border')) : undefined;
  if (width) Object.assign(hints, border(width, 'solid'));
  return hints;
};

/** HTML, section 15.4.3: both attributes give the ratio that holds until the picture is there. */
const pictured: Reader = (element, get): Hints => {
  const hints = embedded(element, get);
  const [width, height] = [Number.parseFloat(get('width') ?? ''), Number.parseFloat(get('height') ?? '')];
  const inPercent = /%/.test(`${get('width')}${get('height')}`);
  if (width >= 0 && height >= 0 && !inPercent) hints['aspect-ratio'] = `auto ${width} / ${height}`;
  return hints;
};

const block: Reader = (_, get): Hints => {
  const align = BLOCK_ALIGN[(get('align') ?? '').toLowerCase()];
  return align ? { 'text-align': align } : {};
};
const heading: Reader = (_, get): Hints => {
  const align = (get('align') ?? '').toLowerCase();
  return ['left', 'right', 'center', 'justify'].includes(align) ? { 'text-align': align } : {};
};

const painted: Reader = (_, get): Hints => {
  const hints: Hints = {};
  put(hints, 'background-color', get('bgcolor') && legacyColour(get('bgcolor')!));
  const picture = get('background')?.trim();
  if (picture) hints['background-image'] = `url("${picture.replace(/["\\\n]/g, '\\$&')}")`;
  return hints;
};

const cellLike: Reader = (element, get): Hints => {
  const hints = painted(element, get);
  put(hints, 'text-align', CELL_ALIGN[(get('align') ?? '').toLowerCase()]);
  const valign = (get('valign') ?? '').toLowerCase();
  if (['top', 'middle', 'bottom', 'baseline'].includes(valign)) hints['vertical-align'] = valign;
  return hints;
};

const cell: Reader = (element, get): Hints => {
  const hints = cellLike(element, get);
  put(hints, 'width', dimension(get('width'), true));
  put(hints, 'height', dimension(get('height'), true));
  if (get('nowrap') !== undefined) {
    hints['white-space-collapse'] = 'collapse';
    hints['text-wrap-mode'] = 'nowrap';
  }
  const table = nearest(element, 'table');
  const padding = integer(table?.attributes.get('cellpadding'));
  Object.assign(hints, sides('padding-*', `${padding ?? 1}px`));
  const edge = tableBorder(table);
  if (edge) Object.assign(hints, border('1px', 'inset'), sides('border-*-color', 'inherit'));
  return hints;
};

function tableBorder(table: ElementNode | undefined): number {
  const text = table?.attributes.get('border');
  if (text === undefined) return 0;
  return text.trim() === '' ? 1 : (integer(text) ?? 1);
}

const table: Reader = (element, get): Hints => {
  const hints = painted(element, get);
  put(hints, 'width', dimension(get('width'), true));
  put(hints, 'height', dimension(get('height'), true));
  const align = (get('align') ?? '').toLowerCase();
  if (align === 'center') Object.assign(hints, { 'margin-inline-start': 'auto', 'margin-inline-end': 'auto' });
  else if (align === 'left' || align === 'right') hints['float'] = align;
  const spacing = integer(get('cellspacing'));
  if (spacing !== undefined && spacing >= 0) hints['border-spacing'] = `${spacing}px`;
  const width = tableBorder(element);
  if (get('border') !== undefined) Object.assign(hints, border(`${width}px`, 'outset'));
  const colour = get('bordercolor') && legacyColour(get('bordercolor')!);
  if (colour) Object.assign(hints, sides('border-*-color', colour));
  return hints;
};

const LIST_TYPES: Readonly<Record<string, string>> = lookup({
  a: 'lower-alpha',
  A: 'upper-alpha',
  i: 'lower-roman',
  I: 'upper-roman',
  '1': 'decimal',
});

const list: Reader = (_, get): Hints => {
  const type = get('type');
  if (!type) return {};
  const word = LIST_TYPES[type] ?? type.toLowerCase();
  const known = ['disc', 'circle', 'square', 'none', ...Object.values(LIST_TYPES)];
  return known.includes(word) ? { 'list-style-type': word } : {};
};

const READERS: Readonly<Record<string, Reader>> = lookup({
  body: (element, get) => {
    const hints = painted(element, get);
    put(hints, 'color', get('text') && legacyColour(get('text')!));
    const across = dimension(get('marginwidth') ?? get('leftmargin'));
    const down = dimension(get('marginheight') ?? get('topmargin'));
    put(hints, 'margin-left', across);
    put(hints, 'margin-right', across);
    put(hints, 'margin-top', down);
    put(hints, 'margin-bottom', down);
    return hints;
  },
  font: (_, get) => {
    const hints: Hints = {};
    put(hints, 'color', get('color') && legacyColour(get('color')!));
    put(hints, 'font-family', get('face') || undefined);
    put(hints, 'font-size', fontSize(get('size')));
    return hints;
  },
  table,
  td: cell,
  th: cell,
  tr: (element, get) => ({ ...cellLike(element, get), ...definite('height', get('height')) }),
  thead: cellLike,
  tbody: cellLike,
  tfoot: cellLike,
  col: (element, get) => ({ ...cellLike(element, get), ...definite('width', get('width')) }),
  colgroup: (element, get) => ({ ...cellLike(element, get), ...definite('width', get('width')) }),
  caption: (_, get): Hints => {
    const align = (get('align') ?? '').toLowerCase();
    return align === 'bottom' || align === 'top' ? { 'caption-side': align } : {};
  },
  img: pictured,
  video: pictured,
  canvas: (_, get): Hints => {
    const [width, height] = [integer(get('width')) ?? 300, integer(get('height')) ?? 150];
    return get('width') || get('height') ? { 'aspect-ratio': `auto ${width} / ${height}` } : {};
  },
  object: embedded,
  embed: embedded,
  iframe: (element, get) => ({
    ...embedded(element, get),
    ...((get('frameborder') ?? '1').trim() === '0' || get('frameborder')?.toLowerCase() === 'no'
      ? sides('border-*-width', '0px')
      : {}),
  }),
  input: (element, get) => ((get('type') ?? '').toLowerCase() === 'image' ? embedded(element, get) : {}),
  div: block,
  p: block,
  h1: heading,
  h2: heading,
  h3: heading,
  h4: heading,
  h5: heading,
  h6: heading,
  hr: (_, get) => {
    const hints: Hints = {};
    const align = (get('align') ?? '').toLowerCase();
    if (align === 'left') Object.assign(hints, { 'margin-left': '0px', 'margin-right': 'auto' });
    else if (align === 'right') Object.assign(hints, { 'margin-left': 'auto', 'margin-right': '0px' });
    else if (align === 'center') Object.assign(hints, { 'margin-left': 'auto', 'margin-right': 'auto' });
    put(hints, 'width', dimension(get('width')));
    const colour = get('color') && legacyColour(get('color')!);
    if (colour) {
      Object.assign(hints, sides('border-*-style', 'solid'), sides('border-*-color', colour), {
        'background-color': colour,
      });
    }
    if (get('noshade') !== undefined && !colour) {
      Object.assign(hints, sides('border-*-style', 'solid'), sides('border-*-color', '#808080'), {
        'background-color': '#808080',
      });
    }
    const size = integer(get('size'));
    if (size !== undefined) {
      if (size <= 1) hints['border-bottom-width'] = '0px';
      else hints['height'] = `${size - 2}px`;
    }
    return hints;
  },
  ul: list,
  ol: list,
  li: list,
  br: (_, get): Hints => {
    const clear = (get('clear') ?? '').toLowerCase();
    if (clear === 'all' || clear === 'both') return { clear: 'both' };
    return clear === 'left' || clear === 'right' ? { clear } : {};
  },
  textarea: (_, get): Hints => {
    const wrap = (get('wrap') ?? '').toLowerCase();
    return wrap === 'off' ? { 'white-space-collapse': 'preserve', 'text-wrap-mode': 'nowrap' } : {};
  },
});

const definite = (name: string, text: string | undefined): Hints => {
  const value = dimension(text, true);
  return value ? { [name]: value } : {};
};

/** What an HTML element's own attributes say of its style (HTML, section 15), as longhands. */
export function htmlHints(element: ElementNode): Hints {
  const get = (name: string) => element.attributes.get(name);
  const hints = READERS[element.name]?.(element, get) ?? {};
  if (get('hidden') !== undefined && get('hidden')?.toLowerCase() !== 'until-found') hints['display'] = 'none';
  if (get('hidden')?.toLowerCase() === 'until-found') hints['content-visibility'] = 'hidden';
  const dir = get('dir')?.toLowerCase();
  if (dir === 'ltr' || dir === 'rtl') hints['direction'] = dir;
  // The text itself decides, unless it only follows what is around it.
  else if (dir === 'auto' || element.name === 'bdi') hints['direction'] = directionOf(element);
  const editable = get('contenteditable')?.toLowerCase();
  if (editable === '' || editable === 'true' || editable === 'plaintext-only') {
    hints['overflow-wrap'] = 'break-word';
    hints['line-break'] = 'after-white-space';
  }
  if (element.name === 'a') {
    const body = nearest(element, 'body');
    const colour = body?.attributes.get('link') && legacyColour(body.attributes.get('link')!);
    if (colour && element.attributes.has('href')) hints['color'] = colour;
  }
  return hints;
}
