import { checkText, ratioOf, textCarriers, textCase, worstOf } from '../check/text.js';
import type { Check } from '../check/check.js';
import { parseColour } from '../colour/parse.js';
import { sameRgba, TRANSPARENT, type Rgba } from '../colour/rgba.js';
import { kindNamed } from '../component/kinds/index.js';
import type { Kind, Row, StateColumn } from '../component/kind.js';
import type { Applied } from '../css/applied.js';
import { DESKTOP, type Environment } from '../css/environment.js';
import { checkRule, explain, idleRulesFor, leftBehind, type RuleCheck } from '../css/explain/index.js';
import { bitsOf, closeBits, type Atom, type StateBits } from '../css/selector/states.js';
import { PageStyles, type ElementStyle } from '../css/styles.js';
import {
  asLastSheet,
  planHandover,
  printPlan,
  prove,
  type EnvironmentCase,
  type Plan,
  type PlanInput,
  type Proof,
} from '../handover/index.js';
import { EMPTY_LOOK, type Look } from '../look/model.js';
import { Forcer, LookResolver } from '../look/resolve.js';
import { locate, type Located, type Locator } from '../page/locator.js';
import { markStates } from '../page/rewrite-sheet.js';
import { selectAll } from '../page/locator.js';
import { textOf, type ElementNode } from '../page/tree.js';
import type { PageSession } from './page-session.js';
import type { Cell, CellExplanation, ColumnCheck, SheetRow, SiteSource, StateSheet } from './state-sheet.js';

export class UnknownKindError extends Error {
  override readonly name = 'UnknownKindError';
}
export class UnknownCellError extends Error {
  override readonly name = 'UnknownCellError';
}
export class ComponentMissingError extends Error {
  override readonly name = 'ComponentMissingError';
}

/** More elements than this are not measured one by one; the count says so. */
const MAX_MEASURED = 60;

export interface HandoverResult {
  readonly css: string;
  readonly plan: Plan;
  readonly proof: Proof;
}

/** Which samples of a track pass in every column that follows a cell. */
export interface TrackSample {
  readonly colour: Rgba;
  readonly passes: boolean;
  readonly lowest: number | undefined;
}

/** One component on one page: its sheet, its checks and its handover under a look. */
export class ComponentSession {
  readonly kind: Kind;
  readonly located: Located;
  readonly element: ElementNode;
  readonly selector: string;
  private readonly forcer = new Forcer();
  private withLook: { key: string; styles: PageStyles; css: string } | undefined;

  /**
   * @throws UnknownKindError for a kind that is not known
   * @throws ComponentMissingError when the locator finds nothing on the page
   */
  constructor(
    readonly page: PageSession,
    kindName: string,
    locator: Locator,
  ) {
    const kind = kindNamed(kindName);
    if (!kind) throw new UnknownKindError(`No kind is called "${kindName}".`);
    this.kind = kind;
    this.located = locate(page.tree, locator);
    if (!this.located.element) {
      throw new ComponentMissingError(
        this.located.outcome === 'gone'
          ? `Nothing on this page matches "${locator.selector}" any more.`
          : `Several elements on this page could be "${locator.selector}", and none is clearly the one.`,
      );
    }
    this.element = this.located.element;
    this.selector = this.located.outcome === 'matched' ? locator.selector : this.freshSelector(locator.selector);
  }

  /** After a move the old selector may reach nothing, so the found component's own is taken. */
  private freshSelector(old: string): string {
    const found = this.page.components().find((item) => item.elements.includes(this.element.order));
    return found?.selector ?? old;
  }

  shownBits(column: StateColumn): StateBits {
    return closeBits(bitsOf(column.shown));
  }

  setBits(column: StateColumn): StateBits {
    return closeBits(bitsOf(column.atoms));
  }

  /** The element that stands for the component, forced into a column's state. */
  forcedFor(column: StateColumn) {
    return this.forcer.force(this.element, this.shownBits(column));
  }

  /** The site's style of one of the component's elements, by its order, in a state set. */
  styleIn(atoms: readonly Atom[], order = this.element.order, environment: Environment = DESKTOP): ElementStyle {
    const element = this.page.tree.elements[order] ?? this.element;
    return this.page
      .stylesFor(environment)
      .at(this.forcer.force(element, closeBits(bitsOf(atoms))))
      .of(element);
  }

