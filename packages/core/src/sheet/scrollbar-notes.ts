import type { FoundPart } from '../component/parts.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import type { Subject } from '../component/subject.js';

/** Width of a bar that a desktop browser draws by itself, in CSS pixels; it differs from system to system. */
const USUAL = 15;
/** Common practice: 10 to 25 px wide, 15 or more easy to grab. */
const LEAST = 10;
const MOST = 25;

const pixels = (text: string): number | undefined => (text.endsWith('px') ? Number.parseFloat(text) : undefined);

/** What a scrollbar's width does to the page, and whether it can be grabbed. */
export function scrollbarNotes(
  parts: readonly FoundPart[],
  site: (subject: Subject) => ElementStyle,
  look: (subject: Subject) => ElementStyle,
): string[] {
  const [subject] = parts.find(({ part }) => part.name === 'bar')?.subjects ?? [];
  if (!subject) return [];
  const before = pixels(site(subject).text('width'));
  const after = pixels(look(subject).text('width'));
  if (after === undefined) return ['The width is the browser’s own; set one, and the parts below are drawn.'];
  const difference = after - (before ?? USUAL);
  const usual = before === undefined ? ` than with a usual bar of ${USUAL} px` : ' than before';
  const notes = [
    difference === 0
      ? `The bar takes ${after} px${before === undefined ? ', as a usual bar does' : ', as before'}.`
      : `The bar takes ${after} px; the page is ${Math.abs(difference)} px ${difference > 0 ? 'narrower' : 'wider'}${usual}.`,
  ];
  if (after === 0) notes.push('With no width there is no bar, and nothing shows that the page goes on.');
  else if (after < LEAST) notes.push(`Under ${LEAST} px it is hard to see and to grab.`);
  else if (after < USUAL) notes.push(`From ${USUAL} px on it is easy to grab.`);
  else if (after > MOST) notes.push(`Over ${MOST} px it takes more of the page than people expect.`);
  return notes;
}
