import { tokenize, tokenTypes } from 'css-tree';
import type { Edit } from './edit.js';

/** A query for scripts, as written in the prelude of a media rule. */
const FEATURE = /\(\s*scripting\s*(?::\s*([a-z-]+)\s*)?\)/gi;
/** Said in place of it: holds always, and never. */
const ALWAYS = '(min-width: 0px)';
const NEVER = '(width < 0px)';

/**
 * A media query as a frame must have it. In a frame no script runs, but what is shown is the page as its visitors have
 * it, whose scripts do: so what a query asks of scripting (Media Queries 5, section 8.1) is answered here.
 */
export const withScripting = (media: string): string =>
  media.replace(FEATURE, (_, asked: string | undefined) =>
    asked === undefined || asked.toLowerCase() === 'enabled' ? ALWAYS : NEVER,
  );

/** Where the media rules of a sheet ask for scripting, and what stands there in a frame. */
export function scriptingEdits(css: string): Edit[] {
  // Hardly a sheet asks, and reading a large one takes long.
  if (!/scripting/i.test(css)) return [];
  const edits: Edit[] = [];
  let from: number | undefined;
  tokenize(css, (type, start, end) => {
    if (type === tokenTypes.AtKeyword) from = css.slice(start, end).toLowerCase() === '@media' ? end : undefined;
    else if (from !== undefined && [tokenTypes.LeftCurlyBracket, tokenTypes.Semicolon].includes(type)) {
      const written = css.slice(from, start);
      const text = withScripting(written);
      if (text !== written) edits.push({ start: from, end: start, text });
      from = undefined;
    }
  });
  return edits;
}
