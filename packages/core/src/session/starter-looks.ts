import { toOklch, fromOklch } from '../colour/oklch.js';
import { toHex } from '../colour/print.js';
import type { Rgba } from '../colour/rgba.js';
import { carriedBy } from '../component/carried.js';
import { roleOfPart } from '../component/part-role.js';
import { starterOf } from '../component/kinds/starters.js';
import { statesOf, EMPTY_LOOK, type Look, type Setting } from '../look/model.js';
import { onceForText } from '../memo/once.js';
import { recolourValue } from '../palette/in-value.js';
import { PageSession } from '../parts/page-session.js';
import { ComponentSession } from './component-session.js';

/** A look to start from, by name. */
export interface StarterLook {
  readonly name: string;
  readonly look: Look;
}

/** Hues in degrees of OKLCH that take the place of the starters' own; none leaves it. */
const TONES: readonly (readonly [name: string, hue: number | undefined])[] = [
  ['Harbour', undefined],
  ['Heather', 320],
  ['Rust', 45],
  ['Moss', 140],
];

/** What words are set in is the site's own. */
const OF_SITE = new Set(['font-family', 'font-size', 'letter-spacing']);

/** Said in every state where they are said at rest, so that what a site says of the state has no part in the look. */
const WHOLE = /color$|^(background-image|box-shadow|opacity|text-decoration-line)$/;

/** Colours with less chroma are greys, and stay. */
const GREY = 0.015;

/** The same lightness in another hue, so that what could be read can be read. */
function inHue(colour: Rgba, h: number): string | undefined {
  const own = toOklch({ ...colour, alpha: 1 });
  return own.c < GREY || colour.alpha === 0 ? undefined : toHex({ ...fromOklch({ ...own, h }), alpha: colour.alpha });
}

/** A page that holds nothing but what a kind starts from. */
function sessionOf(kind: string): ComponentSession | undefined {
  const starter = starterOf(kind);
  if (!starter) return undefined;
  const html = `<!doctype html><link rel="stylesheet" href="s.css"><body><main>${starter.html}</main></body>`;
  const address = 'https://starter.invalid/';
  const page = new PageSession({ html, address, sheets: [{ address: `${address}s.css`, text: starter.css }] });
  const root = /class="([\w-]+)/.exec(starter.html)?.[1] ?? '';
  const found = page.components().filter((own) => own.kind === kind);
  const own = found.find(({ selector }) => selector.includes(root)) ?? found[0];
  return own && new ComponentSession(page, kind, own.locator);
}

/** What a starter's sheet says of its parts, in every state: what of it makes up a look, and not where things stand. */
const settingsOf = (session: ComponentSession): Setting[] =>
  session.columnsOfParts(EMPTY_LOOK).flatMap(({ part: found, columns }) => {
    const { name: part, carrier = part } = found.part;
    const role = roleOfPart(found);
    const properties = carriedBy(role).filter((property) => !OF_SITE.has(property));
    const valuesIn = (column: string) => {
      const [group] = session.groupsSeenUnder(EMPTY_LOOK, part, column);
      const style = group?.style;
      return new Map(
        properties.flatMap((property): [string, { readonly text: string; readonly isSaid: boolean }][] =>
          style
            ? [[property, { text: style.text(property), isSaid: style.winner(property)?.origin === 'author' }]]
            : [],
        ),
      );
    };
    const rest = valuesIn('default');
    return columns.flatMap(({ name, atoms }) => {
      const own = name === 'default' ? rest : valuesIn(name);
      return [...own].flatMap(([property, { text, isSaid }]): Setting[] => {
        const atRest = rest.get(property);
        const isWhole = WHOLE.test(property) && (atRest?.isSaid || (property === 'opacity' && role === 'control'));
        const isNew = isWhole || (name === 'default' ? isSaid : text !== atRest?.text);
        return isNew ? [{ part, property, value: text, when: { states: statesOf(carrier, atoms) } }] : [];
      });
    });
  });

/** Looks of a kind to start from: drawn for Retoque, and passing every check that is asked of them on a light page. */
export const starterLooks: (kind: string) => readonly StarterLook[] = onceForText((kind) => {
  const session = sessionOf(kind);
  const settings = session ? settingsOf(session) : [];
  if (!settings.length) return [];
  return TONES.map(([name, hue]): StarterLook => {
    const toned = settings.map((setting) => {
      const value = hue === undefined ? undefined : recolourValue(setting.value, (colour) => inHue(colour, hue));
      return value === undefined ? setting : { ...setting, value };
    });
    return { name, look: { ...EMPTY_LOOK, settings: toned } };
  });
});
