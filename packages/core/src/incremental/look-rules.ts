import { parseSheet } from '../css/sheet/parse-sheet.js';
import { entryOf, type CascadeSheet, type RuleEntry } from '../css/cascade/rule-entry.js';
import { CARRIED, type StateBits } from '../css/selector/states.js';
import { compileText, InvalidSelectorError } from '../css/selector/match.js';
import { RuleSelectors } from '../css/sheet/rule-selectors.js';
import { StyleRule, type Condition } from '../css/sheet/sheet.js';
import type { BareRule } from '../handover/index.js';
import { markStates } from '../page/rewrite-sheet.js';
import type { PageTree } from '../tree/tree.js';
import type { FrameRule } from './frame-rules.js';

/** One rule of a look, read once. */
export interface LookRule {
  /** Another for each rule that is told apart. */
  readonly id: number;
  /** Pointer and keyboard states without which it is idle. */
  readonly states: StateBits;
  readonly css: string;
  readonly parsed: readonly StyleRule[];
  readonly entries: readonly RuleEntry[];
  /** The same for rules with the same selectors. */
  readonly selectorId: number;
  /** With markers in place of states. */
  readonly marked: FrameRule;
}

const SHEET = 'retoque.css';
/** Rules that are kept; beyond it all are read anew. */
const MAX_RULES = 4000;

/** Reads rules of a look; an edit changes few of them, so those that were read before are not read again. */
export class LookRules {
  private readonly known = new Map<string, LookRule>();
  private readonly selectors = new Map<string, number>();
  private made = 0;

  constructor(private readonly tree: PageTree) {}

  read(part: string, bare: BareRule): LookRule {
    const key = `${part} ${bare.css}`;
    let rule = this.known.get(key);
    if (!rule) {
      if (this.known.size >= MAX_RULES) this.known.clear();
      this.known.set(key, (rule = this.readAfresh(bare)));
    }
    return rule;
  }

  private selectorIdOf(text: string): number {
    let id = this.selectors.get(text);
    if (id === undefined) this.selectors.set(text, (id = this.selectors.size + 1));
    return id;
  }

  private readAfresh(bare: BareRule): LookRule {
    const { states, css } = bare;
    const plain = readPlain(bare);
    const parsed = plain ? [plain] : parseSheet(SHEET, css).rules;
    let marked: FrameRule | undefined;
    return {
      id: ++this.made,
      states: states & ~CARRIED,
      css,
      parsed,
      entries: parsed.flatMap((rule) =>
        rule.selectors.map((selector) => entryOf(this.tree.quirks, rule, selector, -1, 0)),
      ),
      selectorId: this.selectorIdOf(parsed.map(({ selectorText }) => selectorText).join('\n')),
      // Frames alone need it.
      get marked() {
        return (marked ??= { states: states & ~CARRIED, css: markStates(css) });
      },
    };
  }
}

/** What could end a declaration early, or begin something else. */
const ENDS = /[{}[\]();!\\"'@]|\/\*/;
const NO_CONDITIONS: readonly Condition[] = [];
const NO_LAYER: readonly string[] = [];

const compiled = (selector: string) => {
  try {
    return compileText(selector);
  } catch (error) {
    if (error instanceof InvalidSelectorError) return undefined;
    throw error;
  }
};

/** A rule whose values are plain words needs no parser: its selector is known, and so are its declarations. */
function readPlain({ selector, media, declarations }: BareRule): StyleRule | undefined {
  const isPlain = ({ value }: BareRule['declarations'][number]) =>
    !ENDS.test(value.replace(/^(rgba?|hsla?|oklch|oklab|lab|lch|var)\([\w\s.,%/-]*\)$/, 'x'));
  if (media || !declarations.every(isPlain)) return undefined;
  const place = { sheet: SHEET, line: 1, column: 1 };
  const selectors = compiled(selector);
  if (!selectors) return undefined;
  return new StyleRule({
    selectors: RuleSelectors.of(selectors, selector),
    raw: declarations.map(({ property, value, important }) => ({ property, text: value, important, place })),
    conditions: NO_CONDITIONS,
    layer: NO_LAYER,
    scope: undefined,
    place,
    base: undefined,
    quirks: false,
  });
}

/** Rules as a sheet that stands behind those of a page. */
export const sheetOf = (rules: readonly LookRule[]): CascadeSheet => {
  const written = rules.flatMap(({ parsed }) => parsed);
  return {
    sheet: {
      name: SHEET,
      rules: written,
      written,
      layers: [],
      imports: [],
      registered: [],
      keyframes: [],
      problems: [],
    },
    origin: 'author',
    conditions: [],
    layer: [],
  };
};
