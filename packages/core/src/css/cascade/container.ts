import { generate, type CssNode } from 'css-tree';
import type { ContainerCondition } from '../sheet/sheet.js';
import type { ContainerSize, StyleView } from './style-view.js';
import { compareBy, evaluateJoined, type Truth } from '../conditions/truth.js';
import { lookup } from '../../base/lookup.js';

const childrenOf = (node: CssNode): CssNode[] =>
  'children' in node && node.children ? (node.children as unknown as { toArray(): CssNode[] }).toArray() : [];

interface Loose {
  type: string;
  name?: string;
  kind?: string;
  feature?: string;
  value?: CssNode | null;
  left?: CssNode;
  middle?: CssNode;
  right?: CssNode | null;
  leftComparison?: string;
  rightComparison?: string | null;
}

const AXES: Readonly<Record<string, 'width' | 'height'>> = lookup({
  width: 'width',
  'inline-size': 'width',
  height: 'height',
  'block-size': 'height',
});

/** Evaluates the query of one container (CSS Conditional 5, section 5). */
class Query {
  constructor(
    private readonly style: StyleView,
    private readonly size: ContainerSize,
  ) {}

  evaluate(node: CssNode): Truth {
    const loose = node as unknown as Loose;
    switch (loose.type) {
      case 'Condition':
        return evaluateJoined(childrenOf(node), (item) => this.evaluate(item));
      case 'Feature':
        return this.feature(loose.name!.toLowerCase(), loose.value ?? undefined);
      case 'FeatureRange':
        return this.range(loose);
      case 'FeatureFunction':
        return loose.feature?.toLowerCase() === 'style' && loose.value ? this.styleQuery(loose.value) : undefined;
      default:
        return undefined;
    }
  }

  private amount(node: CssNode): number | undefined {
    const word = node.type === 'Identifier' ? AXES[node.name.toLowerCase()] : undefined;
    if (word) return this.size[word];
    if (node.type === 'Ratio') {
      const [left, right] = [this.amount(node.left as CssNode), node.right ? this.amount(node.right as CssNode) : 1];
      return left === undefined || right === undefined ? undefined : left / right;
    }
    if (node.type === 'Number') return Number(node.value);
    return this.style.toPx(generate(node));
  }

  private actual(name: string): number | undefined {
    const axis = AXES[name];
    if (axis) return this.size[axis];
    const { width, height } = this.size;
    return name === 'aspect-ratio' && width !== undefined && height !== undefined ? width / height : undefined;
  }

  private feature(name: string, value: CssNode | undefined): Truth {
    const bound = /^(min|max)-(.+)$/.exec(name);
    const { width, height } = this.size;
    if (name === 'orientation') {
      if (width === undefined || height === undefined) return undefined;
      const actual = height >= width ? 'portrait' : 'landscape';
      return value?.type === 'Identifier' ? value.name.toLowerCase() === actual : !value;
    }
    const actual = this.actual(bound ? bound[2]! : name);
    const wanted = value && this.amount(value);
    if (actual === undefined) return undefined;
    if (!value) return actual > 0;
    if (wanted === undefined) return undefined;
    return bound ? compareBy(bound[1] === 'min' ? '>=' : '<=', actual, wanted) : compareBy('=', actual, wanted);
  }

  private range(node: Loose): Truth {
    const left = this.amount(node.left!);
    const middle = this.amount(node.middle!);
    if (left === undefined || middle === undefined) return undefined;
    const first = compareBy(node.leftComparison!, left, middle);
    if (!node.right || !node.rightComparison) return first;
    const right = this.amount(node.right);
    return right === undefined ? undefined : first && compareBy(node.rightComparison, middle, right);
  }

  /** `style(--name: value)`; other properties are not asked for by any browser yet. */
  private styleQuery(node: CssNode): Truth {
    const [name, wanted] = generate(node)
      .replace(/^\(|\)$/g, '')
      .split(/:(.*)/s)
      .map((part) => part.trim());
    if (!name?.startsWith('--')) return undefined;
    const actual = this.style.customProperty(name);
    if (wanted === undefined) return actual !== undefined;
    return actual?.trim() === wanted;
  }
}

/** Axes along which a container's size may be asked. */
function axesOf(type: string): { width: boolean; height: boolean } {
  return { width: /size/.test(type), height: /(^|\s)size/.test(type) };
}

/** The size that container units inside `style` refer to: the nearest container's along each axis, else the viewport's. */
export function containerFor(parent: StyleView | undefined): ContainerSize {
  let width: number | undefined;
  let height: number | undefined;
  let [needsWidth, needsHeight] = [true, true];
  for (let style = parent; style && (needsWidth || needsHeight); style = style.parent) {
    const axes = axesOf(style.text('container-type'));
    if (!axes.width) continue;
    const size = definiteSize(style);
    if (needsWidth) width = size.width;
    needsWidth = false;
    if (axes.height && needsHeight) {
      height = size.height;
      needsHeight = false;
    }
  }
  const viewport = parent?.environment;
  return {
    width: needsWidth ? viewport?.width : width,
    height: needsHeight ? viewport?.height : height,
  };
}

/** Content size as far as CSS itself fixes it: lengths that depend on no layout. */
function definiteSize(style: StyleView): ContainerSize {
  const border = style.text('box-sizing') === 'border-box';
  const px = (property: string) => {
    const text = style.text(property);
    return /^[\d.]+px$/.test(text) ? Number.parseFloat(text) : undefined;
  };
  const content = (property: 'width' | 'height', sides: readonly string[]) => {
    const size = px(property);
    if (size === undefined || !border) return size;
    const around = sides.flatMap((side) => [`padding-${side}`, `border-${side}-width`]).map(px);
    return around.includes(undefined) ? undefined : around.reduce((left, part) => left! - part!, size);
  };
  return { width: content('width', ['left', 'right']), height: content('height', ['top', 'bottom']) };
}

/**
 * Answers a container query for what is inside `ancestors`, nearest first.
 *
 * @param known sizes given from outside, such as measured ones
 * @returns false without a container of that name; undefined when the container's size is not known
 */
export function answerContainer(
  condition: ContainerCondition,
  ancestors: Iterable<{ readonly style: StyleView; readonly known: ContainerSize | undefined }>,
): Truth {
  const asksSize = /\b(width|height|inline-size|block-size|aspect-ratio|orientation)\b/.test(condition.text);
  for (const { style, known } of ancestors) {
    const names = style.text('container-name').split(/\s+/);
    if (condition.name !== undefined && !names.includes(condition.name)) continue;
    const axes = axesOf(style.text('container-type'));
    if (asksSize && !axes.width) continue;
    if (!condition.node) return true;
    const size = known ?? definiteSize(style);
    return new Query(style, {
      width: size.width,
      height: axes.height ? size.height : undefined,
    }).evaluate(condition.node);
  }
  return false;
}
