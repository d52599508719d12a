import { asOneStep } from '../one-step';
import { expect, test, type Page } from '@playwright/test';
import {
  atomsOf,
  CARRIED,
  changeLook,
  columnNamed,
  ComponentSession,
  DESKTOP,
  EMPTY_LOOK,
  KINDS,
  pathSelector,
  shownBits,
  statesOf,
  VIEWPORTS,
  type Look,
  type PageSession,
  type SheetPart,
  type ViewportName,
} from '../../packages/core/dist/index.js';
import { openDemo } from '../agreement/demo';
import { PRACTICE } from './support';

// Every kind, on the demo site: each part gets values of its own in each of its states, and Chromium, driven by mouse
// and keyboard, must show what the sheet shows.

const PAGES: Readonly<Record<string, readonly string[]>> = {
  breadcrumb: ['/booking.html'],
  form: ['/booking.html', '/contact.html'],
  dialog: ['/booking.html'],
  tooltip: ['/booking.html'],
  'sign-in': ['/sign-in.html'],
  panel: ['/islands.html'],
  accordion: ['/islands.html'],
  tabs: ['/timetable.html'],
  pagination: ['/timetable.html'],
  progress: ['/timetable.html'],
  scrollbar: ['/timetable.html'],
  button: ['/booking.html'],
  card: ['/', '/islands.html'],
};
/** Parts that a wide page hides are looked at on a phone. */
const WIDTHS: Readonly<Record<string, readonly ViewportName[]>> = { menu: ['wide', 'narrow'] };
const ROWS = ['text', 'background', 'padding-left', 'letter-spacing'] as const;
const LONGHANDS: Readonly<Record<(typeof ROWS)[number], string>> = {
  text: 'color',
  background: 'background-color',
  'padding-left': 'padding-left',
  'letter-spacing': 'letter-spacing',
};
/** Rows that mean something for a pseudo-element. */
const PSEUDO_ROWS: Readonly<Record<string, readonly (typeof ROWS)[number][]>> = {
  placeholder: ['text'],
  marker: ['text'],
  before: ['text', 'background'],
  after: ['text', 'background'],
  backdrop: ['background'],
};
const rowsOf = (part: SheetPart) => (part.pseudo ? (PSEUDO_ROWS[part.pseudo] ?? ['background']) : ROWS);

/** A look that sets every part in every state, each value another. */
function fullLook(parts: readonly SheetPart[]): Look {
  let n = 0;
  return changeLook(
    EMPTY_LOOK,
    parts.flatMap((part) =>
      part.columns.flatMap((name) =>
        rowsOf(part).map((row) => {
          n++;
          const isColour = row === 'text' || row === 'background';
          return {
            part: part.name,
            property: LONGHANDS[row],
            when: { states: statesOf(part.carrier, columnNamed(name)!.atoms) },
            value: isColour ? `rgb(${n % 256}, ${(n * 7) % 256}, ${(n * 13) % 256})` : `${(n % 9) + 1}px`,
          };
        }),
      ),
    ),
  );
}

/** Puts the real page's markup into a state, as the site itself would. */
async function applyMarkup(page: Page, session: PageSession, changes: readonly Change[]): Promise<void> {
  await page.evaluate(
    (list) => {
      for (const { selector, name, value } of list) {
        const element = document.querySelector(selector) as HTMLInputElement;
        if (name === '#text' || name === 'value') element.value = value ?? '';
        else if (value === undefined) element.removeAttribute(name);
        else element.setAttribute(name, value);
        if (name === 'checked') element.checked = value !== undefined;
      }
    },
    changes.map(({ order, name, value }) => ({ selector: pathSelector(session.tree.elements[order]!), name, value })),
  );
}

type Change = { order: number; name: string; value: string | undefined };

/** Changes that bring back what the page was served with. */
const undone = (session: PageSession, changes: readonly Change[]): Change[] =>
  changes.map(({ order, name }) => ({ order, name, value: session.tree.elements[order]!.attributes.get(name) }));

/** Moves the pointer to where it touches nothing of a component. */
async function pointAway(page: Page, root: string): Promise<void> {
  const free = await page.evaluate((selector) => {
    const own = [...document.querySelectorAll(selector)];
    const spots = [
      [3, innerHeight - 3],
      [innerWidth - 20, innerHeight - 3],
      [innerWidth / 2, innerHeight - 3],
      [innerWidth - 20, 120],
      [3, 3],
    ] as const;
    return spots.find(([x, y]) => {
      const at = document.elementFromPoint(x, y);
      return !own.some((element) => element.contains(at));
    });
  }, root);
  await page.mouse.move(...((free ?? [3, 3]) as [number, number]));
}

