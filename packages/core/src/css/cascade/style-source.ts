import type { Environment } from '../conditions/environment.js';
import type { FontMetrics, ValueSource } from '../values/context.js';
import { MEDIUM } from '../values/font.js';
import { containerFor } from './container.js';
import { attributeOf } from './element-facts.js';
import type { ContainerSize, StyleView } from './style-view.js';

/** What relative values ask of the element that they are of. */
export interface SourceStyle extends StyleView {
  readonly parent: SourceStyle | undefined;
  readonly root: SourceStyle;
  /** In CSS pixels. */
  readonly fontSize: number;
  /** Line height in pixels; undefined when only the font knows it. */
  readonly lineHeightPx: number | undefined;
  /** Metrics of the first family that has any. */
  readonly metrics: FontMetrics | undefined;
  readonly scheme: 'light' | 'dark';
}

/** What a relative value of one element refers to, worked out only when it asks. */
export class StyleSource implements ValueSource {
  constructor(
    /** Undefined above the root, where initial values hold. */
    private readonly style: SourceStyle | undefined,
    /** Line heights are the parent's where the value itself decides the line height. */
    private readonly lineOfParent: boolean,
    readonly base: string | undefined,
    readonly environment: Environment,
    readonly unresolved: (what: string) => void,
  ) {}

  get em(): number {
    return this.style?.fontSize ?? MEDIUM.px;
  }
  get rem(): number {
    return this.style ? this.style.root.fontSize : MEDIUM.px;
  }
  get lh(): number | undefined {
    const of = this.lineOfParent && this.style?.parent ? this.style.parent : this.style;
    return of?.lineHeightPx;
  }
  get rlh(): number | undefined {
    return this.style?.root.lineHeightPx;
  }
  get container(): ContainerSize {
    return this.style?.parent ? containerFor(this.style.parent) : this.environment;
  }
  get metrics(): FontMetrics | undefined {
    return this.style?.metrics;
  }
  get rootMetrics(): FontMetrics | undefined {
    return this.style?.root.metrics;
  }
  get currentColour(): string {
    return this.style?.text('color') ?? 'rgb(0, 0, 0)';
  }
  get scheme(): 'light' | 'dark' {
    return this.style?.scheme ?? 'light';
  }
  attribute = (name: string) => this.style && attributeOf(this.style, name);
}
