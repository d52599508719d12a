import { showRatio } from '../colour/contrast.js';
import { measureScene } from '../paint/measure.js';
import { COVERED, type Measurement } from '../paint/measurement.js';
import type { Looking } from '../paint/scene.js';
import { marked } from '../paint/scene-nodes.js';
import { once } from '../memo/once.js';
import { ancestors, type ElementNode } from '../tree/tree.js';
import { without, type Blank, type Check, type Level } from './check.js';
import { drawnSize } from './drawn-size.js';
import { firstCases } from './first-of-text.js';
import { COVERS, hiddenBy, hiddenVerdict, isMovedByState, isOutOfReach, textHiddenBy } from './hidden.js';
import { listMarkOf } from './list-mark.js';
import { isSwitchedOff } from './switched-off.js';
import { isLarge, textCase, unlessFound, type TextCase } from './text-case.js';
import { verdictOf } from './verdict.js';
import { atAnyTime } from './while-animated.js';

/** WCAG 2.2, 1.4.3 level AA. */
export const NEEDED_NORMAL = 4.5;
export const NEEDED_LARGE = 3;
/** WCAG 2.2, 1.4.6 level AAA. */
export const ENHANCED_NORMAL = 7;
export const ENHANCED_LARGE = 4.5;

const neededFor = (large: boolean, level: Level) =>
  level === 'AAA' ? (large ? ENHANCED_LARGE : ENHANCED_NORMAL) : large ? NEEDED_LARGE : NEEDED_NORMAL;

const LOGO = /(^|[-_])logo(type|mark)?$/i;

/** What is named a logo, whose text WCAG 2.2, 1.4.3 exempts; that it is one, its owner alone knows. */
const mayBeLogo = (element: ElementNode): boolean =>
  [element, ...ancestors(element)]
    .slice(0, 3)
    .some((node) => node.classes.some((name) => LOGO.test(name)) || LOGO.test(node.id ?? ''));

const ONLY_EMOJI = /^(?:\p{Emoji_Presentation}|\p{Extended_Pictographic}|\p{Emoji_Modifier}|\u{FE0F}|\u{200D}|\s)+$/u;
const IN_COLOUR = /\p{Emoji_Presentation}|\u{FE0F}/u;

/** Glyphs that bring colours of their own. */
function isEmoji(element: ElementNode): boolean {
  const own = element.content.filter((item) => typeof item === 'string').join('');
  return own.trim() !== '' && ONLY_EMOJI.test(own) && IN_COLOUR.test(own);
}

interface Excuse {
  readonly verdict: Blank;
  readonly reason: string;
}

/** Why a text is not judged. */
function excuseOf(looking: Looking, carrier: ElementNode, pseudo: string | undefined): Excuse | undefined {
  const { view } = looking;
  const hidden = hiddenBy(view, carrier) ?? textHiddenBy(view.of(carrier, pseudo), pseudo);
  if (hidden) return { verdict: hiddenVerdict(hidden), reason: hidden };
  const mark = pseudo === 'marker' ? listMarkOf(view, carrier) : undefined;
  if (mark === 'bullet') return { verdict: 'exempt', reason: 'A bullet is decoration.' };
  if (mark === 'picture') return { verdict: 'unsure', reason: 'The mark is a picture, whose colours are not told.' };
  if (isSwitchedOff(view, carrier)) return { verdict: 'exempt', reason: 'Disabled controls are exempt.' };
  if (isEmoji(carrier)) return { verdict: 'exempt', reason: 'Emoji have colours of their own.' };
  return undefined;
}

const AWAY: Excuse = { verdict: 'unseen', reason: 'It stands outside of the page.' };

/** What was found out about the texts of a page that is looked at, by what was asked. */
const checksOf = once((_looking: Looking) => new Map<string, Check>());

/** Measures one text by WCAG 2.2: 1.4.3 at level AA, 1.4.6 at level AAA. */
export const checkText = (looking: Looking, carrier: ElementNode, level: Level = 'AA', pseudo?: string): Check =>
  unlessFound(checksOf(looking), `${carrier.order} ${pseudo ?? ''} ${level}`, () =>
    checkAfresh(looking, carrier, level, pseudo),
  );

