import {
  giveBehaviour,
  isImposter,
  namesSwatch,
  turnIntoControls,
  reachingAcross,
  sameRow,
  pathSelector,
  siteSelectors,
  splitOff,
  finishInTurns,
  type SheetRow,
} from '@retoque/core';
import { environmentOf, requestOf, now, nextTurn, whenNobodyAsks } from '../asking';
import type { Engine, FramesListener } from '../protocol';
import { withOwnText } from '../own-text';
import type { SiteFiles } from '../site-files';
import { asWorn, lookedAmong, missingOf, opened, pagesNow, placeOfRef, sessionOf } from '../sites';

/** @param gone values with swatches, or a finish, that are not there any more */
const goneWords = (gone: readonly string[]): string => {
  const values = gone.filter(namesSwatch).length;
  const [words, says] = values === 1 ? ['One value names a colour', 'says'] : [`${values} values name colours`, 'say'];
  return values
    ? `${words} that the palette does not have any more, and ${says} nothing. Set anew what you want there.`
    : 'The finish that this look follows is not there any more. Wear another, or set its values anew.';
};

/** One component: its state sheet, and what there is to know about its cells and parts. */
export function sheetOf(
  files: SiteFiles,
): Pick<
  Engine,
  | 'component'
  | 'reach'
  | 'onFrames'
  | 'sheet'
  | 'tryColours'
  | 'explain'
  | 'checkRule'
  | 'colourChildren'
  | 'members'
  | 'selectorOf'
  | 'splitOff'
  | 'asControls'
  | 'giveBehaviour'
> {
  let framesListener: FramesListener | undefined;
  /** The sheet that was sent last; the next is told by what differs. */
  let lastSent: { editNumber: number; rows: readonly SheetRow[] } | undefined;
  return {
    async component(ref) {
      const session = sessionOf(ref);
      return {
        selector: session.selector,
        outcome: session.located.outcome as 'matched' | 'moved',
        order: session.element.order,
        reach: session.located.elements.length,
        isImposter: session.kind.madeOfText === true && isImposter(session.element),
      };
    },

    async asControls(ref, look, tag) {
      const session = sessionOf(ref);
      const texts = session.located.elements.filter(isImposter).map(({ order }) => order);
      const { controls, css, retarget } = turnIntoControls(session.page, texts, tag);
      if (!controls.length) throw new Error('There is nothing there to make a control of.');
      const last = controls.length - 1;
      const changes = controls.map(({ locator, html, before }, i) => ({
        locator,
        html,
        before,
        css: i === last ? css : '',
      }));
      return { changes, look: retarget(look) };
    },

    async giveBehaviour(ref, name) {
      const { page, kind, element, parts } = sessionOf(ref);
      const behaviour = kind.behaviours?.find((own) => own.name === name);
      if (!behaviour) throw new Error(`A ${kind.label.toLowerCase()} has no behaviour called ${name}.`);
      const given = giveBehaviour(page.source.html, element, parts, behaviour);
      if ('problem' in given) throw new Error(given.problem);
      return given;
    },

    async reach(ref) {
      const steps = reachingAcross(pagesNow(ref.versionId), placeOfRef(ref), ref.pageId);
      return finishInTurns(steps, nextTurn, now, 20);
    },

    async onFrames(listener) {
      framesListener = listener;
    },

    async sheet(ref, told, query, editNumber, held) {
      const session = sessionOf(ref);
      const look = asWorn(ref, told);
      const request = requestOf(query);
      // Frames are laid out while the sheet is worked out.
      const rules = session.frameRules(look, request, lookedAmong(ref, query.alone));
      framesListener?.(editNumber, files.framesOf(rules, opened(ref.versionId).page));
      const { rows: plain, ...sheet } = session.sheet(look, request);
      const rows = look === told ? plain : withOwnText(plain, told, session.kind, query.place);
      const gone = look === told && told.finish === undefined ? [] : missingOf(ref, told);
      const problems = gone.length ? [...sheet.problems, goneWords(gone)] : sheet.problems;
      const before = lastSent?.editNumber === held ? lastSent?.rows : undefined;
      lastSent = { editNumber, rows };
      if (!before) return { editNumber, sheet: { ...sheet, problems }, rows };
      const places = new Map(before.map((row, i) => [`${row.part} ${row.row.key}`, i]));
      return {
        editNumber,
        sheet: { ...sheet, problems },
        rows: rows.map((row) => {
          const place = places.get(`${row.part} ${row.row.key}`);
          return place !== undefined && sameRow(before[place]!, row) ? place : row;
        }),
      };
    },

    async tryColours(ref, look, query, cell, colours) {
      return sessionOf(ref).tryColours(asWorn(ref, look), cell, colours, requestOf(query));
    },

    async explain(ref, viewport, cell) {
      // What is edited meanwhile has its turn in between.
      return finishInTurns(sessionOf(ref).explaining(cell, environmentOf(viewport)), whenNobodyAsks, now, 20);
    },

    async checkRule(ref, viewport, cell, selector) {
      return sessionOf(ref).checkRule(cell, selector, environmentOf(viewport));
    },

    async colourChildren(ref, viewport, cell) {
      return sessionOf(ref).colourChildren(cell, environmentOf(viewport));
    },

    async members(ref, part) {
      return sessionOf(ref).members(part);
    },

    async splitOff(ref, look, part, orders) {
      return splitOff(sessionOf(ref), part, orders, asWorn(ref, look));
    },

    async selectorOf(ref, order) {
      const { session } = opened(ref.versionId);
      const element = session.tree.elements[order];
      if (!element) throw new Error('That element is not on the page.');
      const root = sessionOf(ref).selector;
      const own = siteSelectors(element, session.stylesFor());
      return own.find((selector) => selector.startsWith(root)) ?? own[0] ?? pathSelector(element);
    },
  };
}
