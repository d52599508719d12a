import { tokenize, tokenTypes } from 'css-tree';

/** What media queries of a page are answered with in a frame, where the browser that shows it would say otherwise. */
export interface FrameMedia {
  /** For whom the page is shown; whoever looks at the frame where it is left out. */
  readonly reducedMotion?: boolean | undefined;
}

/** The prelude of a media rule that asks for what a frame answers. */
export interface MediaSpan {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

const FEATURE = /\(\s*(scripting|prefers-reduced-motion)\s*(?::\s*([a-z-]+)\s*)?\)/gi;
const MENTIONS = /scripting|prefers-reduced-motion/i;
/** Said in place of a feature: holds always, and never. */
const ALWAYS = '(min-width: 0px)';
const NEVER = '(width < 0px)';

/** Whether a feature holds in a frame; undefined where that is left to the browser. Source: Media Queries 5. */
function holds(feature: string, asked: string | undefined, { reducedMotion }: FrameMedia): boolean | undefined {
  // In a frame no script runs, but what is shown is the page as its visitors have it, whose scripts do.
  if (feature === 'scripting') return asked === undefined || asked === 'enabled';
  if (reducedMotion === undefined) return undefined;
  return asked === undefined || asked === 'reduce' ? reducedMotion : asked === 'no-preference' && !reducedMotion;
}

/** A media query as a frame must have it. */
export const withFrameMedia = (query: string, media: FrameMedia): string =>
  query.replace(FEATURE, (written, feature: string, asked: string | undefined) => {
    const answer = holds(feature.toLowerCase(), asked?.toLowerCase(), media);
    return answer === undefined ? written : answer ? ALWAYS : NEVER;
  });

/** Where the media rules of a sheet ask for what a frame answers. */
export function mediaSpans(css: string): MediaSpan[] {
  // Few sheets ask, and reading a large one takes long.
  if (!MENTIONS.test(css)) return [];
  const spans: MediaSpan[] = [];
  let from: number | undefined;
  tokenize(css, (type, start, end) => {
    if (type === tokenTypes.AtKeyword) from = css.slice(start, end).toLowerCase() === '@media' ? end : undefined;
    else if (from !== undefined && [tokenTypes.LeftCurlyBracket, tokenTypes.Semicolon].includes(type)) {
      const text = css.slice(from, start);
      if (MENTIONS.test(text)) spans.push({ start: from, end: start, text });
      from = undefined;
    }
  });
  return spans;
}
