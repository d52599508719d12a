import { compileText, InvalidSelectorError } from '../selector/match.js';
import { readPlainList, type PlainSelector } from '../selector/plain-list.js';
import type { CompiledSelector } from '../selector/types.js';

/** What a rule stands in, as far as its selectors are concerned. */
export interface SelectorPlace {
  /** Selectors of the rule around it; what `&` stands for. */
  readonly parents: RuleSelectors | undefined;
  readonly isScoped: boolean;
}

const CLASS = /\.([\w-]+)/g;

/** The selectors of a rule as they are written. They are compiled when something first asks for them. */
export class RuleSelectors {
  private compiled: readonly CompiledSelector[] | undefined;
  private reason: string | undefined;

  constructor(
    private readonly written: string,
    private readonly place: SelectorPlace,
  ) {}

  /** Selectors that are compiled already. */
  static of(compiled: readonly CompiledSelector[], text: string): RuleSelectors {
    const selectors = new RuleSelectors(text, { parents: undefined, isScoped: false });
    selectors.compiled = compiled;
    return selectors;
  }

  /** Each of them, ready to match; none where any cannot be read, since browsers then drop the whole rule. */
  get list(): readonly CompiledSelector[] {
    return (this.compiled ??= this.compile());
  }

  /** The same in one text, as CSS prints it. */
  get text(): string {
    return this.list.map(({ text }) => text).join() || this.written;
  }

  /** Why browsers drop the rule; undefined where they do not. */
  get problem(): string | undefined {
    return this.list.length ? undefined : (this.reason ?? 'Its selectors cannot be read.');
  }

  /** What they ask of names, where their text alone tells it. */
  get plain(): readonly PlainSelector[] | undefined {
    const { parents, isScoped } = this.place;
    return parents || isScoped ? undefined : readPlainList(this.written);
  }

  /** Classes that they name. */
  get classNames(): readonly string[] {
    if (this.plain) return Array.from(this.written.matchAll(CLASS), ([, name]) => name!);
    return this.list.flatMap(({ compounds }) => compounds.flatMap(({ classes }) => classes));
  }

  /** Whether a text stands in them; false positives are possible, for something else may be written with it. */
  mayName(text: string): boolean {
    const isWritten = this.written.toLowerCase().includes(text) || this.written.includes('\\');
    return isWritten || (this.place.parents?.mayName(text) ?? false);
  }

  private compile(): readonly CompiledSelector[] {
    const { parents, isScoped } = this.place;
    // What stands in a rule that is dropped goes with it.
    if (parents && !parents.list.length) return [];
    try {
      if (!parents && !isScoped) return compileText(this.written);
      // Within @scope `&` stands for its root, as it does outside of any rule.
      return compileText(this.written, { parents: parents?.list ?? [], scoped: isScoped });
    } catch (error) {
      if (!(error instanceof InvalidSelectorError)) throw error;
      this.reason = `${this.written.trim()}: ${error.message}`;
      return [];
    }
  }
}
