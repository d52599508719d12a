import { isFurther } from '../component/further.js';
import type { Kind } from '../component/kind.js';
import type { StateColumn } from '../component/state-column.js';
import type { FoundPart } from '../component/parts.js';
import { behavioursOf, settingRows } from '../component/behaviours/index.js';
import { rowNamed, ROWS, type Row } from '../component/rows.js';
import { setBits, shownBits } from '../component/states.js';
import { DESKTOP, type Environment } from '../css/conditions/environment.js';
import { CARRIED, isSubset, type StateBits } from '../css/selector/states.js';
import type { ElementStyle } from '../css/cascade/element-style.js';
import { stateWords } from '../handover/state-selector.js';
import { activeSettings, bitsOfWhen, settingKey, type Look } from '../look/model.js';
import { LookResolver } from '../look/resolve.js';
import type { Forcer } from '../component/subject.js';
import type { StagedPages } from '../page/staged-pages.js';
import { cellOf } from './cells.js';
import { unionOf, type PartColumns } from '../parts/columns.js';
import { tallyOf } from '../ledger/tally.js';
import type { ComponentLedger } from '../ledger/component-ledger.js';
import type { ComponentParts } from '../parts/component-parts.js';
import type { ComponentPlans } from '../incremental/component-plans.js';
import { KeptAnswers } from '../memo/kept-answers.js';
import type { LookedPage } from '../incremental/looked-pages.js';
import { scrollbarNotes } from './scrollbar-notes.js';
import type { SheetPart, SheetRow, StateSheet } from './state-sheet.js';
import type { EditingPlace } from '../look/editing-place.js';
import { ViewSet } from '../incremental/view-set.js';

export interface SheetRequest {
  readonly environment?: Environment;
  readonly place?: EditingPlace;
  /** Parts whose rows are wanted; the first when absent. */
  readonly unfolded?: readonly string[];
  /** Parts of which every row is wanted, not only those that matter first. */
  readonly whole?: readonly string[];
  /** Names of columns that were added. */
  readonly added?: readonly string[];
  /** Rows of a part that are wanted besides, such as those that an editor sets together. */
  readonly also?: { readonly part: string; readonly rows: readonly string[] } | undefined;
}

/** What a sheet is made from. */
export interface SheetSource {
  readonly site: StagedPages;
  readonly kind: Kind;
  readonly parts: ComponentParts;
  readonly plans: ComponentPlans;
  readonly checks: ComponentLedger;
  readonly forcer: Forcer;
  /** What the sheet of wider components' looks is called, where there is one. */
  readonly wider: string | undefined;
}

/** A component's parts in all their states: what each property comes to under a look, and what decides it. */
export class ComponentSheet {
  private readonly kept = new KeptAnswers();

  constructor(private readonly source: SheetSource) {}

  sheet(look: Look, request: SheetRequest = {}): StateSheet {
    const { kind, parts, plans, checks: ledger, wider } = this.source;
    const { environment = DESKTOP, place = {}, added = [], also } = request;
    const unfolded = new Set(request.unfolded ?? parts.all.slice(0, 1).map(({ part }) => part.name));
    const whole = new Set(request.whole ?? []);
    const styled = plans.styled(look, environment, place);
    const byPart = plans.columnsFor(look, environment, added);
    const columns = unionOf(byPart);
    const muted = look.settings.filter((setting) => look.muted.includes(settingKey(setting)));
    const rows = byPart.flatMap((item) => {
      const { name } = item.part.part;
      if (!unfolded.has(name)) return [];
      const all = whole.has(name);
      const besides = also?.part === name ? also.rows : [];
      const planned = parts.relativesOf(item.part).map((other) => styled.planOf(other));
      return this.kept.unlessKept(
        `rows ${name}`,
        [environment, place, columns, all, besides, look.exceptions, muted, planned],
        () => this.rowsOf(item, look, environment, place, styled, columns, all, besides),
      );
    });
    const checks = ledger.own(look, environment, place, added);
    return {
      columns,
      parts: byPart.map((item) => this.describe(item, look, place, checks)),
      demands: kind.demands,
      missing: kind.parts
        .filter((part) => !isFurther(part) && !parts.all.some((found) => found.part === part))
        .map(({ name, label, find }) => ({ name, label, tried: find })),
      rows,
      checks,
      notes: kind.besidePage ? this.notes(styled.pages, environment) : [],
      problems: parts.problems(look),
      conflicts: wider === undefined ? [] : this.conflicts(look, environment, place, wider),
    };
  }

  private notes(pages: StagedPages, environment: Environment): StateSheet['notes'] {
    const { parts, forcer, site } = this.source;
    return scrollbarNotes(
      parts.all,
      (subject) => forcer.see(site, environment, subject, 0).style,
      (subject) => forcer.see(pages, environment, subject, 0).style,
    );
  }

  private describe(
    { part, columns }: PartColumns,
    look: Look,
    place: EditingPlace,
    checks: StateSheet['checks'],
  ): SheetPart {
    const { name, label, usual = label, pseudo } = part.part;
    const own = checks.filter((check) => check.part === name);
    return {
      name,
      label,
      usual,
      pseudo,
      carrier: part.carrier?.part.name ?? name,
      selector: part.selector,
      reach: part.elements.length,
      corrected: part.corrected,
      columns: columns.map((column) => column.name),
      order: this.source.parts.subjectFor(part, look, place).element.order,
      ...tallyOf(own),
      settings: look.settings.filter((setting) => setting.part === name).length,
    };
  }

