/** Characters that serve as marks beside words. */
export const MARKS = ['›', '»', '/', '·', '•', '–', '|', '→', '★', '✓', '◆', '“', '”'] as const;

/** What CSS puts before or after something. */
export interface Mark {
  /** As CSS names it: a quoted text, or the address of a picture. */
  readonly mark: string;
  readonly isPicture: boolean;
  /** What screen readers say in its place: nothing where it is empty, the mark itself where it is left out. */
  readonly said: string | undefined;
}

const QUOTED = '"(?:[^"\\\\]|\\\\.)*"';
const READ = new RegExp(`^(${QUOTED}|url\\((?:${QUOTED}|[^)"]*)\\))\\s*(?:/\\s*"((?:[^"\\\\]|\\\\.)*)")?$`, 'i');

/** Reads a value of `content`; undefined for what is no single mark. */
export function markOf(value: string): Mark | undefined {
  const [, mark, said] = READ.exec(value.trim()) ?? [];
  return mark === undefined ? undefined : { mark, isPicture: /^url/i.test(mark), said };
}

/** The value of `content` for a mark. With an empty text in its place it is decoration (CSS Generated Content 3, section 1.2). */
export const markText = (mark: string, said: string | undefined): string =>
  said === undefined ? mark : `${mark} / "${said}"`;
