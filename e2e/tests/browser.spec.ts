import { expect, test, type CDPSession } from '@playwright/test';
import { changeLook, ComponentSession, EMPTY_LOOK, PageSession, statesOf } from '../../packages/core/dist/index.js';
import { openDemo } from '../agreement/demo';

/** Forces states on an element and the ancestors they spread to, through the debugging protocol. */
async function force(client: CDPSession, selector: string, states: readonly string[]): Promise<() => Promise<void>> {
  const { root } = await client.send('DOM.getDocument', { depth: -1 });
  const { nodeId } = await client.send('DOM.querySelector', { nodeId: root.nodeId, selector });
  const parents = new Map<number, number>();
  const visit = (node: { nodeId: number; children?: unknown[] }) => {
    for (const child of (node.children ?? []) as (typeof node)[]) {
      parents.set(child.nodeId, node.nodeId);
      visit(child);
    }
  };
  visit(root);
  const forced: number[] = [];
  for (let id: number | undefined = nodeId; id && id !== root.nodeId; id = parents.get(id)) {
    const spread = states.filter((state) => state === 'hover' || state === 'active');
    const within = states.includes('focus') ? ['focus-within'] : [];
    await client.send('CSS.forcePseudoState', {
      nodeId: id,
      forcedPseudoClasses: [...(id === nodeId ? states : spread), ...within],
    });
    forced.push(id);
  }
  return async () => {
    for (const id of forced) await client.send('CSS.forcePseudoState', { nodeId: id, forcedPseudoClasses: [] });
  };
}

const PROPERTIES = [
  'color',
  'background-color',
  'border-top-color',
  'border-left-color',
  'font-size',
  'font-weight',
  'opacity',
];
const SETS: readonly (readonly string[])[] = [
  [],
  ['hover'],
  ['focus', 'focus-visible'],
  ['active'],
  ['hover', 'active'],
  ['hover', 'focus'],
];

for (const path of ['/', '/booking.html']) {
  test(`the core and Chromium agree on every component of ${path} in every state, before and after a change`, async ({
    page,
  }) => {
    test.setTimeout(180_000);
    const session = await openDemo(page, path);
    await page.addStyleTag({ content: '*, *::before, *::after { transition: none !important }' });
    const client = await page.context().newCDPSession(page);
    await client.send('DOM.enable');
    await client.send('CSS.enable');
    const differences: string[] = [];
    let compared = 0;
    for (const found of session.components()) {
      const bench = new ComponentSession(session, found.kind, found.locator);
      const set = (property: string, atoms: Parameters<typeof statesOf>[1], value: string) => ({
        part: found.kind,
        property,
        when: { states: statesOf(found.kind, atoms) },
        value,
      });
      const look = changeLook(EMPTY_LOOK, [
        set('color', [], 'rgb(1, 2, 3)'),
        set('color', ['focus', 'focus-visible'], 'rgb(4, 5, 6)'),
        set('background-color', ['hover'], 'rgb(7, 8, 9)'),
      ]);
      const { css, proof } = bench.handover(look, found.name);
      expect(proof.failures).toEqual([]);
      for (const withLook of [false, true]) {
        const style = withLook ? await page.addStyleTag({ content: css }) : undefined;
        const source = withLook
          ? new PageSession({
              ...session.source,
              html: session.source.html.replace('</body>', `<style>${css}</style></body>`),
            })
          : session;
        const target = new ComponentSession(source, found.kind, found.locator);
        for (const states of SETS) {
          const release = await force(client, found.selector, states);
          const real = await page.evaluate(
            ([selector, names]) => {
              const style = getComputedStyle(document.querySelector(selector as string)!);
              return (names as string[]).map((name) => style.getPropertyValue(name));
            },
            [found.selector, PROPERTIES] as const,
          );
          await release();
          const core = target.styleIn(states as never, found.elements[0]!);
          PROPERTIES.forEach((property, i) => {
            compared++;
            if (core.text(property) !== real[i]) {
              differences.push(
                `${found.selector} ${states.join('+')} ${property}: core ${core.text(property)}, browser ${real[i]}`,
              );
            }
          });
        }
        await style?.evaluate((node) => (node as unknown as Element).remove());
      }
    }
    expect(differences).toEqual([]);
    expect(compared).toBeGreaterThan(500);
  });
}
