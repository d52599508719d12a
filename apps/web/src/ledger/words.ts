import { LEVELS, showRatio, type Check, type Criterion } from '@retoque/core';

/** WCAG's own names of the criteria, and ours of what is advice. */
export const CRITERIA: Readonly<Record<Criterion, string>> = {
  '1.4.1': 'Use of color',
  '1.4.3': 'Contrast (minimum)',
  '1.4.6': 'Contrast (enhanced)',
  '1.4.11': 'Non-text contrast',
  '1.4.13': 'Content on hover or focus',
  '2.2.2': 'Pause, stop, hide',
  '2.3.3': 'Animation from interactions',
  '2.4.7': 'Focus visible',
  '2.4.13': 'Focus appearance',
  '2.5.5': 'Target size (enhanced)',
  '2.5.8': 'Target size (minimum)',
  distinct: 'States told apart',
  leftover: 'Nothing left over',
  transition: 'On the way',
  comfort: 'Comfort',
  weight: 'Weight of pictures',
};

export const criterionWords = (criterion: Criterion): string => {
  const level = LEVELS[criterion];
  return level === 'advice' ? 'Advice' : `${criterion}, ${level}`;
};

/** A figure with its unit; ratios and differences are rounded down. */
export function figureWords({ measured, unit }: Check): string {
  if (measured === undefined || unit === 'share') return '';
  if (unit === 'px') return `${Math.floor(measured * 10) / 10} px`;
  if (unit === 'ms') return Number.isFinite(measured) ? `${Math.round(measured)} ms` : 'no end';
  if (unit === 'kB') return `${Math.round(measured)} kB`;
  return showRatio(measured);
}

export const neededWords = ({ needed, unit }: Check): string =>
  !needed || unit === 'share' ? '' : unit === 'px' ? `${needed} px` : unit === 'ms' ? `${needed} ms` : String(needed);

export const VERDICTS = {
  short: 'Fails',
  unsure: 'Unsure',
  passes: 'Passes',
  unseen: 'Not shown',
  exempt: 'Not required',
} as const;

/** Which widths a line is about, in a word. */
export const widthWords = (viewports: readonly string[]): string =>
  viewports.length >= 3 ? 'every width' : viewports.join(', ');
