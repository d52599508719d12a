import { over } from '../colour/composite.js';
import { contrastRatio } from '../colour/contrast.js';
import { parseColour } from '../colour/parse.js';
import type { Rgba } from '../colour/rgba.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { SIDES, type Side } from '../paint/boxes.js';
import { readShadows } from '../value/shadow.js';
import type { Looking } from '../paint/scene.js';
import type { ElementNode } from '../tree/tree.js';
import { appearanceOf, coloursApart, formsApart } from './appearance.js';
import { without, type Blank, type Check } from './check.js';
import { colourBehind, coloursAlong, NEEDED_EDGE, strip } from './edge.js';
import { seenSides } from './cut-off.js';
import { hiddenBy, hiddenVerdict } from './hidden.js';
import { isSeenOn, SEEN } from './seen.js';

/** WCAG 2.2, 2.4.13: the indicator is as large as a line of this many CSS pixels around the control. */
export const NEEDED_THICKNESS = 2;

/** Something that shows where the focus is. */
interface Indicator {
  readonly what: string;
  /** In CSS pixels, all around; Infinity for a change of the whole ground. */
  readonly thickness: number;
  /** Its colour, and what was in its place before. */
  readonly colour: Rgba;
  readonly before: Rgba;
}

const px = (text: string): number => Number.parseFloat(text) || 0;

interface Ring {
  readonly colour: Rgba;
  readonly thickness: number;
  readonly offset: number;
  readonly what: string;
}

/** Shadows that are drawn as rings around an element: as wide as they are blurred at most. */
function shadowRings(style: ElementStyle): Ring[] {
  return (readShadows(style.text('box-shadow')) ?? []).flatMap(({ inset, spread, blur, colour }) => {
    const own = !inset && px(spread) > 0 && px(blur) <= px(spread) ? parseColour(colour ?? '') : undefined;
    return own && own.alpha > 0 ? [{ colour: own, thickness: px(spread), offset: 0, what: 'shadow' }] : [];
  });
}

/** The outline of an element, where one is drawn. */
function outlineRing(style: ElementStyle): Ring[] {
  const colour = style.colour('outline-color');
  const thickness = px(style.text('outline-width'));
  if (style.text('outline-style') === 'none' || thickness <= 0 || colour.alpha <= 0) return [];
  return [{ colour, thickness, offset: px(style.text('outline-offset')), what: 'outline' }];
}

/** The rings that are drawn around an element: an outline, and the uppermost of its shadows. */
const ringsOf = (style: ElementStyle): Ring[] => [...outlineRing(style), ...shadowRings(style).slice(0, 1)];

/** A ring that is moved by less than this, as browsers do by themselves, looks the same, in CSS pixels. */
const MOVED = 2;

const isSameRing = (a: Ring, b: Ring): boolean =>
  a.what === b.what &&
  a.thickness === b.thickness &&
  Math.abs(a.offset - b.offset) < MOVED &&
  contrastRatio(a.colour, b.colour) < SEEN;

/** Whether rings that the focus brings are told from what they are drawn on; a reason where that is not known. */
function isRingSeen({ focused, rest, element, atRest }: FocusInput): boolean | string {
  const rings = (style: ElementStyle) => [...outlineRing(style), ...shadowRings(style)];
  const old = rings(rest.view.of(atRest));
  const fresh = rings(focused.view.of(element)).filter((ring) => !old.some((other) => isSameRing(ring, other)));
  let doubt: string | undefined;
  for (const ring of fresh) {
    const sides = seenSides(focused, element, ring);
    if (!sides.length) continue;
    const inside = ring.offset < 0 ? colourBehind(focused, element) : undefined;
    const behind =
      inside === undefined
        ? around(focused, element, ring.offset + ring.thickness / 2, sides)
        : typeof inside === 'string'
          ? inside
          : [inside];
    if (typeof behind === 'string') doubt = behind;
    else if (behind.some((ground) => isSeenOn(ring.colour, ground))) return true;
  }
  return doubt ?? false;
}

