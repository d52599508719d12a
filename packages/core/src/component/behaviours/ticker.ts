import { many, oneOf, type Behaviour } from './behaviour.js';

/** A line that runs past its window without end. */
export const TICKER_RUN: Behaviour = {
  name: 'ticker',
  label: 'Running line',
  moves: (settingOf) => Number.parseFloat(settingOf('--rq-run-speed') || '60') > 0,
  rows: [
    many('Speed', 'run-speed', '60px', { unit: 'px', least: 0, most: 400, step: 5 }),
    oneOf('Runs towards', 'run-to', 'start end'),
  ],
};
