import { isRequiredAt, type Level } from '../check/check.js';
import type { Steps } from '../base/steps.js';
import type { Demand, Kind } from '../component/kind.js';
import type { StateColumn } from '../component/state-column.js';
import type { FoundPart } from '../component/parts.js';
import { columnNamed, STATE_COLUMNS } from '../component/states.js';
import { environmentKey, type Environment } from '../css/conditions/environment.js';
import type { SubjectGroup } from '../handover/index.js';
import { activeSettings, EMPTY_LOOK, settingText, type Look } from '../look/model.js';
import type { Subject } from '../component/subject.js';
import type { StagedPages } from '../page/staged-pages.js';
import { once } from '../memo/once.js';
import type { ElementNode } from '../tree/tree.js';
import { checkDemand, type LookedAt } from './checks.js';
import type { PartColumns } from '../parts/columns.js';
import { exceptionsKey } from '../look/settings-by-part.js';
import { forgetOldest } from '../memo/kept-answers.js';
import type { LookedPage } from '../incremental/looked-pages.js';
import {
  comparedWith,
  distinctDemand,
  furtherDemands,
  hasRequired,
  movedFrom,
  requiredDemands,
  siblingsApart,
  type MoreInput,
  type NamedCheck,
} from './more-demands.js';
import { changesBeside } from '../check/while-beside.js';
import { checksBeside, pairsBeside, seenBeside, type PairBeside } from './beside.js';
import { ofGroups } from './of-groups.js';
import type { ColumnCheck, LedgerCheck, LedgerRequest } from './ledger-check.js';
import { TaskList, taskOf, type Task } from './tasks.js';
import { tallyAcross, type Tally } from './tally.js';
import type { EditingPlace } from '../look/editing-place.js';
import { ViewSet } from '../incremental/view-set.js';

/** What a ledger asks of the component that it is of. */
export interface LedgerSource {
  readonly kind: Kind;
  readonly element: ElementNode;
  readonly parts: readonly FoundPart[];
  /** The page without the look. */
  readonly site: StagedPages;
  /** Another when more of the page was measured in an environment. */
  readonly measured: (environment: Environment) => number;
  readonly styled: (look: Look, environment: Environment, place: EditingPlace) => LookedPage;
  /** The same under the same look, for those who ask for less motion. */
  readonly inLessMotion: (pages: StagedPages, environment: Environment) => StagedPages;
  readonly columnsFor: (look: Look, environment: Environment, added: readonly string[]) => readonly PartColumns[];
  readonly groupsOf: (part: FoundPart, look: Look, environment: Environment) => readonly SubjectGroup[];
  readonly subjectFor: (part: FoundPart, look: Look, place: EditingPlace) => Subject;
  readonly lookAt: (pages: StagedPages, environment: Environment, subject: Subject, column: StateColumn) => LookedAt;
  /** How a subject that the pointer opens is seen where the focus is on what is pointed at instead. */
  readonly openedByFocus: (
    pages: StagedPages,
    environment: Environment,
    subject: Subject,
  ) => (() => LookedAt) | undefined;
}

/** What a list of tasks is for. */
interface Asked {
  readonly look: Look;
  readonly environment: Environment;
  readonly place: EditingPlace;
  readonly level: Level;
  /** All of it that a task depends on, as text. */
  readonly where: string;
}

const columnsText = once((byPart: readonly PartColumns[]) =>
  byPart.map(({ columns }) => columns.map(({ name }) => name).join()).join('|'),
);

/** What a look says for those alone who ask for less motion; pages that others see tell nothing of it. */
const stillText = once((look: Look) =>
  activeSettings(look)
    .filter(({ when }) => when.motion !== undefined)
    .map(settingText)
    .join(),
);

/** All tasks of a component in one environment. */
interface Tasks {
  /** The kind's own demands. */
  readonly own: TaskList;
  /** Those that every kind makes at levels A and AA. */
  readonly required: TaskList;
  /** What is asked beyond, advice among it. */
  readonly further: TaskList;
}

/** Tasks that are kept beside their lists. */
const MAX_TASKS = 8000;
/** Environments and sets of columns that are kept. */
const MAX_LISTS = 24;

/** The checks of one component; what a change of the look does not touch is not worked out again. */
export class ComponentLedger {
  private readonly lists = new Map<string, Tasks>();
  private readonly tasks = new Map<string, Task>();

  constructor(private readonly source: LedgerSource) {}

  /** The kind's own demands, in the columns of their parts. */
  own(
    look: Look,
    environment: Environment,
    place: EditingPlace,
    added: readonly string[],
    level: Level = 'AA',
  ): ColumnCheck[] {
    const styled = this.source.styled(look, environment, place);
    return this.tasksFor(look, environment, place, added, level)
      .own.answers(styled)
      .flatMap(({ checks }) => checks);
  }

