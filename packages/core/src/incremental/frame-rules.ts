/** A rule of the look with markers in place of states, and the pointer and keyboard states without which it is idle. */
export interface FrameRule {
  readonly states: number;
  readonly css: string;
}

/** The rules of one part's look; they stand in a sheet of their own, so that an edit replaces no more than it must. */
export interface FrameRules {
  /** Another whenever the rules are. */
  readonly id: number;
  readonly rules: readonly FrameRule[];
}

/** The CSS for a frame in which these states are forced somewhere; what can have no say in it is left out. */
export const frameCss = ({ rules }: FrameRules, forced: number): string =>
  rules.flatMap(({ states, css }) => ((states & ~forced) === 0 ? [css] : [])).join('\n');
