import type { StyledPage } from '../../css/cascade/page-styles.js';
import type { ElementNode } from '../../tree/tree.js';
import { textDemand, type Kind, type Signs, type Starter } from '../kind.js';
import { BOX_ROWS } from '../rows.js';
import { paints, textLength } from '../shape.js';
import { isHtml, roleOf } from '../signs.js';

const LONGEST = 12;

const isBar = (element: ElementNode): boolean =>
  isHtml(element, 'progress', 'meter') || roleOf(element) === 'progressbar';

/** A painted track with a painted piece in it, whose width says how far it is. */
const isTrack = (element: ElementNode, page: StyledPage): boolean => {
  const [piece] = element.children;
  if (!piece || textLength(element) > LONGEST || !isHtml(element, 'div', 'span')) return false;
  const isPiece = isBar(piece) || /(^|;)\s*width\s*:\s*[\d.]+%/.test(piece.attributes.get('style') ?? '');
  return isPiece && paints(page.of(element)) && paints(page.of(piece));
};

export const PROGRESS: Kind = {
  name: 'progress',
  label: 'Progress bar',
  plural: 'progress bars',
  claims: true,
  parts: [
    {
      name: 'track',
      label: 'Track',
      find: [':scope'],
      states: ['default'],
      first: [...BOX_ROWS, 'height', 'width', 'accent-color'],
    },
    {
      name: 'bar',
      label: 'Bar',
      find: [':scope > [role=progressbar]', ':scope > *'],
      states: ['default'],
      first: ['text', ...BOX_ROWS, 'height', 'transition-duration'],
    },
  ],
  demands: [
    textDemand('bar', 'Words on the bar'),
    { name: 'bar-edge', label: 'Bar against track', part: 'bar', criterion: '1.4.11', of: 'edge' },
  ],
};

export const PROGRESS_STARTER: Starter = {
  html: '<div class="rq-progress"><div role="progressbar" aria-label="Places taken" aria-valuenow="60" aria-valuemin="0" aria-valuemax="100" style="width: 60%"></div></div>',
  css: '.rq-progress { height: 12px; border-radius: 6px; background: #dfe6e8; overflow: hidden }\n.rq-progress > div { height: 100%; background: #1f4e5f }',
};

export const PROGRESS_SIGNS: Signs = {
  kind: PROGRESS,
  recognise(element, page) {
    if (isTrack(element, page)) return 0.9;
    return isBar(element) && !(element.parent && isTrack(element.parent, page)) ? 0.8 : 0;
  },
};
