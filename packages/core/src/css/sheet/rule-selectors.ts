import { compileText, InvalidSelectorError } from '../selector/match.js';
import { readPlainList, type PlainSelector } from '../selector/plain-list.js';
import type { CompiledSelector } from '../selector/types.js';

/** What a rule stands in, as far as its selectors are concerned. */
export interface SelectorPlace {
  /** Selectors of the rule around it; what `&` stands for. */
  readonly parents: RuleSelectors | undefined;
  readonly isScoped: boolean;
}

/** The selectors of a rule as they are written. They are compiled when something first asks for them. */
export class RuleSelectors {
  private compiled: readonly CompiledSelector[] | undefined;
  private reason: string | undefined;
  private names: readonly PlainSelector[] | null | undefined;

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
    if (this.names === undefined) this.names = (parents || isScoped ? undefined : readPlainList(this.written)) ?? null;
    return this.names ?? undefined;
  }

  /** Classes that they name. */
  get classNames(): readonly string[] {
    const compounds =
      this.plain?.flatMap(({ last, around, beside }) => [last, ...around, ...beside]) ??
      this.list.flatMap((selector) => selector.compounds);
    return compounds.flatMap(({ classes }) => classes);
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