  /** How the component fares as it is, task by task; environments behind the first show what that does not. */
  tallying(environments: readonly Environment[]): Steps<Tally> {
    return tallyAcross(
      environments.map((environment) => (parts) => {
        const { own } = this.tasksFor(EMPTY_LOOK, environment, {}, [], 'AA');
        return own.oneByOne(this.source.styled(EMPTY_LOOK, environment, {}), parts);
      }),
    );
  }

  /** All checks under a look, at each viewport; texts also at level AAA. */
  all(look: Look, request: LedgerRequest): LedgerCheck[] {
    const { place = {}, added = [], level = 'AA' } = request;
    const found: LedgerCheck[] = [];
    for (const { name, environment } of request.viewports) {
      const styled = this.source.styled(look, environment, place);
      const { own, required, further } = this.tasksFor(look, environment, place, added, level);
      for (const tasks of [own, required, further]) {
        for (const answer of tasks.answers(styled)) for (const check of answer.at(name)) found.push(check);
      }
    }
    return found;
  }

  /** Only what is asked at levels A and AA, which takes about half the time. */
  required(look: Look, request: LedgerRequest): LedgerCheck[] {
    const { place = {}, added = [], level = 'AA' } = request;
    return request.viewports.flatMap(({ name: viewport, environment }) => {
      const styled = this.source.styled(look, environment, place);
      const { own, required } = this.tasksFor(look, environment, place, added, level);
      return [own, required].flatMap((tasks) =>
        tasks
          .answers(styled)
          .flatMap(({ checks }) =>
            checks.filter(({ criterion }) => isRequiredAt(criterion, level)).map((check) => ({ ...check, viewport })),
          ),
      );
    });
  }

  private tasksFor(
    look: Look,
    environment: Environment,
    place: EditingPlace,
    added: readonly string[],
    level: Level,
  ): Tasks {
    const byPart = this.source.columnsFor(look, environment, added);
    const { exception, page, viewport, scheme, motion } = place;
    const still = stillText(look);
    const where = [
      environmentKey(environment),
      `${exception ?? ''}/${page ?? ''}/${viewport ?? ''}/${scheme ?? ''}/${motion ?? ''}`,
      still,
      exceptionsKey(look.exceptions),
      level,
      this.source.measured(environment),
    ].join('|');
    const key = `${where}|${columnsText(byPart)}`;
    let tasks = this.lists.get(key);
    if (!tasks) {
      this.lists.set(key, (tasks = this.listTasks({ look, environment, place, level, where }, byPart, still !== '')));
      forgetOldest(this.lists, MAX_LISTS);
    }
    return tasks;
  }

  private listTasks(asked: Asked, byPart: readonly PartColumns[], isWhole: boolean): Tasks {
    return {
      own: new TaskList(() => this.ownTasks(asked, byPart)),
      required: new TaskList(() => [
        ...byPart.flatMap((item, i) => this.moreTasks('required', item, i === 0, asked)),
        ...byPart.flatMap(({ part }) => this.besideTasks(asked, part)),
      ]),
      further: new TaskList(
        () => [
          ...byPart.flatMap((item, i) => this.moreTasks('further', item, i === 0, asked)),
          ...this.siblingTasks(asked, byPart),
        ],
        isWhole,
      ),
    };
  }

  /** A task that another list has already stays as it is, with all that it came to. */
  private taskOf({ where }: Asked, name: string, make: () => Task): Task {
    const key = `${where}|${name}`;
    let task = this.tasks.get(key);
    if (!task) {
      this.tasks.set(key, (task = make()));
      forgetOldest(this.tasks, MAX_TASKS);
    }
    return task;
  }

  /** The views in which the subjects of a part are seen in some columns. */
  private viewsOf(
    environment: Environment,
    subjects: readonly Subject[],
    columns: readonly StateColumn[],
    withFocus = false,
  ): ViewSet {
    const { lookAt, openedByFocus, site } = this.source;
    const views = subjects.flatMap((subject) => [
      ...columns.map((column) => lookAt(site, environment, subject, column).view),
      ...(withFocus ? [openedByFocus(site, environment, subject)?.().view] : []),
    ]);
    return ViewSet.of(views.filter((view) => view !== undefined));
  }

  private ownTasks(asked: Asked, byPart: readonly PartColumns[]): Task[] {
    const { look, environment, level } = asked;
    const { kind, groupsOf, lookAt } = this.source;
    return kind.demands.flatMap((demand) => {
      const own = byPart.find(({ part }) => part.part.name === demand.part);
      if (!own) return [];
      const groups = groupsOf(own.part, look, environment);
      return own.columns.map((column) =>
        this.taskOf(asked, `${demand.name} ${column.name}`, () =>
          taskOf(
            demand.part,
            () => this.viewsOf(environment, subjectsOf(groups), seenFor(demand, column)),
            (pages) =>
              checkDemand({
                demand,
                part: own.part,
                column,
                groups,
                level,
                see: (subject, state) => lookAt(pages, environment, subject, state),
              }),
          ),
        ),
      );
    });
  }