/** Colours that lie right around an element, at a distance from its edge; why they cannot be told where they cannot. */
export function around(
  looking: Looking,
  element: ElementNode,
  out: number,
  sides: readonly Side[] = SIDES,
): Rgba[] | string {
  const box = looking.geometry?.elements.get(element.order)?.box;
  if (!box) {
    const behind = colourBehind(looking, element.parent);
    return typeof behind === 'string' ? behind : [behind];
  }
  const colours: Rgba[] = [];
  for (const side of sides) {
    const found = coloursAlong(looking, element, strip(box, side, Math.max(1, Math.round(out)), 0));
    if (typeof found === 'string') return found;
    colours.push(...found);
  }
  return colours;
}

/** Where rings are told least from what is beside them; of several the best counts in each place (technique C40). */
function worst(inks: readonly Rgba[], behind: readonly Rgba[]): { ratio: number; foreground: Rgba; background: Rgba } {
  let least = { ratio: Infinity, foreground: inks[0]!, background: behind[0]! };
  for (const background of behind) {
    let best = { ratio: 0, foreground: inks[0]!, background };
    for (const ink of inks) {
      const foreground = over(ink, background);
      const ratio = contrastRatio(foreground, background);
      if (ratio > best.ratio) best = { ratio, foreground, background };
    }
    if (best.ratio < least.ratio) least = best;
  }
  return least;
}

export interface FocusInput {
  readonly focused: Looking;
  readonly rest: Looking;
  readonly element: ElementNode;
  /** The element as it stands in the page at rest. */
  readonly atRest: ElementNode;
}

/** How thick the ring is that Chromium draws by itself, in CSS pixels. */
const DRAWN_RING = 2;
const CUT = 'What holds it cuts off its focus ring.';

/** Whether it has rings of which nothing is seen. */
const isRingCut = ({ focused, element }: FocusInput): boolean => {
  const rings = ringsOf(focused.view.of(element));
  return rings.length > 0 && rings.every((ring) => !seenSides(focused, element, ring).length);
};

/** WCAG 2.2, 2.4.7: with the focus something about the control is seen to be otherwise. */
export function checkFocusVisible(input: FocusInput): Check {
  const { focused, rest, element, atRest } = input;
  const blank = (verdict: Blank, reason: string) => without('2.4.7', verdict, 1, reason, 'ancestors', 'share');
  const hidden = hiddenBy(focused.view, element);
  if (hidden) return blank(hiddenVerdict(hidden), hidden);
  const style = focused.view.of(element);
  if (style.text('outline-style') === 'auto') {
    const ring = { offset: px(style.text('outline-offset')), thickness: DRAWN_RING };
    if (!seenSides(focused, element, ring).length) return { ...blank('exempt', CUT), verdict: 'short', measured: 0 };
    return { ...blank('exempt', 'The browser draws its own ring.'), verdict: 'passes', measured: 1 };
  }
  const now = appearanceOf(focused, element);
  const before = appearanceOf(rest, atRest);
  // A ring is seen by its colour, and only where it was not there before; a glow is a form of its own.
  const isGlow = shadowRings(style).length === 0;
  const forms = formsApart(before, now).filter(
    (name) => !name.startsWith('outline-') && (name !== 'box-shadow' || isGlow),
  );
  const ring = isRingSeen(input);
  const isSeen = forms.length > 0 || coloursApart(before, now) > 0.5 || ring === true;
  if (!isSeen && typeof ring === 'string') return blank('unsure', ring);
  return {
    ...blank('exempt', ''),
    verdict: isSeen ? 'passes' : 'short',
    measured: isSeen ? 1 : 0,
    reason: isSeen ? undefined : isRingCut(input) ? CUT : 'Nothing changes when it has the focus.',
  };
}

