import { many, oneOf, type Behaviour } from './behaviour.js';

/** A line that runs past its window without end. */
export const TICKER_RUN: Behaviour = {
  name: 'ticker',
  label: 'Running line',
  rows: [
    many('Speed', 'run-speed', '60px', { unit: 'px', least: 0, most: 400, step: 5 }),
    oneOf('Runs towards', 'run-to', 'start end'),
  ],
};
