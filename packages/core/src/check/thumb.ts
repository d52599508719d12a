import { parseColour } from '../colour/parse.js';
import { over } from '../colour/composite.js';
import { WHITE } from '../colour/rgba.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { isAuthored, scrollbarColours } from '../css/cascade/scrollbar.js';
import { without, type Check } from './check.js';
import { groundsOf, lowest, measured, NEEDED_EDGE } from './edge.js';

/**
 * A scrollbar's thumb against its track, as Chromium draws them: by the standard properties where they say something, or
 * else by the pseudo-elements where the bar has a rule; then a thumb that is not painted is not seen at all.
 *
 * @param box the box that scrolls
 * @param piece the style of one of its pseudo-elements
 */
export function checkThumb(box: ElementStyle, piece: (name: string) => ElementStyle): Check {
  if (box.text('scrollbar-width') === 'none') return without('1.4.11', 'unseen', NEEDED_EDGE, 'No scrollbar is shown.');
  const standard = scrollbarColours(box.text('scrollbar-color'));
  if (standard) {
    const [thumb, track] = standard.map((text) => parseColour(text));
    if (!thumb || !track) return without('1.4.11', 'unsure', NEEDED_EDGE, 'Its colours cannot be read.');
    const ground = over(track, WHITE);
    return measured(over(thumb, ground), ground, 'ancestors');
  }
  const bar = piece('-webkit-scrollbar');
  if (box.text('scrollbar-width') !== 'auto' || !isAuthored(bar)) {
    return without('1.4.11', 'exempt', NEEDED_EDGE, 'Drawn by the browser, unchanged.');
  }
  if (bar.text('width') === '0px' || bar.text('display') === 'none') {
    return without('1.4.11', 'unseen', NEEDED_EDGE, 'No scrollbar is shown.');
  }
  const thumb = piece('-webkit-scrollbar-thumb');
  const behind = groundsOf(bar, WHITE)?.flatMap((ground) => groundsOf(piece('-webkit-scrollbar-track'), ground) ?? []);
  const checks = behind?.flatMap(
    (ground) => groundsOf(thumb, ground)?.map((colour) => measured(colour, ground, 'ancestors')) ?? [],
  );
  return (checks && lowest(checks)) ?? without('1.4.11', 'unsure', NEEDED_EDGE, 'A picture lies here.');
}
