import { isPlacedPseudo } from '../../page/geometry.js';
import { measureScene } from '../../paint/measure.js';
import { COVERED, type Measurement } from '../../paint/measurement.js';
import type { Basis, Looking } from '../../paint/scene.js';
import type { ElementNode } from '../../tree/tree.js';
import { without, type Check } from '../check.js';
import { excused, exemptEdge, highest, measured, NEEDED_EDGE, unsureEdge } from '../edge.js';
import { COVERS } from '../hidden.js';
import type { TextCase } from '../text-case.js';
import { atAnyTime } from '../while-animated.js';
import { drawnIcon, drawnMark, type DrawnIcon } from './drawn.js';

/** An icon ready to be tried in other colours; undefined where it is not judged, or is drawn in several. */
export function iconToTry(looking: Looking, element: ElementNode): TextCase | undefined {
  if (excused(looking.view, element)) return undefined;
  const { means, cases, unknown } = drawnIcon(looking, element) ?? { means: 'box', cases: [], unknown: undefined };
  const [only, ...more] = cases;
  const isOwn = only?.carrier === element || means === 'shapes' || means === 'letters';
  return only && isOwn && !unknown && !more.length && !only.scene.doubt ? only : undefined;
}

/**
 * Measures an icon against what lies behind it (WCAG 2.2, 1.4.11): shapes, letters, a ground cut out by a mask, bare
 * boxes, or a picture. The best of its colours shows it.
 */
export function checkIcon(looking: Looking, element: ElementNode): Check {
  const excuse = excused(looking.view, element);
  if (excuse) return excuse;
  return atAnyTime(looking, element, (at) => judgeIcon(at, element));
}

/** Measures a picture that CSS puts before or after an element in place of words; undefined where it has words. */
export function checkMark(looking: Looking, element: ElementNode, pseudo: string): Check | undefined {
  if (!isPlacedPseudo(pseudo)) return undefined;
  const drawn = drawnMark(looking, element, pseudo);
  if (!drawn) return undefined;
  const judge = (at: Looking) => judgeDrawn(drawnMark(at, element, pseudo) ?? drawn);
  return excused(looking.view, element) ?? atAnyTime(looking, element, judge);
}

function judgeIcon(looking: Looking, element: ElementNode): Check {
  const drawn = drawnIcon(looking, element);
  return drawn ? judgeDrawn(drawn) : exemptEdge('Nothing is drawn here.');
}

/** The best of the colours that something is drawn in. */
function judgeDrawn(drawn: DrawnIcon): Check {
  const checks: Check[] = [];
  let doubt = drawn.unknown;
  let isCovered = false;
  for (const { scene, areas } of drawn.cases) {
    const found = scene.doubt ? undefined : measureScene(scene, areas, NEEDED_EDGE);
    if (found === COVERED) isCovered = true;
    else if (!found || found.share === undefined) doubt = scene.doubt ?? SOMEWHERE;
    else checks.push(iconCheck(found, scene.basis));
  }
  const best = highest(checks);
  if (best?.verdict === 'passes' || (best && !doubt)) return best;
  if (doubt) return unsureEdge(doubt, drawn.cases[0]?.scene.basis);
  return isCovered ? without('1.4.11', 'unseen', NEEDED_EDGE, COVERS) : exemptEdge('Nothing is drawn here.');
}

const SOMEWHERE = 'Some of what lies behind passes and some does not; which part it is, only geometry tells.';

const iconCheck = (found: Measurement, basis: Basis): Check => ({
  ...measured(found.foreground, found.background, basis, found.at),
  measured: found.worst,
  verdict: found.worst >= NEEDED_EDGE ? 'passes' : 'short',
  ...(found.varies ? { share: found.share, varies: found.varies } : {}),
});
