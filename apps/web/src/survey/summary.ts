import { REST } from '@retoque/core';
import type { FoundWithChecks } from '../engine/protocol';
import { counted } from '../shell/counted';

/** How a page fares, in a sentence; all is well only where all that it shows was measured. */
export function summaryOf(all: readonly FoundWithChecks[]): string {
  const components = all.filter(({ region }) => region !== REST);
  const found = components.length
    ? counted(components.length, 'component')
    : 'No components were found on this page. Point at anything to take it';
  const looked = all.filter((item) => item.counted).length;
  const of = (test: (item: FoundWithChecks) => boolean) => all.filter(test).length;
  const short = of((item) => item.short > 0);
  if (looked < all.length) return `${found}, ${looked} of ${all.length} looked at so far, ${short} fail on contrast`;
  const sections = all.length - components.length;
  const whole = sections ? `${found}, and the rest of the page in ${counted(sections, 'section')}` : found;
  if (!all.length) return `${found}.`;
  const unsure = of((item) => item.unsure > 0);
  const unseen = of((item) => item.unseen > 0);
  const words = [
    ...(short ? [`${short} fail on contrast`] : []),
    ...(unsure ? [`${unsure} with figures that are unsure`] : []),
    ...(unseen ? [`${unseen} in part not shown here, so not measured`] : []),
  ];
  return words.length ? `${whole}: ${words.join(', ')}.` : `${whole}: all text and controls with enough contrast.`;
}