/** Reaches an element with the Tab key, from the focusable element before it. */
async function tabTo(page: Page, selector: string): Promise<boolean> {
  const able = await page.evaluate((target) => {
    const element = document.querySelector<HTMLElement>(target)!;
    const all = [
      ...document.querySelectorAll<HTMLElement>(
        'a[href], button, input:not([type=hidden]), select, textarea, summary, [tabindex="0"]',
      ),
    ].filter(
      (node) =>
        !(node as HTMLInputElement).disabled &&
        node.tabIndex >= 0 &&
        (node === element || node.checkVisibility({ visibilityProperty: true })),
    );
    const at = all.indexOf(element);
    if (at < 0) return false;
    (document.activeElement as HTMLElement | null)?.blur();
    all[at - 1]?.focus({ preventScroll: true });
    return true;
  }, selector);
  if (!able) return false;
  // Radio buttons of a group and date fields take several steps, or another way round.
  for (let i = 0; i < 5; i++) {
    await page.keyboard.press('Tab');
    if (await page.evaluate((target) => document.activeElement === document.querySelector(target), selector))
      return true;
  }
  await page.locator(selector).focus();
  await page.keyboard.press('Shift');
  return page.evaluate((target) => document.querySelector(target)!.matches(':focus-visible'), selector);
}

const read = (page: Page, selector: string, pseudo: string | undefined, names: readonly string[]) =>
  page.evaluate(
    ([target, part, list]) => {
      const style = getComputedStyle(document.querySelector(target as string)!, part ? `::${part as string}` : null);
      return (list as string[]).map((name) => style.getPropertyValue(name));
    },
    [selector, pseudo ?? '', names] as const,
  );

/** A summary would stay pressed when the focus leaves it while the key is held. */
const PRESSED_BY_KEY = new Set(['button']);