function checkAfresh(looking: Looking, carrier: ElementNode, level: Level, pseudo: string | undefined): Check {
  const { view, geometry } = looking;
  const known = excuseOf(looking, carrier, pseudo);
  const isAway = !known && isOutOfReach(geometry, view, carrier);
  const excuse = known ?? (isAway && !isMovedByState(view, carrier) ? AWAY : undefined);
  if (!excuse) {
    // What a state brings into the page was measured where it was before.
    const asSeen = isAway ? { ...looking, geometry: undefined } : looking;
    const check = atAnyTime(asSeen, carrier, (at) => judgeAll(at, carrier, level, pseudo));
    if (check.verdict !== 'short' || !mayBeLogo(carrier)) return check;
    const reason = `As text it fails, at ${showRatio(check.measured!)}. Is it a logo? Then nothing is required of it.`;
    return { ...without(check.criterion, 'unsure', check.needed, reason, check.basis), large: check.large };
  }
  const style = looking.view.of(carrier, pseudo);
  const large = isLarge(drawnSize(style), style.fontWeight);
  const criterion = level === 'AAA' ? ('1.4.6' as const) : ('1.4.3' as const);
  return { ...without(criterion, excuse.verdict, neededFor(large, level), excuse.reason), large };
}

/** A text with its first letter and line, where these are painted otherwise; the worst of them speaks. */
function judgeAll(looking: Looking, carrier: ElementNode, level: Level, pseudo: string | undefined): Check {
  const text = textCase(looking, carrier, pseudo);
  const check = judgeText(text, level);
  if (pseudo !== undefined) return check;
  const firsts = firstCases(looking.view, text).map(({ text: own, where }): Check => {
    const first = judgeText(own, level);
    return { ...first, reason: first.reason ?? where };
  });
  return worstOf([check, ...firsts])!;
}

/** The check of a text that is to be judged. */
function judgeText(text: TextCase, level: Level): Check {
  const criterion = level === 'AAA' ? ('1.4.6' as const) : ('1.4.3' as const);
  const needed = neededFor(text.large, level);
  const { basis, doubt } = text.scene;
  const blank = (verdict: Blank, reason: string): Check => ({
    ...without(criterion, verdict, needed, reason, basis),
    large: text.large,
  });
  if (doubt) return blank('unsure', doubt);
  const found = measureScene(text.scene, text.areas, needed, text.halo);
  if (found === COVERED) return blank('unseen', COVERS);
  if (!found) return blank('unsure', 'Too much lies behind it for every case to be tried.');
  const measured = betterOutlined(found, text, needed);
  const verdict = verdictOf(measured, needed);
  if (!verdict) {
    const what = found.varies === 'picture' ? 'picture' : 'gradient';
    return blank(
      'unsure',
      `Some of the ${what} behind passes and some does not; which part it is, only geometry tells.`,
    );
  }
  return {
    criterion,
    verdict,
    measured: measured.worst,
    needed,
    unit: 'ratio',
    large: text.large,
    foreground: measured.foreground,
    background: measured.background,
    reason: measured.varies && basis === 'geometry' ? varying(measured) : undefined,
    basis,
    at: measured.at,
    share: measured.varies ? measured.share : undefined,
    varies: measured.varies,
  };
}

/** Letters with an outline are read by it where it stands out from the ground better than they from it. */
function betterOutlined(found: Measurement, { outline, scene, areas }: TextCase, needed: number): Measurement {
  if (!outline) return found;
  const byOutline = measureScene({ ...scene, nodes: marked(scene.nodes, outline) }, areas, needed);
  return byOutline && byOutline !== COVERED && byOutline.worst > found.worst ? byOutline : found;
}

const varying = ({ varies }: Measurement): string =>
  varies === 'picture'
    ? 'Measured over the picture behind it, in its worst place.'
    : varies === 'gradient'
      ? 'Measured over the gradient behind it, in its worst place.'
      : 'Measured where what lies behind it ends, in its worst place.';

/**
 * The check of a text at level AAA (WCAG 2.2, 1.4.6) from that at level AA: the same measurement, asked for more. Where
 * places differ the worst of them decides.
 */
export function enhanced<C extends Check>(check: C): C {
  const needed = neededFor(check.large, 'AAA');
  const { measured } = check;
  const verdict = measured === undefined ? check.verdict : measured >= needed ? 'passes' : 'short';
  return { ...check, criterion: '1.4.6', needed, verdict };
}

const SEVERITY = { short: 4, unsure: 3, passes: 2, unseen: 1, exempt: 0 } as const;

/** The check that decides for several: short before unsure before passing before what nobody sees, and then the lowest margin. */
export function worstOf(checks: readonly Check[]): Check | undefined {
  const margin = (check: Check) => (check.measured ?? Infinity) / (check.needed || 1);
  return checks.reduce<Check | undefined>((worst, check) => {
    if (!worst) return check;
    const difference = SEVERITY[check.verdict] - SEVERITY[worst.verdict];
    return difference > 0 || (difference === 0 && margin(check) < margin(worst)) ? check : worst;
  }, undefined);
}
