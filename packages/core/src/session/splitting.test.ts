import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { changeLook, EMPTY_LOOK, settingKey, statesOf, type Look } from '../look/model.js';
import { correctPart, removePart, renamePart } from '../look/own-parts-of-look.js';
import { splitPart } from '../look/split-part.js';
import { partsThatDiffer, takeParts } from '../look/take-parts.js';
import { ownPartsOf } from '../component/own-parts.js';
import { mergeLooks } from '../look/merge.js';
import { pageOf } from '../testing/page.js';
import { ComponentSession } from './component-session.js';
import { splitOff } from './splitting.js';

// Members that become a part of their own look as they did, and one sheet says of them what the two said together.

const LINKS = ['Home', 'Timetable', 'Fares', 'Freight', 'Contact'];
const BODY = `<nav class="bar"><ul>${LINKS.map((name) => `<li><a href="/${name}">${name}</a></li>`).join('')}</ul></nav>`;
const CSS = '.bar { background: #123; padding: 8px } .bar a { color: #fff } .bar a:hover { color: #ddd }';
const PAGE = pageOf(BODY, CSS);
const NAV = selectAll(PAGE.tree, 'nav')[0]!;
const sessionFor = (look: Look): ComponentSession =>
  new ComponentSession(PAGE, 'menu', locatorFor(NAV, 'nav'), ownPartsOf(look));
const links = sessionFor(EMPTY_LOOK).members('link');
const ordersOf = (indices: readonly number[]) => new Set(indices.map((i) => links[i]!.order));
const split = (look: Look, indices: readonly number[], worn = look) =>
  splitPart(look, { ...splitOff(sessionFor(look), 'link', ordersOf(indices), worn), name: 'Last two' });

const COLUMNS = ['default', 'hover', 'focus', 'pressed', 'current'];
const PROPERTIES = ['color', 'background-color', 'opacity'] as const;
const VALUES = { color: ['#111111', '#eeeeee'], 'background-color': ['#004400', '#220022'], opacity: ['0.5', '0.8'] };
/** What each link shows in each state. */
function shown(look: Look): string[] {
  const session = sessionFor(look);
  const names = session.sheet(look, { unfolded: [] }).parts.map(({ name }) => name);
  return COLUMNS.flatMap((column) => {
    const seen = new Map(
      names
        .filter((name) => session.members(name).some(({ order }) => links.some((link) => link.order === order)))
        .flatMap((name) => session.groupsSeenUnder(look, name, column))
        .flatMap(({ members, style }) => members.map(({ order }) => [order, style] as const)),
    );
    return links.map(({ order }) => PROPERTIES.map((property) => seen.get(order)!.computed(property)).join(' '));
  });
}

const setting = fc.record({
  property: fc.constantFrom(...PROPERTIES),
  value: fc.nat(1),
  state: fc.constantFrom(undefined, 'hover' as const, 'focus' as const, 'current' as const),
  exception: fc.constantFrom(undefined, 'one', 'both'),
  off: fc.boolean(),
});
const looks: fc.Arbitrary<Look> = fc.array(setting, { maxLength: 10 }).map((drawn) => {
  const told: Look = {
    ...EMPTY_LOOK,
    exceptions: [
      { id: 'one', name: 'Fares', part: 'link', members: [links[2]!.selector] },
      { id: 'both', name: 'Last', part: 'link', members: [links[3]!.selector, links[4]!.selector] },
    ],
  };
  const settings = drawn.map(({ property, value, state, exception }) => ({
    part: 'link',
    property,
    value: VALUES[property][value]!,
    when: { states: state ? statesOf('link', [state]) : [] },
    ...(exception ? { exception } : {}),
  }));
  const off = settings.filter((_own, i) => drawn[i]!.off).map(settingKey);
  return { ...changeLook(told, settings), muted: [...new Set(off)] };
});

describe('a part that is split', () => {
  it('leaves every member as it looked, in every state', () => {
    fc.assert(
      fc.property(looks, fc.subarray([0, 1, 2, 3, 4], { minLength: 1, maxLength: 4 }), (look, indices) => {
        expect(shown(split(look, indices))).toEqual(shown(look));
      }),
      { numRuns: 25 },
    );
  });

  it('is asked what its part was asked, has its states, and is proven', () => {
    const look = changeLook(split(EMPTY_LOOK, [3, 4]), [
      { part: 'Last two', property: 'color', value: '#ffee00', when: { states: statesOf('Last two', ['current']) } },
    ]);
    const session = sessionFor(look);
    const { parts, checks } = session.sheet(look, { unfolded: [] });
    const part = (name: string) => parts.find((own) => own.name === name)!;
    expect([part('link').reach, part('Last two').reach]).toEqual([3, 2]);
    expect(part('Last two').columns).toEqual(part('link').columns);
    const asked = (name: string) => checks.filter((check) => check.part === name).map(({ column }) => column);
    expect(asked('Last two')).toEqual(asked('link'));
    const { css, proof } = session.handover(look);
    expect(proof.failures).toEqual([]);
    expect(css).toContain('#ffee00');
  });

  it('keeps what a finish says of its members', () => {
    const finish = changeLook(EMPTY_LOOK, [
      { part: 'link', property: 'color', value: '#eeeeee', when: { states: [] } },
    ]);
    expect(split(EMPTY_LOOK, [0], finish).settings).toEqual([
      { part: 'Last two', property: 'color', value: '#eeeeee', when: { states: [] } },
    ]);
  });

  it('is taken into another version, merged, and removed with all that was said', () => {
    const look = split(
      changeLook(EMPTY_LOOK, [{ part: 'link', property: 'opacity', value: '0.5', when: { states: [] } }]),
      [1],
    );
    expect(partsThatDiffer(EMPTY_LOOK, look)).toEqual(['link', 'Last two']);
    expect(takeParts(EMPTY_LOOK, look, new Set(['link', 'Last two']))).toEqual(look);
    expect(mergeLooks(EMPTY_LOOK, look, renamePart(EMPTY_LOOK, 'link', 'Ways'), () => 'mine').look).toEqual({
      ...look,
      names: { link: 'Ways' },
    });
    const gone = removePart(look, 'Last two');
    expect(gone).toEqual(
      changeLook(EMPTY_LOOK, [{ part: 'link', property: 'opacity', value: '0.5', when: { states: [] } }]),
    );
  });
});

describe('a part that is called otherwise', () => {
  it('is called so in the sheet and in the CSS, and keeps what was said of it', () => {
    const told = changeLook(EMPTY_LOOK, [{ part: 'link', property: 'opacity', value: '0.5', when: { states: [] } }]);
    const look = renamePart(told, 'link', 'Ways to go');
    const session = sessionFor(look);
    const part = session.sheet(look).parts.find(({ name }) => name === 'link')!;
    expect(part).toMatchObject({ label: 'Ways to go', settings: 1 });
    expect(part.usual).not.toBe(part.label);
    const usual = sessionFor(told);
    expect(usual.sheet(told).parts.find(({ name }) => name === 'link')!.label).toBe(part.usual);
    expect(session.handover(look).proof.failures).toEqual([]);
    expect(renamePart(look, 'link', undefined)).toEqual(told);
    expect(correctPart(correctPart(look, 'link', '.bar a'), 'link', undefined)).toEqual(look);
  });
});