  /** Demands that every kind makes, of one part: those at levels A and AA, or what is asked beyond. */
  private moreTasks(
    which: 'required' | 'further',
    { part, columns: all }: PartColumns,
    isFirst: boolean,
    asked: Asked,
  ): Task[] {
    const { look, environment } = asked;
    const { element: root, groupsOf, lookAt, openedByFocus, inLessMotion } = this.source;
    const groups = groupsOf(part, look, environment);
    const subjects = subjectsOf(groups);
    const reduced = { ...environment, reducedMotion: true };
    return all.flatMap((column) => {
      const task = (
        name: string,
        demands: (given: MoreInput) => NamedCheck[],
        columns: readonly StateColumn[],
        withFocus = false,
      ): Task => {
        const input = (pages: StagedPages, subject: Subject): MoreInput => ({
          part,
          subject,
          column,
          columns,
          root,
          isFirst,
          see: (state: StateColumn) => lookAt(pages, environment, subject, state),
          seeReduced: (state: StateColumn) => lookAt(inLessMotion(pages, environment), reduced, subject, state),
          seeFocused: openedByFocus(pages, environment, subject),
        });
        const names = columns.map(({ name }) => name).join('+');
        return this.taskOf(asked, `${name} ${part.part.name} ${column.name} of ${names}`, () =>
          taskOf(
            part.part.name,
            () => this.viewsOf(environment, subjects, columns, withFocus),
            (pages) =>
              ofGroups(
                part,
                column,
                groups.map((group) => ({ group, checks: demands(input(pages, group.subject)) })),
              ),
          ),
        );
      };
      const moved = movedFrom(column, all);
      const isAtRest = column.name === 'default';
      if (which === 'required') return hasRequired(column) ? [task('required', requiredDemands, moved, isAtRest)] : [];
      return [
        task('further', furtherDemands, moved, isAtRest),
        task('distinct', distinctDemand, comparedWith(column, all)),
      ];
    });
  }

  /** Texts of a part while another member of it is pointed at. */
  private besideTasks(asked: Asked, part: FoundPart): Task[] {
    const { look, environment, level } = asked;
    const { kind, site, groupsOf, lookAt } = this.source;
    const see = (pages: StagedPages, pair: PairBeside) =>
      seenBeside(pair, (own, column) => lookAt(pages, environment, own, column));
    const pairs = pairsBeside(kind, part, groupsOf(part, look, environment));
    if (!pairs.length) return [];
    return [
      this.taskOf(asked, `beside ${part.part.name}`, () => {
        // No look speaks of others: where the site's sheets change nothing of one beside another, nothing does.
        let changing: readonly PairBeside[] | undefined;
        const views = () => pairs.flatMap((pair) => Object.values(see(site, pair)).map(({ view }) => view));
        return taskOf(
          part.part.name,
          () => ViewSet.of(views()),
          (pages) => {
            changing ??= pairs.filter((pair) => {
              const { rest, beside } = see(site, pair);
              return changesBeside(rest, beside);
            });
            return checksBeside(
              part,
              changing.map((pair) => see(pages, pair)),
              level,
            );
          },
        );
      }),
    ];
  }

  private siblingTasks({ look, environment, place }: Asked, byPart: readonly PartColumns[]): Task[] {
    const { kind, subjectFor, lookAt } = this.source;
    const pair = kind.siblings?.map((name) => byPart.find(({ part }) => part.part.name === name));
    const [a, b] = pair ?? [];
    if (!a || !b) return [];
    const rest = columnNamed('default')!;
    const [first, second] = [subjectFor(a.part, look, place), subjectFor(b.part, look, place)];
    return [
      taskOf(
        b.part.part.name,
        () => this.viewsOf(environment, [first, second], [rest]),
        (pages) => {
          const check = siblingsApart(
            lookAt(pages, environment, first, rest),
            lookAt(pages, environment, second, rest),
          );
          if (!check) return [];
          return [
            {
              ...check,
              part: b.part.part.name,
              column: 'default',
              demand: `${b.part.part.name}-sibling`,
              label: `${b.part.part.label} beside ${a.part.part.label.toLowerCase()}`,
              measuredElements: 1,
              worstText: '',
            },
          ];
        },
      ),
    ];
  }
}

/** The columns in which a part is looked at for a demand: of texts the worst is told at rest. */
const seenFor = ({ criterion }: Demand, column: StateColumn): readonly StateColumn[] =>
  criterion === '1.4.3' && column.name !== STATE_COLUMNS.default.name ? [column, STATE_COLUMNS.default] : [column];

const subjectsOf = (groups: readonly SubjectGroup[]): Subject[] => groups.map(({ subject }) => subject);
