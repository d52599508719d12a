import { isTarget } from '../check/is-target.js';
import type { StateColumn } from '../component/state-column.js';
import { shownBits } from '../component/states.js';
import { DESKTOP, type Environment } from '../css/conditions/environment.js';
import { forceStates } from '../css/selector/forced.js';
import { bitsOf, CARRIED, closeBits } from '../css/selector/states.js';
import { EMPTY_LOOK, type Look } from '../look/model.js';
import type { Forcer, Reveal, SeenSubject, Subject } from '../component/subject.js';
import type { StagedPages } from '../page/staged-pages.js';
import { descendants } from '../tree/tree.js';
import type { LookedAt } from '../ledger/checks.js';
import type { ComponentParts } from '../parts/component-parts.js';
import type { Measures } from '../parts/page-measures.js';
import { openedKey, revealOf } from '../parts/reveal.js';
import type { EditingPlace } from '../look/editing-place.js';

/** Focus that came by keyboard. */
const FOCUSED = closeBits(bitsOf(['focus-visible']));

/** What a part is seen in. */
export interface SeenOptions {
  readonly look?: Look;
  readonly environment?: Environment;
  readonly place?: EditingPlace;
  /** A part that is shown open. */
  readonly open?: string | undefined;
}

/** The page as it is seen with a part in a state, and with whatever hides that part opened. */
export class ComponentViews {
  private readonly reveals = new Map<string, Reveal>();

  constructor(
    private readonly site: StagedPages,
    private readonly parts: ComponentParts,
    private readonly forcer: Forcer,
    private readonly measures: Measures,
  ) {}

  /** What opens or shows a subject that the page hides at rest. */
  revealFor(subject: Subject, environment: Environment): Reveal {
    const key = `${subject.element.order} ${subject.pseudo ?? ''} ${environment.width}`;
    let reveal = this.reveals.get(key);
    if (!reveal) this.reveals.set(key, (reveal = revealOf(this.site, environment, subject, this.forcer)));
    return reveal;
  }

  /** A part as a frame shows it in a column's state: the page so, and where the part stands in it. */
  seenIn(partName: string, column: StateColumn, options: SeenOptions = {}): SeenSubject {
    const { look = EMPTY_LOOK, environment = DESKTOP, place = {}, open } = options;
    const subject = this.parts.subjectFor(this.parts.named(partName), look, place);
    const bits = shownBits(column) & (subject.states.possible | ~CARRIED);
    const own = this.revealFor(subject, environment);
    const also =
      open === undefined ? undefined : this.revealFor(this.parts.subjectFor(this.parts.named(open), look), environment);
    const reveal = also
      ? { changes: [...own.changes, ...also.changes], pointed: [...own.pointed, ...also.pointed] }
      : own;
    return this.forcer.see(this.site, environment, subject, bits, reveal);
  }

  /** A subject in a column's state with whatever hides it opened, and what it is measured with. */
  lookAt(pages: StagedPages, environment: Environment, subject: Subject, column: StateColumn): LookedAt {
    const reveal = this.revealFor(subject, environment);
    const seen = this.forcer.see(pages, environment, subject, shownBits(column), reveal);
    return { ...seen, looking: this.measures.looking(seen.view, openedKey(reveal)) };
  }

  /** How a subject that the pointer opens is seen where the focus is on what is pointed at instead. */
  openedByFocus(pages: StagedPages, environment: Environment, subject: Subject): (() => LookedAt) | undefined {
    const reveal = this.revealFor(subject, environment);
    const [pointed] = reveal.pointed;
    if (!pointed) return undefined;
    const control = [pointed, ...descendants(pointed)].find((node) => isTarget(node) && node !== subject.element);
    return () => {
      const { stage } = this.forcer.see(pages, environment, subject, 0, { ...reveal, pointed: [] });
      const forced = forceStates(control ? [[stage.tree.elements[control.order]!, FOCUSED]] : []);
      const view = stage.stylesFor(environment).at(forced);
      const element = stage.tree.elements[subject.element.order]!;
      return { stage, view, element, style: view.of(element, subject.pseudo), looking: this.measures.looking(view) };
    };
  }

  /** Ways of opening the page in which parts are seen, with the page at rest first: what geometry is wanted of. */
  openings(look: Look, environment: Environment): { readonly key: string; readonly seen: SeenSubject }[] {
    const found = new Map<string, SeenSubject>();
    for (const part of this.parts.all) {
      for (const { subject } of this.parts.groupsOf(part, look, environment)) {
        const reveal = this.revealFor(subject, environment);
        const key = openedKey(reveal);
        if (key && !found.has(key))
          found.set(key, this.forcer.see(this.site, environment, subject, subject.states.atRest, reveal));
      }
    }
    const rest = this.forcer.see(this.site, environment, this.parts.all[0]!.subjects[0]!, 0);
    return [{ key: '', seen: rest }, ...[...found].map(([key, seen]) => ({ key, seen }))];
  }

  /** Parts that the page hides at rest and that can be shown open: sub-menus, panels, dialogs; outermost first. */
  openable(environment: Environment): { readonly name: string; readonly label: string }[] {
    const seen = new Set<string>();
    return this.parts.all.flatMap((part) => {
      const { changes, pointed } = this.revealFor(this.parts.subjectFor(part, EMPTY_LOOK), environment);
      const key = JSON.stringify([changes, pointed.map(({ order }) => order)]);
      if ((!changes.length && !pointed.length) || seen.has(key)) return [];
      seen.add(key);
      return [{ name: part.part.name, label: part.part.label }];
    });
  }
}
