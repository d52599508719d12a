import { many, oneOf, where, type Behaviour } from './behaviour.js';

/** Messages that come one after the other, in the room of the longest of them. */
export const NOTICES: Behaviour = {
  name: 'notices',
  label: 'Messages in turn',
  moves: (settingOf) => settingOf('--rq-turn') !== 'by-hand',
  rows: [
    oneOf('Turning', 'turn', 'by-itself by-hand'),
    many('Pace', 'turn-pace', '6s', { unit: 's', least: 2, most: 120, step: 0.5 }, where('turn', 'by-itself')),
    oneOf('Way of turning', 'turn-way', 'fade slide none'),
    many('Time of a turn', 'turn-time', '0.4s', { unit: 's', least: 0, most: 3, step: 0.1 }),
  ],
};
