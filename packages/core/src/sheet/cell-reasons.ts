import type { StateColumn } from '../component/state-column.js';
import type { FoundPart } from '../component/parts.js';
import { rowNamed, type Row } from '../component/rows.js';
import { columnNamed, shownBits } from '../component/states.js';
import type { Environment } from '../css/conditions/environment.js';
import {
  checkRule,
  explain,
  findingIdleRules,
  leftBehind,
  type LeftBehind,
  type RuleCheck,
} from '../css/explain/index.js';
import { EMPTY_LOOK } from '../look/model.js';
import type { Forcer } from '../component/subject.js';
import { selectAll } from '../css/selector/locator.js';
import type { StagedPages } from '../page/staged-pages.js';
import { finish, type Steps } from '../base/steps.js';
import type { ComponentParts } from '../parts/component-parts.js';
import { UnknownCellError } from '../parts/errors.js';
import type { PageSession } from '../parts/page-session.js';
import type { CellExplanation } from './state-sheet.js';

export interface CellRef {
  readonly part: string;
  readonly row: string;
  readonly column: string;
}

/** A child that keeps a colour of its own when the text colour of its part changes. */
export interface TakenAlong extends LeftBehind {
  /** The part that it belongs to, when that can be set. */
  readonly part: string | undefined;
}

/** @throws UnknownCellError for a state that is not known */
export function columnCalled(name: string): StateColumn {
  const column = columnNamed(name);
  if (!column) throw new UnknownCellError(`No state is called "${name}".`);
  return column;
}

/** Why the cells of a component's sheet have the values that they have on its site. */
export class CellReasons {
  constructor(
    private readonly page: PageSession,
    private readonly site: StagedPages,
    private readonly parts: ComponentParts,
    private readonly forcer: Forcer,
  ) {}

  /** @throws UnknownCellError when there is no such part, row or state */
  cell(ref: CellRef): { part: FoundPart; row: Row; column: StateColumn } {
    const row = rowNamed(ref.row);
    if (!row) throw new UnknownCellError(`There is no row called "${ref.row}".`);
    return { part: this.parts.named(ref.part), row, column: columnCalled(ref.column) };
  }

  /** Why the site gives a cell its value, what would win there, and what is meant for it but misses it. */
  *explaining(ref: CellRef, environment: Environment): Steps<CellExplanation> {
    const { part, row, column } = this.cell(ref);
    const subject = this.parts.subjectFor(part, EMPTY_LOOK);
    const { view, element, style } = this.forcer.see(this.site, environment, subject, shownBits(column));
    const property = row.properties[0]!;
    const { tree, sheets } = this.page;
    const idle = yield* findingIdleRules(tree, sheets, subject.element, row.properties);
    return {
      explanation: explain(style, property),
      idle: idle.map(({ selector, sheet, line, misses }) => ({
        selector,
        sheet,
        line,
        hint: misses[0]!.hint,
        suggestion: misses[0]!.selector,
      })),
      leftBehind: property === 'color' && part.part.pseudo === undefined ? leftBehind(view, element) : [],
    };
  }

  /** What would become of a rule of the owner's for a cell. */
  checkRule(ref: CellRef, selector: string, environment: Environment): RuleCheck {
    const { part } = this.cell(ref);
    const { element } = this.parts.subjectFor(part, EMPTY_LOOK);
    return checkRule(this.page.tree, element, finish(this.explaining(ref, environment)).explanation, selector);
  }

  /** Texts that a colour set on a part does not reach, with the parts that they are. */
  colourChildren(ref: CellRef, environment: Environment): TakenAlong[] {
    const { part, column } = this.cell(ref);
    if (part.part.pseudo !== undefined) return [];
    const subject = this.parts.subjectFor(part, EMPTY_LOOK);
    const { view, element, stage } = this.forcer.see(this.site, environment, subject, shownBits(column));
    return leftBehind(view, element).map((left): TakenAlong => {
      const [node] = selectAll(stage.tree, left.path);
      const owner =
        node &&
        this.parts.all.find(
          (other) =>
            other !== part &&
            other.part.pseudo === undefined &&
            other.elements.some(({ order }) => order === node.order),
        );
      return { ...left, part: owner?.part.name };
    });
  }
}
