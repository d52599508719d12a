/** A compound by the names that an element must have for it. */
export interface PlainCompound {
  readonly tag: string | undefined;
  readonly id: string | undefined;
  readonly classes: readonly string[];
}

/** A selector of a plain list, by the names that it asks for. */
export interface PlainSelector {
  readonly last: PlainCompound;
  /** Of elements around it, the outermost first. */
  readonly around: readonly PlainCompound[];
  /** Of elements that stand before it, or before one around it. */
  readonly beside: readonly PlainCompound[];
}

const NONE: readonly PlainCompound[] = [];

interface Draft extends PlainCompound {
  tag: string | undefined;
  id: string | undefined;
  readonly classes: string[];
}
const draft = (): Draft => ({ tag: undefined, id: undefined, classes: [] });

const SIGN = /\s*([,>+~])\s*|\s+/y;
const NAME = /([.#:]|::)?(-?[a-z_][\w-]*)|\*/iy;
/** An attribute, and a pseudo-class with arguments, which hold no names of the element's own. */
const ASIDE = /\[[^\]"'\\]*(?:(?:"[^"\\]*"|'[^'\\]*')[^\]"'\\]*)?\]|:[\w-]+\((?:[^()"'\\]|\([^()"'\\]*\))*\)/y;

function matchAt(pattern: RegExp, text: string, at: number): RegExpExecArray | null {
  pattern.lastIndex = at;
  return pattern.exec(text);
}

/**
 * What a list of selectors asks of names, told from its text alone where that is made of plain names: most of a sheet's selectors reach nothing on a page, and need not be compiled to tell so.
 * Whether the list is valid is not looked at.
 *
 * @returns undefined for any other list, and where some element is asked for no name
 */
export function readPlainList(text: string): readonly PlainSelector[] | undefined {
  const list = text.trim();
  const selectors: PlainSelector[] = [];
  let around: PlainCompound[] = [];
  let beside: PlainCompound[] = [];
  let last = draft();
  const finish = () => {
    if (last.tag === undefined && last.id === undefined && !last.classes.length) return false;
    selectors.push({ last, around: around.length ? around : NONE, beside: beside.length ? beside : NONE });
    return true;
  };
  let at = 0;
  while (at < list.length) {
    const sign = matchAt(SIGN, list, at);
    const aside = sign ? null : matchAt(ASIDE, list, at);
    const named = (sign ?? aside) ? null : matchAt(NAME, list, at);
    const match = sign ?? aside ?? named;
    if (!match) return undefined;
    at += match[0].length;
    if (sign?.[1] === ',') {
      if (!finish()) return undefined;
      [around, beside, last] = [[], [], draft()];
    } else if (sign) {
      (sign[1] === undefined || sign[1] === '>' ? around : beside).push(last);
      last = draft();
    }
    const [, mark, name] = named ?? [];
    if (name === undefined) continue;
    if (mark === '.') last.classes.push(name);
    else if (mark === '#') last.id = name;
    else if (mark === undefined) last.tag = name.toLowerCase();
  }
  return finish() ? selectors : undefined;
}
