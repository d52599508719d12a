import type { Steps } from '../base/steps.js';
import { enhanced } from '../check/text.js';
import type { LookedPage } from '../incremental/looked-pages.js';
import type { ViewSet } from '../incremental/view-set.js';
import { forgetOldest } from '../memo/kept-answers.js';
import type { StagedPages } from '../page/staged-pages.js';
import type { ColumnCheck, LedgerCheck } from './ledger-check.js';

/** Answers to one question that are kept, one for each look that was asked about lately. */
const MAX_VERSIONS = 12;
/** Changes of rules of which it is kept what they touch. */
const MAX_CHANGES = 60;

/** Checks that are worked out together, from the same views of the page. */
export interface Task {
  /** Name of the part that it is about. */
  readonly part: string;
  /** The views that it is worked out from, told only where a look says something. */
  readonly views: () => ViewSet;
  readonly run: (pages: StagedPages) => readonly ColumnCheck[];
  /** What came out, by what the look said in those views. */
  readonly kept: Map<number, Answer>;
}

/** What a task came to. */
class Answer {
  private named: { readonly viewport: string; readonly checks: readonly LedgerCheck[] } | undefined;

  constructor(readonly checks: readonly ColumnCheck[]) {}

  /** The checks at a viewport, those of texts also at level AAA. */
  at(viewport: string): readonly LedgerCheck[] {
    if (this.named?.viewport !== viewport) {
      const strict = this.checks
        .filter(({ criterion }) => criterion === '1.4.3')
        .map((check) => ({ ...enhanced(check), demand: `${check.demand}-enhanced` }));
      this.named = { viewport, checks: [...this.checks, ...strict].map((check) => ({ ...check, viewport })) };
    }
    return this.named.checks;
  }
}

/** Tasks of a component in one environment, with which of them a change of rules touches. */
export class TaskList {
  private known: readonly Task[] | undefined;
  private readonly touched = new Map<string, ReadonlySet<Task>>();
  private readonly before = new WeakMap<LookedPage, Map<Task, Answer>>();

  /** @param isWhole true where pages do not tell all that an answer comes from, so that none of another page is taken */
  constructor(
    private readonly list: () => readonly Task[],
    private readonly isWhole = false,
  ) {}

  private get tasks(): readonly Task[] {
    return (this.known ??= this.list());
  }

  /** The checks task by task, on the page as it is; those of some parts alone where these are named. */
  *oneByOne(styled: LookedPage, parts?: ReadonlySet<string>): Steps<ColumnCheck[]> {
    const found: ColumnCheck[] = [];
    const wanted = this.tasks.filter(({ part }) => !parts || parts.has(part));
    for (const [i, task] of wanted.entries()) {
      found.push(...answerOf(task, styled).checks);
      yield { done: i + 1, of: wanted.length };
    }
    return found;
  }

  answers(styled: LookedPage): Answer[] {
    const { from } = styled;
    if (!from || this.isWhole) return this.tasks.map((task) => answerOf(task, styled));
    let touched = this.touched.get(from.selectors);
    if (!touched) {
      touched = new Set(this.tasks.filter(({ views }) => from.differsIn(views())));
      this.touched.set(from.selectors, touched);
      forgetOldest(this.touched, MAX_CHANGES);
    }
    let before = this.before.get(from.page);
    if (!before) this.before.set(from.page, (before = new Map()));
    const known = before;
    return this.tasks.map((task) => {
      if (touched.has(task)) return answerOf(task, styled);
      let answer = known.get(task);
      if (!answer) known.set(task, (answer = answerOf(task, from.page)));
      return answer;
    });
  }
}

export function taskOf(part: string, viewsOf: () => ViewSet, run: Task['run']): Task {
  let views: ViewSet | undefined;
  return { part, views: () => (views ??= viewsOf()), run, kept: new Map() };
}

function answerOf({ views, run, kept }: Task, styled: LookedPage): Answer {
  const said = styled.saidIn(views);
  let answer = kept.get(said);
  if (!answer) {
    kept.set(said, (answer = new Answer(run(styled.pages))));
    forgetOldest(kept, MAX_VERSIONS);
  }
  return answer;
}
