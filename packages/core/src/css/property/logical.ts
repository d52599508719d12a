/** Which way a box's text runs; decides what logical names stand for. */
export interface Flow {
  readonly vertical: boolean;
  /** In vertical writing: lines follow each other from right to left. */
  readonly blockFromRight: boolean;
  readonly inlineFromEnd: boolean;
}

export const HORIZONTAL_FLOW: Flow = { vertical: false, blockFromRight: false, inlineFromEnd: false };

// One object for each flow, so that what is worked out for a flow can be kept under it.
const FLOWS = new Map<string, Flow>();

export function flowOf(writingMode: string, direction: string): Flow {
  const rtl = direction === 'rtl';
  if (writingMode === 'horizontal-tb' && !rtl) return HORIZONTAL_FLOW;
  const key = `${writingMode} ${direction}`;
  let flow = FLOWS.get(key);
  if (!flow) {
    flow = {
      vertical: writingMode !== 'horizontal-tb',
      blockFromRight: writingMode === 'vertical-rl' || writingMode === 'sideways-rl',
      inlineFromEnd: writingMode === 'sideways-lr' ? !rtl : rtl,
    };
    FLOWS.set(key, flow);
  }
  return flow;
}

type Edge = 'block-start' | 'block-end' | 'inline-start' | 'inline-end';

/** The physical side of a logical one (CSS Writing Modes 4, section 6.4). */
function sideOf(edge: Edge, flow: Flow): string {
  const start = edge.endsWith('start');
  if (edge.startsWith('block')) {
    if (!flow.vertical) return start ? 'top' : 'bottom';
    return start === flow.blockFromRight ? 'right' : 'left';
  }
  const first = start !== flow.inlineFromEnd;
  if (flow.vertical) return first ? 'top' : 'bottom';
  return first ? 'left' : 'right';
}

const EDGE =
  /^(margin|padding|border|inset|scroll-margin|scroll-padding)-(block-start|block-end|inline-start|inline-end)(-(?:color|style|width))?$/;
const SIZE = /^(min-|max-|contain-intrinsic-)?(inline|block)-size$/;
const CORNER = /^border-(start|end)-(start|end)-radius$/;
const AXIS = /^(overflow|overscroll-behavior)-(inline|block)$/;

const answers = new Map<string, boolean>();

export function isLogical(name: string): boolean {
  let answer = answers.get(name);
  if (answer === undefined) {
    answer = EDGE.test(name) || SIZE.test(name) || CORNER.test(name) || AXIS.test(name);
    if (answers.size < 10_000) answers.set(name, answer);
  }
  return answer;
}

const known = new Map<string, string>();

/** The physical longhand that a logical one sets in a flow; any other name as it is. */
export function physicalName(name: string, flow: Flow): string {
  if (!isLogical(name)) return name;
  const key = `${name}|${flow.vertical}|${flow.blockFromRight}|${flow.inlineFromEnd}`;
  let physical = known.get(key);
  if (physical === undefined) known.set(key, (physical = resolve(name, flow)));
  return physical;
}

function resolve(name: string, flow: Flow): string {
  const edge = EDGE.exec(name);
  if (edge) {
    const side = sideOf(edge[2] as Edge, flow);
    return edge[1] === 'inset' ? side : `${edge[1]}-${side}${edge[3] ?? ''}`;
  }
  const size = SIZE.exec(name);
  if (size) return (size[1] ?? '') + ((size[2] === 'inline') !== flow.vertical ? 'width' : 'height');
  const corner = CORNER.exec(name);
  if (corner) {
    const sides = [sideOf(`block-${corner[1]}` as Edge, flow), sideOf(`inline-${corner[2]}` as Edge, flow)];
    const vertical = sides.find((side) => side === 'top' || side === 'bottom')!;
    return `border-${vertical}-${sides.find((side) => side !== vertical)!}-radius`;
  }
  const axis = AXIS.exec(name);
  if (axis) return `${axis[1]}-${(axis[2] === 'inline') !== flow.vertical ? 'x' : 'y'}`;
  return name;
}