/** WCAG 2.2, 1.4.11: the ring contrasts with what it is drawn on; with the control too where it touches it. */
export function checkFocusRing({ focused, element }: FocusInput): Check | undefined {
  const style = focused.view.of(element);
  const drawn = style.text('outline-style') === 'auto' ? [] : ringsOf(style);
  // What is cut off all around shows nothing; that the focus is seen at all is asked for elsewhere.
  const rings = drawn.filter((own) => seenSides(focused, element, own).length > 0);
  const [ring] = rings;
  if (!ring || hiddenBy(focused.view, element)) return undefined;
  const sides = SIDES.filter((side) => rings.some((own) => seenSides(focused, element, own).includes(side)));
  const reach = Math.max(...rings.map(({ offset, thickness }) => offset + thickness));
  const isInside = rings.length === 1 && ring.offset < 0 && -ring.offset >= ring.thickness;
  const touches = rings.some(({ offset }) => offset <= 0);
  const outside = isInside ? [] : around(focused, element, reach + 1, sides);
  const inside = touches ? colourBehind(focused, element) : [];
  const doubt = [outside, inside].find((found) => typeof found === 'string');
  if (doubt !== undefined) return without('1.4.11', 'unsure', NEEDED_EDGE, doubt as string);
  const beside = [...(outside as Rgba[]), ...(Array.isArray(inside) ? [] : [inside as Rgba])];
  const { ratio, foreground, background } = worst(
    rings.map((own) => own.colour),
    beside,
  );
  return {
    ...without('1.4.11', 'exempt', NEEDED_EDGE, ''),
    verdict: ratio >= NEEDED_EDGE ? 'passes' : 'short',
    measured: ratio,
    foreground,
    background,
    reason: touches && !isInside ? 'Against the page and the control, both of which it touches.' : undefined,
    basis: focused.geometry ? 'geometry' : 'ancestors',
  };
}

/** What the focus adds or changes, with its size. */
function indicators({ focused, rest, element, atRest }: FocusInput): Indicator[] {
  const style = focused.view.of(element);
  const found: Indicator[] = [];
  // A line around the control goes all around it.
  const rings = ringsOf(style).filter((own) => seenSides(focused, element, own).length === SIDES.length);
  const old = ringsOf(rest.view.of(atRest));
  const fresh = rings.filter(
    (ring) => !old.some(({ what, thickness }) => what === ring.what && thickness >= ring.thickness),
  );
  const [ring] = fresh;
  if (ring) {
    const behind = around(rest, atRest, ring.offset + ring.thickness / 2);
    if (typeof behind !== 'string') {
      const { foreground, background } = worst(
        fresh.map(({ colour }) => colour),
        behind,
      );
      const thickness = Math.max(...fresh.map((own) => own.thickness));
      found.push({ what: ring.what, thickness, colour: foreground, before: background });
    }
  }
  const now = appearanceOf(focused, element).colours;
  const before = appearanceOf(rest, atRest).colours;
  found.push({ what: 'ground', thickness: Infinity, colour: now.ground, before: before.ground });
  const width = Math.min(...SIDES.map((side) => px(style.text(`border-${side}-width`))));
  if (width > 0) found.push({ what: 'border', thickness: width, colour: now.edge, before: before.edge });
  return found;
}

const isCutSomewhere = ({ focused, element }: FocusInput): boolean =>
  ringsOf(focused.view.of(element)).some((ring) => seenSides(focused, element, ring).length < SIDES.length);

/** WCAG 2.2, 2.4.13 (AAA): large enough, and 3 to 1 between the focused and the unfocused state. */
export function checkFocusAppearance(input: FocusInput): Check {
  const blank = (verdict: Blank, reason: string) => without('2.4.13', verdict, NEEDED_EDGE, reason);
  const { focused, element } = input;
  const hidden = hiddenBy(focused.view, element);
  if (hidden) return blank(hiddenVerdict(hidden), hidden);
  if (focused.view.of(element).text('outline-style') === 'auto')
    return blank('exempt', 'The browser draws its own ring.');
  const found = indicators(input);
  const large = found.filter(({ thickness }) => thickness >= NEEDED_THICKNESS);
  const best = large.reduce<{ ratio: number; of: Indicator } | undefined>((high, own) => {
    const ratio = contrastRatio(own.colour, own.before);
    return !high || ratio > high.ratio ? { ratio, of: own } : high;
  }, undefined);
  const thin = found.find(
    ({ thickness, colour, before }) => thickness < NEEDED_THICKNESS && contrastRatio(colour, before) >= NEEDED_EDGE,
  );
  const ratio = best?.ratio ?? 1;
  const passes = ratio >= NEEDED_EDGE;
  return {
    ...blank('exempt', ''),
    verdict: passes ? 'passes' : 'short',
    measured: ratio,
    foreground: best?.of.colour,
    background: best?.of.before,
    reason: passes
      ? undefined
      : thin
        ? `Its ${thin.what} is ${thin.thickness} px thick; ${NEEDED_THICKNESS} px are needed.`
        : isCutSomewhere(input)
          ? 'What holds it cuts off a part of its focus ring.'
          : 'Nothing that is large enough changes by 3 to 1.',
  };
}