  /** Why the site gives a cell its value, what would win there, and what is meant for it but misses it. */
  explainCell(cell: { row: string; column: string }, environment: Environment = DESKTOP): CellExplanation {
    const row = this.kind.parts.flatMap((part) => part.rows).find((item) => item.key === cell.row);
    const column = this.kind.states.find((state) => state.name === cell.column);
    if (!row || !column) throw new UnknownCellError(`There is no cell ${cell.row}/${cell.column}.`);
    const view = this.page.stylesFor(environment).at(this.forcedFor(column));
    const property = row.properties[0]!;
    return {
      explanation: explain(view.of(this.element), property),
      idle: idleRulesFor(this.page.tree, this.page.sheets, this.element, row.properties).map(
        ({ selector, sheet, line, misses }) => ({
          selector,
          sheet,
          line,
          hint: misses[0]!.hint,
          suggestion: misses[0]!.selector,
        }),
      ),
      leftBehind: property === 'color' ? leftBehind(view, this.element) : [],
    };
  }

  /** What would become of a rule of the owner's for a cell. */
  checkRule(cell: { row: string; column: string }, selector: string, environment: Environment = DESKTOP): RuleCheck {
    return checkRule(this.page.tree, this.element, this.explainCell(cell, environment).explanation, selector);
  }

  private planInput(part: string, look: Look, cases: readonly EnvironmentCase[]): PlanInput {
    return {
      tree: this.page.tree,
      selector: this.selector,
      part,
      look,
      cases,
      stylesIn: (where) => this.page.stylesFor(where.environment),
    };
  }

  private styled(look: Look, environment: Environment): { styles: PageStyles; css: string } {
    const key = JSON.stringify([look, environment]);
    if (this.withLook?.key === key) return this.withLook;
    const only: EnvironmentCase = { environment, from: 0, to: Infinity, scheme: environment.scheme };
    const css = this.kind.parts
      .map((part) => printPlan(planHandover(this.planInput(part.name, look, [only])), part.label))
      .join('\n');
    const styles = css
      ? new PageStyles(this.page.index.extended([asLastSheet(css)]), environment, this.page.known)
      : this.page.stylesFor(environment);
    this.withLook = { key, styles, css };
    return this.withLook;
  }

  /** The whole state sheet under a look. */
  sheet(look: Look, environment: Environment = DESKTOP): StateSheet {
    const { styles, css } = this.styled(look, environment);
    const site = this.page.stylesFor(environment);
    const rows = this.kind.parts.flatMap((part) => {
      const columnBits = this.kind.states.reduce((bits, column) => bits | this.shownBits(column), 0);
      const resolver = new LookResolver(site, this.element, part.name, look, this.forcer, columnBits);
      return part.rows.map((row): SheetRow => ({
        part: part.name,
        key: row.key,
        label: row.label,
        properties: row.properties,
        cells: this.kind.states.map((column) => this.cell(row, column, resolver, site, styles)),
      }));
    });
    return { rows, checks: this.checks(styles), frameCss: markStates(css) };
  }

  private cell(row: Row, column: StateColumn, resolver: LookResolver, site: PageStyles, styles: PageStyles): Cell {
    const shown = this.shownBits(column);
    const set = this.setBits(column);
    const forced = this.forcer.force(this.element, shown);
    const style = styles.at(forced).of(this.element);
    const siteStyle = site.at(forced).of(this.element);
    const first = row.properties[0]!;
    const decision = resolver.decide(first, shown);
    const colours = row.properties.map((property) => style.colour(property));
    const winner = siteStyle.winner(first);
    const running = siteStyle.running(first).filter((applied) => applied.origin === 'author').length;
    const own = decision.from === 'look' && decision.set === set ? decision.value : undefined;
    const isOwnColumn = decision.set === set || (decision.set !== 0 && decision.set === shown);
    return {
      column: column.name,
      computed: style.text(first),
      colour: colours[0] ?? TRANSPARENT,
      mixed: colours.some((colour) => !sameRgba(colour, colours[0]!)),
      drawn: row.properties.some((property) => isDrawn(style, property)),
      own,
      from: decision.from,
      follows: isOwnColumn ? undefined : this.columnFor(decision.set),
      site: winner?.origin === 'author' ? sourceOf(winner, running - 1) : undefined,
    };
  }

  private columnFor(set: StateBits): string {
    const column =
      this.kind.states.find((state) => this.setBits(state) === set) ??
      this.kind.states.find((state) => this.setBits(state) !== 0 && (this.setBits(state) & set) === set);
    return column?.name ?? 'default';
  }

  /** Elements that the component's selector reaches, as many as are measured. */
  private measured(): ElementNode[] {
    return selectAll(this.page.tree, this.selector).slice(0, MAX_MEASURED);
  }

