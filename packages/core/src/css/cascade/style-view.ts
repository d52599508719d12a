import type { RegisteredProperty } from '../sheet/sheet.js';
import type { Environment } from '../conditions/environment.js';
import type { ValueContext } from '../values/context.js';
import type { Applied } from './applied.js';
import type { Styled } from './element-facts.js';
import type { Widget } from './widget.js';

/** Content size of a container, in CSS pixels; an axis that is not known is undefined. */
export interface ContainerSize {
  readonly width: number | undefined;
  readonly height: number | undefined;
}

/** What parts of the cascade ask of the style of an element that they are part of. */
export interface StyleView extends Styled {
  readonly parent: StyleView | undefined;
  readonly environment: Environment;
  /** The control that the browser draws; undefined where it draws none. */
  readonly drawn: Widget | undefined;
  /** Display of the nearest ancestor with a box, which lays this element out. */
  readonly boxParentDisplay: string;
  winner(property: string): Applied | undefined;
  registered(name: string): RegisteredProperty | undefined;
  customProperty(name: string): string | undefined;
  /** The computed value in the form in which it is inherited. */
  computed(property: string): string;
  /** The computed value before other properties have their say. */
  declaredValue(property: string): string;
  /** The value as CSSOM gives it. */
  text(property: string): string;
  /** Pixels of a length here; undefined for what layout alone decides. */
  toPx(text: string): number | undefined;
  /** Runs a computation with this element as what relative values refer to. */
  inContext<T>(run: (context: ValueContext) => T): T;
}
