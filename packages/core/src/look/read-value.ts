import { generate } from 'css-tree';
import { parse } from '../css/syntax/parser.js';
import type { Row } from '../component/rows.js';
import { ROWS } from '../component/rows.js';
import {
  CSS_WIDE,
  expandDeclaration,
  expandShorthand,
  isValidValue,
  needsSubstitution,
  parseValue,
} from '../css/sheet/declaration.js';
import { canonicalName } from '../css/property/names.js';
import { PROPERTIES } from '../css/property/table.js';
import { SHORTHANDS } from '../css/shorthand/index.js';
import { lookup } from '../base/lookup.js';
import { namesSwatch } from './named-swatches.js';
import { readSetting, type ReadValue } from './read-setting.js';

export type { ReadValue } from './read-setting.js';

/** Longest text of one value, in characters. */
const LONGEST = 4000;

const HIDDEN = /[\u200b-\u200d\u2060\ufeff\u00ad]/g;
const SPACES = /[\u00a0\u1680\u2000-\u200a\u202f\u205f\u3000]/g;

const QUOTED = /("(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*')/;

const mendPlain = (text: string): string =>
  text
    .replace(SPACES, ' ')
    .replace(/[\u2018\u2019\u201a\u201b]/g, "'")
    .replace(/[\u201c\u201d\u201e\u201f\u00ab\u00bb]/g, '"')
    .replace(/[\u2012\u2013\u2014\u2212](?=[.\d])/g, '-');

/**
 * Mends what documents and chats do to CSS: curly quotes, spaces that do not break, long dashes for a minus. What stands
 * in straight quotes is meant as it is.
 */
export const mendText = (text: string): string =>
  text
    .replace(HIDDEN, '')
    .split(QUOTED)
    .map((piece, i) => (i % 2 ? piece : mendPlain(piece)))
    .join('');

const HEX = /^([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i;
const NUMBER = /^[\d.]+%?$/;
const SEPARATED = /^[\d.%]+(?: ?, ?| )[\d.%]+(?: ?, ?| )[\d.%]+(?:(?: ?[,/] ?| )[\d.%]+)?$/;

/** A colour as people say it: `0b5563`, `333`, `255, 255, 255, .5`; the text itself where it is something else. */
export function colourAsSaid(text: string): string {
  const said = text.trim();
  if (HEX.test(said)) return `#${said.toLowerCase()}`;
  const [r, g, b, alpha, ...more] = said.split(/[,/\s]/).filter(Boolean);
  const isNumbers = [r, g, b, alpha ?? '1'].every((number) => number !== undefined && NUMBER.test(number));
  // A slash stands before an alpha and nowhere else, and no separator twice.
  if (!isNumbers || more.length || !SEPARATED.test(said.replace(/\s+/g, ' '))) return said;
  return alpha === undefined ? `rgb(${r} ${g} ${b})` : `rgb(${r} ${g} ${b} / ${alpha})`;
}

/** What is around the value when a whole declaration was pasted: its name, `!important`, a semicolon. */
function stripDeclaration(text: string, names: readonly string[]): string {
  let value = text.trim();
  while (value.endsWith(';')) value = value.slice(0, -1).trimEnd();
  if (/important$/i.test(value)) {
    const before = value.slice(0, -'important'.length).trimEnd();
    if (before.endsWith('!')) value = before.slice(0, -1).trimEnd();
  }
  const colon = value.indexOf(':');
  const name = value.slice(0, Math.max(0, colon)).trimEnd();
  if (/^[a-z-]+$/i.test(name) && names.includes(canonicalName(name))) value = value.slice(colon + 1);
  return value.trim();
}

const EXAMPLES: Readonly<Record<string, string>> = lookup({
  'font-size': '16px or 1.125rem',
  'font-weight': '600 or bold',
  'line-height': '1.5',
  padding: '12px 20px',
  margin: '0 0 1em',
  'border-width': '1px',
  'border-style': 'solid',
  'border-radius': '6px',
  'box-shadow': '0 2px 8px rgb(0 0 0 / 20%)',
  'text-shadow': '0 1px 2px rgb(0 0 0 / 40%)',
  'background-image': 'linear-gradient(#0b5563, #2a7f8e) or none',
  'transition-duration': '200ms',
  'transition-property': 'color, background-color',
  'transition-timing-function': 'ease-in-out',
  transform: 'translateY(-2px)',
  filter: 'brightness(1.1)',
  opacity: '0.8',
  width: '240px or 100%',
  content: '"/"',
  cursor: 'pointer',
});

const problemFor = (row: Row, text: string): string => {
  const name = row.shorthand ?? row.properties[0]!;
  const example = EXAMPLES[name];
  return row.editor === 'colour'
    ? `“${text}” is not a CSS colour. Try a name, #0b5563, rgb(11 85 99) or oklch(0.4 0.07 214).`
    : `“${text}” is not a value of ${name}.${example ? ` Try ${example}.` : ''}`;
};

/** Longhands of a row for one text, or undefined where CSS refuses it. */
function valuesOf(row: Row, text: string): Record<string, string> | undefined {
  const word = text.toLowerCase();
  if (CSS_WIDE.has(word)) return Object.fromEntries(row.properties.map((property) => [property, word]));
  const [only] = row.properties;
  if (row.properties.length === 1 || needsSubstitution(text)) {
    const node = parseValue(text);
    const valid = node && (needsSubstitution(text) || isValidValue(only!, node));
    return valid ? Object.fromEntries(row.properties.map((property) => [property, text])) : undefined;
  }
  return row.shorthand === undefined ? undefined : pick(expandShorthand(row.shorthand, text), row.properties);
}

function pick(
  all: Readonly<Record<string, string>> | undefined,
  names: readonly string[],
): Record<string, string> | undefined {
  if (!all || names.some((name) => all[name] === undefined)) return undefined;
  return Object.fromEntries(names.map((name) => [name, all[name]!]));
}

/** Text that could end a declaration or a rule can never be a value. */
const BREAKS_OUT = /[{};]|\/\*|<\//;

/** What is opened and not closed would take in whatever stands behind the value. */
function isClosed(text: string): boolean {
  const open: string[] = [];
  let quote = '';
  for (let i = 0; i < text.length; i++) {
    const character = text[i]!;
    if (character === '\\') i++;
    else if (quote) {
      if (character === quote) quote = '';
    } else if (character === '"' || character === "'") quote = character;
    else if (character === '(') open.push(')');
    else if (character === '[') open.push(']');
    else if ((character === ')' || character === ']') && open.pop() !== character) return false;
  }
  return !quote && !open.length && !text.endsWith('\\');
}

/**
 * Reads what somebody typed or pasted into a cell. Nothing is guessed beyond what people plainly mean: a colour without
 * its `#`, a length without its unit, quotes as a document has them.
 */
export function readCellText(row: Row, typed: string): ReadValue {
  if (!namesSwatch(typed)) return readPlain(row, typed);
  const { text, putBack } = withoutSwatches(typed);
  const read = readPlain(row, text);
  if (!read.ok) return { ok: false, problem: putBack(read.problem) };
  const values = Object.entries(read.values).map(([name, value]) => [name, putBack(value)] as const);
  return { ok: true, values: Object.fromEntries(values), text: putBack(read.text) };
}

function readPlain(row: Row, typed: string): ReadValue {
  const wider = widerThan(row);
  const names = [...row.properties, ...(row.shorthand ? [row.shorthand] : []), ...wider];
  const text = stripDeclaration(mendText(typed), names);
  if (!text) return { ok: false, problem: 'Give a value, or clear the cell.' };
  if (text.length > LONGEST) return { ok: false, problem: `A value has at most ${LONGEST} characters.` };
  if (row.group === 'Behaviour') return readSetting(row, text);
  if (BREAKS_OUT.test(text)) return { ok: false, problem: 'A value holds no braces, semicolons or comments.' };
  if (!isClosed(text)) return { ok: false, problem: `“${text}” has a bracket or a quote that is not closed.` };
  const tries = row.editor === 'colour' ? [colourAsSaid(text)] : [text, withUnits(text)];
  for (const candidate of tries) {
    const values = valuesOf(row, candidate);
    if (values) return { ok: true, values, text: candidate };
  }
  // `1px solid red` for a border's colour says its width and style too.
  const isList = /\s/.test(text) && !needsSubstitution(text);
  const spread = !isList ? undefined : firstOf(wider, (name) => expandShorthand(name, text));
  if (spread) return { ok: true, values: withoutResets(spread), text };
  return { ok: false, problem: problemFor(row, text) };
}

const SWATCHES = /swatch\(\s*[a-z][\w-]*\s*(?:\/\s*[\d.]+%?\s*)?\)/gi;

/** A text with a colour of CSS in place of each swatch that it names, and what puts these into a text again. */
function withoutSwatches(typed: string): { readonly text: string; readonly putBack: (text: string) => string } {
  const swatches: string[] = [];
  let mark = 0xa1b2c3;
  const next = (): string => {
    const hex = `#${(mark++).toString(16)}`;
    return typed.toLowerCase().includes(hex) ? next() : hex;
  };
  const marks: string[] = [];
  const text = typed.replace(SWATCHES, (swatch) => {
    swatches.push(swatch);
    marks.push(next());
    return marks.at(-1)!;
  });
  const putBack = (own: string) => marks.reduce((all, hex, i) => all.replaceAll(hex, swatches[i]!), own);
  return { text, putBack };
}

/** Shorthands under which several rows are set at once, the narrower first. */
const SPREAD = [
  'outline',
  ...['top', 'right', 'bottom', 'left'].map((side) => `border-${side}`),
  'border',
  'text-decoration',
  'list-style',
  'transition',
  'font',
  'background',
];

const widerThan = ({ properties, shorthand }: Row): string[] =>
  SPREAD.filter((name) => {
    const longhands = SHORTHANDS.get(name)?.longhands ?? [];
    return name !== shorthand && properties.every((property) => longhands.includes(property));
  });

const firstOf = <T, V>(items: readonly T[], find: (item: T) => V | undefined): V | undefined => {
  for (const item of items) {
    const found = find(item);
    if (found !== undefined) return found;
  }
  return undefined;
};

/** Longhands that a shorthand puts back without being able to set them are none that its text says. */
const withoutResets = (values: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(values).filter(([name]) => SHOWN.has(name)));

/** Bare numbers as pixels: `12 20` is `12px 20px`. */
const withUnits = (text: string): string =>
  text.replace(/(^|[\s,(])(-?(?:\d+(?:\.\d*)?|\.\d+))(?=$|[\s,)])/g, (all, before: string, number: string) =>
    Number(number) === 0 ? all : `${before}${number}px`,
  );

/** Declarations out of pasted CSS, and what could not be taken. */
export interface ReadBlock {
  readonly values: Readonly<Record<string, string>>;
  readonly problems: readonly string[];
}

/** Longhands that some row shows; others cannot be edited here. */
const SHOWN = new Set(ROWS.flatMap((row) => row.properties));

/** True for text that is a list of declarations, with or without a rule around it, rather than one value. */
export const isBlock = (text: string): boolean =>
  /[a-z-]\s*:[^:]/i.test(text) && !/^\s*(url|https?)/i.test(text.trim());

/** Reads a block of CSS into longhands; the selector of a rule around it is left out. */
export function readBlock(pasted: string): ReadBlock {
  const mended = mendText(pasted);
  const inner = /\{([^{}]*)\}/.exec(mended)?.[1] ?? mended;
  const values: Record<string, string> = {};
  const problems: string[] = [];
  const list = parse(inner, {
    context: 'declarationList',
    parseValue: false,
    onParseError: (error) => problems.push(error.message),
  });
  if (list.type !== 'DeclarationList') return { values, problems };
  list.children.forEach((node) => {
    if (node.type !== 'Declaration') return;
    const text = node.value.type === 'Raw' ? node.value.value : generate(node.value);
    const name = canonicalName(node.property);
    if (!PROPERTIES.has(name) && !SHORTHANDS.has(name) && name !== 'all') {
      problems.push(`There is no property called ${node.property}.`);
      return;
    }
    const declared = /color$|^(fill|stroke)$/.test(name) ? colourAsSaid(text) : text;
    const longhands = expandDeclaration(node.property, declared, false, { sheet: 'pasted', line: 1, column: 1 });
    if (!longhands.length) problems.push(`“${text.trim()}” is not a value of ${node.property}.`);
    for (const { property, value } of longhands) {
      if (SHOWN.has(property)) values[property] = value;
    }
    const shown = longhands.filter(({ property }) => SHOWN.has(property));
    if (longhands.length && !shown.length) problems.push(`${node.property} is not among the properties of a look.`);
  });
  return { values, problems };
}
