/** A compound by the names that an element must have for it. */
export interface PlainCompound {
  readonly tag: string | undefined;
  readonly id: string | undefined;
  readonly classes: readonly string[];
}

/** A selector of a plain list: what the element itself must be called, and what some of those around it must be. */
export interface PlainSelector {
  readonly last: PlainCompound;
  readonly around: readonly PlainCompound[];
}

interface Draft extends PlainCompound {
  tag: string | undefined;
  id: string | undefined;
  readonly classes: string[];
}
const draft = (): Draft => ({ tag: undefined, id: undefined, classes: [] });

const TOKEN = /\s*([,>+~])\s*|(\s+)|([.#:]|::)?(-?[a-z_][\w-]*)|\*/iy;

/**
 * What a list of selectors asks of names, told from its text alone where it holds nothing but names, states without
 * arguments and combinators: most of a sheet's selectors reach nothing on a page, and need not be compiled to tell so.
 * Whether the list is valid is not looked at.
 *
 * @returns undefined for any other list, and where some element is asked for no name
 */
export function readPlainList(text: string): readonly PlainSelector[] | undefined {
  const list = text.trim();
  const selectors: PlainSelector[] = [];
  let around: PlainCompound[] = [];
  let last = draft();
  const finish = () => {
    if (last.tag === undefined && last.id === undefined && !last.classes.length) return false;
    selectors.push({ last, around });
    return true;
  };
  TOKEN.lastIndex = 0;
  for (let at = 0; at < list.length; at = TOKEN.lastIndex) {
    const match = TOKEN.exec(list);
    if (!match) return undefined;
    const [, sign, space, mark, name] = match;
    if (sign === ',') {
      if (!finish()) return undefined;
      [around, last] = [[], draft()];
    } else if (sign !== undefined || space !== undefined) {
      // What stands before `+` and `~` is no ancestor.
      if (sign === undefined || sign === '>') around.push(last);
      last = draft();
    } else if (name === undefined) continue;
    else if (mark === '.') last.classes.push(name);
    else if (mark === '#') last.id = name;
    else if (mark === undefined) last.tag = name.toLowerCase();
  }
  return finish() ? selectors : undefined;
}