  private checks(styles: PageStyles): ColumnCheck[] {
    const elements = this.measured();
    return this.kind.demands.flatMap((demand) =>
      this.kind.states.map((column): ColumnCheck => {
        const all: { check: Check; carrier: ElementNode }[] = [];
        for (const element of elements) {
          const page = styles.at(this.forcer.force(element, this.shownBits(column)));
          for (const carrier of textCarriers(element)) all.push({ check: checkText(page, carrier), carrier });
        }
        const worst = worstOf(all.map((item) => item.check)) ?? NO_TEXT;
        const at = all.find((item) => item.check === worst)?.carrier;
        return {
          ...worst,
          column: column.name,
          demand: demand.name,
          label: demand.label,
          measuredElements: elements.length,
          worstText: at ? textOf(at).slice(0, 60) : '',
        };
      }),
    );
  }

  /**
   * Measures trial colours in a cell, in its own column and all that follow it.
   *
   * @param colours CSS colours; those that cannot be read never pass
   */
  tryColours(
    look: Look,
    cell: { row: string; column: string },
    colours: readonly string[],
    environment = DESKTOP,
  ): TrackSample[] {
    const { styles } = this.styled(look, environment);
    const sheet = this.sheet(look, environment);
    const row = this.kind.parts.flatMap((part) => part.rows).find((item) => item.key === cell.row);
    const cells = sheet.rows.find((item) => item.key === cell.row)?.cells ?? [];
    const columns = this.kind.states.filter(
      (column) =>
        column.name === cell.column ||
        cells.some((other) => other.column === column.name && other.follows === cell.column),
    );
    const property = row?.properties[0];
    const cases = columns.flatMap((column) =>
      this.measured().flatMap((element) => {
        const page = styles.at(this.forcer.force(element, this.shownBits(column)));
        return textCarriers(element)
          .filter((carrier) => !['exempt', 'unsure'].includes(checkText(page, carrier).verdict))
          .map((carrier) => ({
            text: textCase(page, carrier),
            needed: checkText(page, carrier).needed,
            // A child with a colour of its own does not take the part's.
            takesColour: carrier === element || page.of(carrier).text('color') === page.of(element).text('color'),
            depth: depthOf(element),
          }));
      }),
    );
    return colours.map((css) => {
      const colour = parseColour(css);
      if (!colour) return { colour: TRANSPARENT, passes: false, lowest: undefined };
      let lowest: number | undefined;
      let passes = cases.length > 0;
      for (const { text, needed, takesColour, depth } of cases) {
        const tried =
          property === 'color' && takesColour
            ? { colour, layers: text.layers }
            : property === 'background-color'
              ? {
                  colour: text.colour,
                  layers: text.layers.map((layer, i) => (i === depth ? { ...layer, ground: colour } : layer)),
                }
              : text;
        const { ratio } = ratioOf(tried);
        if (lowest === undefined || ratio < lowest) lowest = ratio;
        if (ratio < needed) passes = false;
      }
      return { colour, passes, lowest };
    });
  }

  /** The CSS that gives the look on the site, and its proof in every state and environment. */
  handover(look: Look = EMPTY_LOOK, name = this.kind.label): HandoverResult {
    const part = this.kind.parts[0]!;
    const input = this.planInput(part.name, look, this.page.environmentCases);
    const plan = planHandover(input);
    const css = printPlan(plan, name);
    return { css, plan, proof: prove(input, css, this.page.index, plan.elements) };
  }
}

/** An edge has a colour even where it has no width; saying so keeps it from being taken for what is seen. */
const isDrawn = (style: ElementStyle, property: string): boolean =>
  !/^border-.+-color$/.test(property) || Number.parseFloat(style.text(property.replace(/-color$/, '-width'))) > 0;

const depthOf = (element: ElementNode): number => {
  let depth = 0;
  for (let node = element.parent; node; node = node.parent) depth++;
  return depth;
};

const NO_TEXT: Check = {
  criterion: '1.4.3',
  verdict: 'exempt',
  measured: undefined,
  needed: 4.5,
  large: false,
  foreground: undefined,
  background: undefined,
  reason: 'It has no text of its own.',
  basis: 'ancestors',
};

function sourceOf(applied: Applied, beats: number): SiteSource {
  const { place, important, value } = applied.declaration;
  return {
    selector: applied.selector?.text ?? 'style attribute',
    sheet: place.sheet,
    line: place.line,
    column: place.column,
    important,
    inline: applied.inline,
    value,
    beats: Math.max(0, beats),
  };
}
