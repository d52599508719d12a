import { tokenize, tokenTypes } from 'css-tree';

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

/** Whether a feature holds in a frame; undefined where that is left to the browser. Source: Media Queries 5. */
function holds(feature: string, asked: string | undefined, media: FrameMedia): boolean | undefined {
  const answer = answerTo(feature, media);
  if (answer === undefined) return undefined;
  return asked === undefined ? answer !== 'none' && answer !== 'no-preference' : asked === answer;
}

function answerTo(feature: string, { reducedMotion, touch }: FrameMedia): string | undefined {
  // In a frame no script runs, but what is shown is the page as its visitors have it, whose scripts do.
  if (feature === 'scripting') return 'enabled';
  if (feature === 'prefers-reduced-motion') {
    return reducedMotion === undefined ? undefined : reducedMotion ? 'reduce' : 'no-preference';
  }
  if (touch === undefined) return undefined;
  return feature.endsWith('hover') ? (touch ? 'none' : 'hover') : touch ? 'coarse' : 'fine';
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
