import { DESKTOP } from '../css/conditions/environment.js';
import { wordHolds } from '../css/conditions/media.js';
import type { SheetText } from '../css/sheet/sheet.js';

/** What media queries of a page are answered with in a frame, where the browser that shows it would say otherwise. */
export interface FrameMedia {
  /** For whom the page is shown; whoever looks at the frame where it is left out. */
  readonly reducedMotion?: boolean | undefined;
  /**
   * Whether it is shown as on a screen that is touched, where nothing hovers but what was touched last; as on the one that
   * it is on where that is left out.
   */
  readonly touch?: boolean | undefined;
}

/** The prelude of a media rule that asks for what a frame answers. */
export interface MediaSpan {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

const FEATURE = /\(\s*(scripting|prefers-reduced-motion|(?:any-)?(?:hover|pointer))\s*(?::\s*([a-z-]+)\s*)?\)/gi;
const MENTIONS = new RegExp(FEATURE.source, 'i');
/** Said in place of a feature: holds always, and never. */
const ALWAYS = '(min-width: 0px)';
const NEVER = '(width < 0px)';

/** Whether a feature is left to the browser that shows the frame. */
const isLeft = (feature: string, { reducedMotion, touch }: FrameMedia): boolean =>
  // No script runs in a frame, but what is shown is the page as its visitors have it, whose scripts do.
  feature !== 'scripting' && (feature === 'prefers-reduced-motion' ? reducedMotion : touch) === undefined;

/** A media query as a frame must have it. */
export function withFrameMedia(query: string, media: FrameMedia): string {
  const { reducedMotion = false, touch = false } = media;
  const environment = { ...DESKTOP, reducedMotion, touch };
  return query.replace(FEATURE, (written, name: string, asked: string | undefined) => {
    const feature = name.toLowerCase();
    if (isLeft(feature, media)) return written;
    return wordHolds(feature, asked?.toLowerCase(), environment) ? ALWAYS : NEVER;
  });
}

/** Where the media rules of a sheet ask for what a frame answers. */
export const mediaSpans = ({ text: css, spans }: SheetText): MediaSpan[] =>
  spans.media.flatMap(({ start, end }) => {
    const text = css.slice(start, end);
    return MENTIONS.test(text) ? [{ start, end, text }] : [];
  });
