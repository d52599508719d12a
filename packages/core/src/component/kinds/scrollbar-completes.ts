import type { Completes, Completion } from '../kind.js';
import { hasGround } from '../../css/cascade/has-ground.js';
import { isAuthored, scrollbarColours } from '../../css/cascade/scrollbar.js';

/** Colours of a usual bar; its thumb is told from its track. */
const [USUAL_THUMB, USUAL_TRACK] = ['#757575', '#f1f1f1'];
/** Width of a usual bar, in CSS pixels. */
const USUAL = '15px';

/**
 * A bar that has a rule is drawn by its rules alone (Chromium: without one for the bar itself those for its pieces count
 * for nothing, and the standard properties switch all of them off). So a look of one piece brings the others along, in
 * the colours that the site gave them by the standard properties, or else in usual ones.
 */
export const completesScrollbar: Completes = (said, site) => {
  if (![...said.parts].some((part) => part !== 'box')) return [];
  const added: Completion[] = [];
  const add = (part: string, property: string, value: string) => {
    if (!said.sets(part, property)) added.push({ part, property, value });
  };
  const box = site('box');
  const colours = box && scrollbarColours(box.text('scrollbar-color'));
  const isStandard = colours !== undefined || (box?.text('scrollbar-width') ?? 'auto') !== 'auto';
  if (colours) add('box', 'scrollbar-color', 'auto');
  if (isStandard) add('box', 'scrollbar-width', 'auto');
  // The site draws the bar by rules of its own already.
  const bar = site('bar');
  const isStyled = bar !== undefined && isAuthored(bar);
  if (!isStandard && isStyled) return added;
  if (!isStyled && !said.parts.has('bar')) for (const side of ['width', 'height']) add('bar', side, USUAL);
  const [thumb, track] = colours ?? [USUAL_THUMB, USUAL_TRACK];
  for (const [part, usual] of [
    ['track', track],
    ['thumb', thumb],
  ] as const) {
    const own = site(part);
    const isDrawn = own && hasGround(own);
    if (!isDrawn && !said.sets(part, 'background-image')) add(part, 'background-color', usual);
  }
  return added;
};
