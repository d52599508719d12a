import { kept, many, oneOf, where, ZONE, type Behaviour } from './behaviour.js';

/** When something comes, how often, where and from when to when. */
export const APPEARING: Behaviour = {
  name: 'appear',
  label: 'Appearing',
  rows: [
    oneOf('Appears', 'appear', 'at-once after scrolled leaving pressed'),
    many('After', 'appear-after', '5s', { unit: 's', least: 0, most: 3600, step: 1 }, where('appear', 'after')),
    many(
      'Scrolled by',
      'appear-scrolled',
      '50%',
      { unit: '%', least: 0, most: 100, step: 5 },
      where('appear', 'scrolled'),
    ),
    oneOf('Once closed, again', 'again', 'always next-visit after-days never'),
    many('After days', 'again-days', '7', { unit: '', least: 1, most: 3650, step: 1 }, where('again', 'after-days')),
    kept('pages', 'On pages', 'pages', '…'),
    kept('moment', 'From', 'from', ''),
    kept('moment', 'To', 'to', ''),
    ZONE,
  ],
};