for (const { name: kindName } of KINDS) {
  test(`a ${kindName} shows in Chromium what its sheet shows, in every part and state`, async ({ page, context }) =>
    asOneStep(async () => {
      test.setTimeout(400_000);
      if (kindName !== 'cookie-notice') {
        await context.addCookies([{ name: 'quillhaven-cookies', value: 'chosen', url: PRACTICE }]);
      }
      const differences: string[] = [];
      const skipped: string[] = [];
      let compared = 0;
      for (const [path, viewport] of (PAGES[kindName] ?? ['/']).flatMap((each) =>
        (WIDTHS[kindName] ?? ['wide' as const]).map((width) => [each, width] as const),
      )) {
        const environment = { ...DESKTOP, ...VIEWPORTS[viewport] };
        await page.setViewportSize(VIEWPORTS[viewport]);
        const session = await openDemo(page, path);
        // The page's own bar is always pointed at, as far as computed styles say.
        const found = session.components().filter((item) => item.kind === kindName && item.selector !== 'html');
        expect(found.length).toBeGreaterThan(0);
        for (const component of found.slice(0, 3)) {
          await page.goto(PRACTICE + path);
          await page.addStyleTag({
            content:
              '*, *::before, *::after { transition: none !important; animation: none !important; scroll-behavior: auto !important }',
          });
          // A press is looked at and let go; nothing that it would start may happen.
          await page.evaluate(() => {
            for (const type of ['click', 'submit', 'dragstart'])
              addEventListener(type, (event) => event.preventDefault(), true);
          });
          const bench = new ComponentSession(session, component.kind, component.locator);
          const names = bench.parts.map(({ part }) => part.name);
          const look = fullLook(bench.sheet(EMPTY_LOOK).parts);
          const { css, proof } = bench.handover(look, component.name);
          expect(proof.failures).toEqual([]);
          await page.addStyleTag({ content: css });
          const sheet = bench.sheet(look, { environment, unfolded: names, whole: names });
          for (const part of sheet.parts) {
            const subject = bench.standingFor(part.name);
            const element = pathSelector(subject.element);
            const carrier = pathSelector(subject.carrier);
            const reveal = bench.reveal(part.name, environment);
            // A scrollbar's own states are looked at in pixels below.
            const columns = subject.ownPseudoStates ? ['default'] : part.columns;
            let carried: readonly Change[] = [];
            for (const column of columns) {
              const bits = shownBits(columnNamed(column)!);
              const atoms = atomsOf(bits & ~CARRIED);
              const changes = subject.states.changesFor(bits);
              await applyMarkup(page, session, [...undone(session, carried), ...reveal.changes, ...changes]);
              carried = [...reveal.changes, ...changes];
              await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
              const target = page.locator(carrier);
              let isPressed = false;
              if (atoms.includes('hover')) {
                const isSeen = await target.evaluate((node) => {
                  node.scrollIntoView({ block: 'center', behavior: 'instant' });
                  return node.getClientRects().length > 0;
                });
                if (!isSeen) {
                  skipped.push(`${part.name} ${column} (${viewport}): it has no box`);
                  continue;
                }
                for (const node of reveal.pointed) {
                  await page
                    .locator(pathSelector(node))
                    .hover({ force: true, timeout: 3000 })
                    .catch(() => undefined);
                }
                const box = (await target.boundingBox())!;
                await page.mouse.move(box.x + Math.min(box.width / 2, 6), box.y + Math.min(box.height / 2, 6), {
                  steps: 8,
                });
                if (!(await target.evaluate((node) => node.matches(':hover')))) {
                  const reached = await target.hover({ force: true, timeout: 1500 }).then(
                    () => true,
                    () => false,
                  );
                  if (!reached) {
                    skipped.push(`${part.name} ${column} (${viewport}): the pointer cannot get there`);
                    continue;
                  }
                }
                if (atoms.includes('active')) {
                  await page.mouse.down();
                  isPressed = true;
                }
              } else await pointAway(page, component.selector);
              if (atoms.includes('focus') && !(await tabTo(page, carrier))) {
                skipped.push(`${part.name} ${column} (${viewport}): it takes no focus`);
                continue;
              }
              if (!(await holds(page, carrier, atoms))) {
                skipped.push(`${part.name} ${column} (${viewport}): ${atoms.join('+')} does not come about`);
                if (isPressed) await page.mouse.up();
                continue;
              }
              const wanted = rowsOf(part).map((row) => {
                const cells = sheet.rows.find((item) => item.part === part.name && item.row.key === row)!.cells;
                return cells.find((cell) => cell.column === column)!.computed;
              });
              const longhands = rowsOf(part).map((row) => LONGHANDS[row]);
              const compare = (real: readonly string[], how: string) =>
                real.forEach((value, i) => {
                  compared++;
                  if (value !== wanted[i]) {
                    differences.push(
                      `${part.name} ${column} ${how} ${longhands[i]}: sheet ${wanted[i]}, Chromium ${value}`,
                    );
                  }
                });
              compare(await read(page, element, part.pseudo, longhands), isPressed ? 'by mouse' : '');
              if (isPressed) {
                // Let go elsewhere, so that nothing is clicked.
                await page.mouse.move(VIEWPORTS[viewport].width - 10, VIEWPORTS[viewport].height - 10);
                await page.mouse.up();
              }
              if (column === 'pressed' && PRESSED_BY_KEY.has(subject.carrier.name)) {
                await pointAway(page, component.selector);
                if (await tabTo(page, carrier)) {
                  await page.keyboard.down('Space');
                  if (await holds(page, carrier, ['active'])) {
                    compare(await read(page, element, part.pseudo, longhands), 'by key');
                  }
                  // Moving the focus away first keeps the key from acting.
                  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
                  await page.keyboard.up('Space');
                }
              }
            }
            await applyMarkup(page, session, undone(session, carried));
          }
        }
      }
      test.info().annotations.push({
        type: 'kinds',
        description: `${kindName}: ${compared} values, ${skipped.length} states not reached`,
      });
      console.log(
        `${kindName}: ${compared} values agree${skipped.length ? `; not reached: ${skipped.join(', ')}` : ''}`,
      );
      expect(differences).toEqual([]);
      expect(compared).toBeGreaterThan(0);
    }));
}

/** Whether the pointer and keyboard states that a column asks for have really come about. */
const holds = (page: Page, selector: string, atoms: readonly string[]): Promise<boolean> =>
  page.evaluate(
    ([target, list]) =>
      (list as string[]).every((atom) => document.querySelector(target as string)!.matches(`:${atom}`)),
    [selector, atoms] as const,
  );