  /** Values that the look sets in a state in which a wider component's look has one of its own. */
  private conflicts(look: Look, environment: Environment, place: EditingPlace, wider: string): string[] {
    const { parts, plans, site, forcer } = this.source;
    return parts.all.flatMap((part) => {
      const settings = activeSettings(look).filter((setting) => setting.part === part.part.name);
      if (!settings.length) return [];
      const subject = parts.subjectFor(part, look, place);
      const resolver = new LookResolver(site, environment, subject, settings, plans.placeFor(place), forcer);
      const found = settings.filter((setting) => {
        const winner = resolver.siteWinner(setting.property, bitsOfWhen(setting.when));
        return winner?.declaration.place.sheet === wider;
      });
      return [
        ...new Set(
          found.map(({ property, when }) => `${part.part.label}, ${property}, ${stateWords(bitsOfWhen(when))}`),
        ),
      ];
    });
  }

  private rowsOf(
    { part, columns: own }: PartColumns,
    look: Look,
    environment: Environment,
    place: EditingPlace,
    styled: LookedPage,
    columns: readonly StateColumn[],
    whole: boolean,
    also: readonly string[],
  ): SheetRow[] {
    const { parts, plans, forcer, site } = this.source;
    const { name } = part.part;
    const all = look.settings.filter((setting) => setting.part === name);
    const set = new Set(all.map((setting) => setting.property));
    const subject = parts.subjectFor(part, look, place);
    const resolver = plans.resolverFor({ part, columns: own }, look, environment, place);
    const carrier = part.carrier?.part.name ?? name;
    const style = (bits: StateBits): ElementStyle => forcer.see(styled.pages, environment, subject, bits).style;
    const wanted = rowsWanted(part, set, whole, also, (property) => style(0).text(property));
    const rowKeys = wanted.map(({ row }) => row.key);
    const names = own.map((column) => column.name);
    const states = all.map(({ when }) => bitsOfWhen(when));
    const apart = new Set([...parts.exceptionsOf(part, look).values()].flatMap(({ elements }) => [...elements]));
    const groups =
      place.exception === undefined
        ? parts
            .groupsOf(part, look, environment)
            .filter(({ subject: { element } }) => !apart.has(element))
            .slice(0, MOST_GROUPS)
        : [];
    const inPlay = states.reduce((bits, state) => bits | state, 0);
    const byColumn = columns.map((column) => {
      const shown = shownBits(column);
      const { view } = forcer.see(site, environment, subject, shown);
      const asked = [
        environment,
        place,
        column.name,
        names,
        rowKeys,
        look.exceptions,
        inPlay,
        all.filter((_setting, i) => isSubset(states[i]!, shown) || isSubset(states[i]!, setBits(column))),
        look.muted,
        styled.saidIn(() =>
          ViewSet.of([view, ...groups.map((group) => forcer.see(site, environment, group.subject, shown).view)]),
        ),
      ];
      const able = groups.filter(({ subject: own }) => (shown & CARRIED & ~own.states.possible) === 0);
      const others = () =>
        able.length < 2
          ? []
          : able.map(({ subject: own, members }) => ({
              style: forcer.see(styled.pages, environment, own, shown).style,
              members: members.map(({ order }) => order),
            }));
      return this.kept.unlessKept(`cells ${name} ${whole ? 'all' : 'first'} ${column.name}`, asked, () => {
        const seen = others();
        return wanted.map(({ row }) =>
          cellOf({
            others: seen,
            look,
            row,
            part: name,
            carrier,
            set,
            column,
            columns: own,
            place,
            resolver,
            siteStyle: (bits) => resolver.siteStyle(bits),
            style,
          }),
        );
      });
    });
    return wanted.map(({ row, first }, i): SheetRow => ({
      part: name,
      row,
      first,
      cells: byColumn.map((cells) => cells[i]!),
    }));
  }
}

/** Groups of elements that are told apart in a cell. */
const MOST_GROUPS = 24;

/** Rows of a part that are shown: those that its kind names first, those that are set, and what is asked for besides. */
function rowsWanted(
  found: FoundPart,
  set: ReadonlySet<string>,
  whole: boolean,
  also: readonly string[],
  atRest: (property: string) => string,
): { row: Row; first: boolean }[] {
  const { part } = found;
  const [first] = found.elements;
  const settings = first ? settingRows(behavioursOf(first)) : [];
  const early = new Set<string>(part.first);
  const isSet = (row: Row) => row.properties.every((property) => set.has(property));
  const covered = (row: Row) => {
    const above = row.under === undefined ? undefined : rowNamed(row.under);
    return above !== undefined && isSet(above);
  };
  /** What a setting says of the script has a say only where another has its value. */
  const hasSay = ({ where }: Row) => {
    if (!where) return true;
    return (atRest(where.property) || rowNamed(where.property)!.usual) === where.is;
  };
  const wantedSettings = settings.flatMap((row) => (hasSay(row) || isSet(row) || whole ? [{ row, first: true }] : []));
  const wanted = ROWS.flatMap((row) => {
    const first = early.has(row.key) || (isSet(row) && !covered(row));
    return first || whole || also.includes(row.key) ? [{ row, first }] : [];
  });
  if (whole) return [...wanted, ...wantedSettings];
  // What matters first stands in the order that the kind gives, and what else is set behind it.
  const rank = ({ row }: { row: Row }) => (early.has(row.key) ? part.first.indexOf(row.key) : ROWS.length);
  return [...wanted.sort((a, b) => rank(a) - rank(b)), ...wantedSettings];
}
