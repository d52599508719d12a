import type { Rgba } from '../../colour/rgba.js';
import type { ElementStyle } from '../../css/cascade/element-style.js';
import { splitTopLevel } from '../../css/values/split.js';
import { isEmpty } from '../../page/box.js';
import { measuredBox, PLACED_PSEUDOS, type PlacedPseudo } from '../../page/geometry.js';
import { addressIn } from '../../paint/background.js';
import { borderWidths, SIDES } from '../../paint/boxes.js';
import { pictureOf } from '../../paint/replaced.js';
import { sceneFor, type Looking, type Measurable } from '../../paint/scene.js';
import { descendants, hasOwnText, type ElementNode } from '../../tree/tree.js';
import { hiddenBy } from '../hidden.js';
import { textCase, type TextCase } from '../text-case.js';
import { pictureInks } from './picture-ink.js';
import { svgInks } from './svg-ink.js';

/** What an icon is drawn with: shapes, letters, a ground cut out by a mask, bare boxes such as three bars, a picture. */
export type Means = 'shapes' | 'letters' | 'mask' | 'box' | 'picture';

/** An icon in each of the colours that it is drawn in. */
export interface DrawnIcon {
  readonly means: Means;
  readonly cases: readonly TextCase[];
  /** Why more of it cannot be told. */
  readonly unknown: string | undefined;
}

/** Something within an icon that paints: an element, or what CSS puts before or after it. */
interface Painter {
  readonly element: ElementNode;
  readonly pseudo: PlacedPseudo | undefined;
  readonly style: ElementStyle;
}

const generates = (style: ElementStyle): boolean => !['none', 'normal'].includes(style.text('content'));

/** What CSS puts there, without the words that stand for it (CSS Generated Content 3, section 1.2). */
const contentOf = (style: ElementStyle): string => style.text('content').replace(/\s\/\s.*$/s, '');

/** Whether CSS puts words there; the address of a picture is none. */
const isText = (style: ElementStyle): boolean =>
  /["'][^"']/.test(contentOf(style).replace(/url\((?:"[^"]*"|'[^']*'|[^)]*)\)/gi, ''));

/** An icon's own element first, then what it holds; only what is shown. */
function paintersIn({ view }: Looking, icon: ElementNode): Painter[] {
  return [icon, ...descendants(icon)]
    .filter((element) => element === icon || !hiddenBy(view, element))
    .flatMap((element): Painter[] => {
      const own: Painter = { element, pseudo: undefined, style: view.of(element) };
      const generated = PLACED_PSEUDOS.map((pseudo): Painter => ({
        element,
        pseudo,
        style: view.of(element, pseudo),
      })).filter(({ style }) => generates(style) && style.text('display') !== 'none');
      return [own, ...generated];
    });
}

/** Something that is painted in one colour, all over its box. */
function caseOf(looking: Looking, what: Measurable & { readonly colour: Rgba }): TextCase {
  const box = looking.geometry && measuredBox(looking.geometry, what.element, what.pseudo);
  const area = box && !isEmpty(box) ? box : undefined;
  return {
    carrier: what.element,
    colour: what.colour,
    scene: sceneFor(looking, what, area),
    areas: area ? [area] : [],
    halo: undefined,
    outline: undefined,
    large: false,
  };
}

/** A colour that a painter paints, on what lies behind it without its ground. */
const groundCase = (looking: Looking, { element, pseudo }: Painter, colour: Rgba): TextCase =>
  caseOf(looking, { element, pseudo, colour, isGround: true });

const isMask = ({ style }: Painter) =>
  style.text('mask-image') !== 'none' && style.colour('background-color').alpha > 0;

/** The colours of a bare box: of its ground, or else of the lines around it. */
function boxInks({ style }: Painter): Rgba[] {
  const ground = style.colour('background-color');
  if (ground.alpha > 0) return [ground];
  const widths = borderWidths(style);
  return SIDES.flatMap((side, i) => {
    const colour = style.colour(`border-${side}-color`);
    return widths[i]! > 0 && colour.alpha > 0 ? [colour] : [];
  });
}

/** Addresses of the pictures that a painter paints; `undefined` for one that is no picture's. */
function picturesOf(looking: Looking, { element, pseudo, style }: Painter): (string | undefined)[] {
  const replaced = pseudo ? undefined : pictureOf(element, looking.view.styles.known.base);
  if (replaced) return [replaced.kind === 'picture' ? replaced.address : undefined];
  const images = splitTopLevel(style.text('background-image')).filter((image) => image !== 'none');
  const content = pseudo ? [contentOf(style)].filter((part) => /^url\(/i.test(part)) : [];
  return [...images, ...content].map(addressIn);
}

const NOT_TOLD = 'It is a picture whose colours are not known. Look at it yourself.';

function asPicture(looking: Looking, painters: readonly Painter[]): DrawnIcon | undefined {
  const cases: TextCase[] = [];
  let unknown: string | undefined;
  let found = false;
  for (const painter of painters) {
    for (const address of picturesOf(looking, painter)) {
      const field = address === undefined ? undefined : looking.pictures(address);
      // One that is known not to load paints nothing.
      if (field === null) continue;
      found = true;
      if (field === undefined || typeof field === 'string') unknown = NOT_TOLD;
      else for (const ink of pictureInks(field)) cases.push(groundCase(looking, painter, ink));
    }
  }
  return found ? { means: 'picture', cases, unknown } : undefined;
}

/** What CSS draws before or after an element without words: boxes, lines, a picture; undefined where it has words. */
export function drawnMark(looking: Looking, element: ElementNode, pseudo: PlacedPseudo): DrawnIcon | undefined {
  const painter: Painter = { element, pseudo, style: looking.view.of(element, pseudo) };
  return isText(painter.style) || !generates(painter.style) ? undefined : asPicture(looking, [painter]);
}

/** What an icon is drawn with; undefined where nothing is drawn. */
export function drawnIcon(looking: Looking, icon: ElementNode): DrawnIcon | undefined {
  const painters = paintersIn(looking, icon);
  const drawing = painters.find(({ element }) => element.namespace === 'svg')?.element;
  const letters = painters.filter(({ element, pseudo, style }) =>
    pseudo ? isText(style) : element.namespace === 'html' && hasOwnText(element),
  );
  if (drawing) {
    const { colours, unknown } = svgInks(looking.view, drawing);
    return { means: 'shapes', cases: colours.map((colour) => caseOf(looking, { element: drawing, colour })), unknown };
  }
  if (letters.length) {
    const cases = letters.map(({ element, pseudo }) => textCase(looking, element, pseudo));
    return { means: 'letters', cases, unknown: undefined };
  }
  const of = (means: Means, some: readonly Painter[], inks: (painter: Painter) => readonly Rgba[]) => {
    const cases = some.flatMap((painter) => inks(painter).map((ink) => groundCase(looking, painter, ink)));
    return cases.length ? { means, cases, unknown: undefined } : undefined;
  };
  const [own, ...inner] = painters;
  return (
    of('mask', painters.filter(isMask), ({ style }) => [style.colour('background-color')]) ??
    asPicture(looking, painters) ??
    of('box', inner, boxInks) ??
    // An element that holds nothing is itself what is drawn.
    of('box', [own!], boxInks)
  );
}
