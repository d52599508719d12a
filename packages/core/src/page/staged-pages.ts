import { environmentKey, type Environment } from '../css/conditions/environment.js';
import { RevisedRules, type RuleRevision } from '../css/cascade/revised-rules.js';
import { RuleIndex, type PageRules } from '../css/cascade/rules.js';
import { type CascadeSheet } from '../css/cascade/rule-entry.js';
import { PageStyles } from '../css/cascade/page-styles.js';
import { type KnownMeasures } from '../css/cascade/known-measures.js';
import { changesKey, stageTree, type MarkupChange } from './stage.js';
import type { PageTree } from '../tree/tree.js';

/** A page with its markup in some state, ready to be asked for styles. */
export class StagedPage {
  private readonly styles = new Map<string, PageStyles>();

  constructor(
    readonly tree: PageTree,
    readonly index: PageRules,
    private readonly known: KnownMeasures,
    /** The page that this one was made from, by more sheets or by other rules. */
    private readonly base?: StagedPage,
  ) {}

  stylesFor(environment: Environment): PageStyles {
    // What adds no rules has the very styles of the page that it was made from.
    if (this.base && this.index instanceof RuleIndex && !this.index.ownEntries.length)
      return this.base.stylesFor(environment);
    const key = environmentKey(environment);
    let styles = this.styles.get(key);
    if (!styles) {
      styles = new PageStyles(this.index, environment, this.known, this.base?.stylesFor(environment));
      this.styles.set(key, styles);
    }
    return styles;
  }
}

function indexOf({ index }: StagedPage): RuleIndex {
  if (index instanceof RuleIndex) return index;
  throw new TypeError('A page whose rules were revised is revised again from the page that it was made from.');
}

/** Beyond this the least recently used are made again when they are asked for; each has the page's elements anew. */
const MAX_STAGES = 400;
const MAX_STAGED = 400_000;
const LEAST_STAGES = 8;

/**
 * A page in all states of its markup that are asked for: an attribute set here, a class taken away there. Each is made
 * once; sheets may be put behind those of the page without anything being made again.
 */
export class StagedPages {
  private readonly stages = new Map<string, StagedPage>();

  private constructor(
    readonly tree: PageTree,
    private readonly known: KnownMeasures,
    private readonly make: (changes: readonly MarkupChange[]) => StagedPage,
    /** How many elements one stage has of its own; rules are shared. */
    private readonly weight: number,
  ) {}

  static of(index: RuleIndex, known: KnownMeasures): StagedPages {
    const { tree } = index;
    return new StagedPages(
      tree,
      known,
      (changes) => {
        if (!changes.length) return new StagedPage(tree, index, known);
        const staged = stageTree(tree, changes);
        const containers =
          known.containers &&
          new Map([...known.containers].map(([node, size]) => [staged.elements[node.order]!, size]));
        return new StagedPage(staged, index.onto(staged), { ...known, containers });
      },
      tree.elements.length,
    );
  }

  at(changes: readonly MarkupChange[] = []): StagedPage {
    const key = changes.length ? changesKey(changes) : '';
    let stage = this.stages.get(key);
    if (stage) this.stages.delete(key);
    else stage = this.make(changes);
    this.stages.set(key, stage);
    const most = Math.max(LEAST_STAGES, Math.min(MAX_STAGES, MAX_STAGED / this.weight));
    if (this.stages.size > most) {
      const oldest = this.stages.keys().next().value;
      if (oldest !== undefined) this.stages.delete(oldest);
    }
    return stage;
  }

  /** The same page with more sheets behind its own. */
  extended(more: readonly CascadeSheet[]): StagedPages {
    if (!more.length) return this;
    return new StagedPages(
      this.tree,
      this.known,
      (changes) => {
        const base = this.at(changes);
        return new StagedPage(base.tree, indexOf(base).extended(more), this.known, base);
      },
      this.weight,
    );
  }

  /** The same page with other rules in the sheets that it was extended by; all that they do not touch is taken over. */
  revised(revision: RuleRevision): StagedPages {
    return new StagedPages(
      this.tree,
      this.known,
      (changes) => {
        const base = this.at(changes);
        return new StagedPage(base.tree, new RevisedRules(indexOf(base), revision), this.known, base);
      },
      this.weight,
    );
  }
}
