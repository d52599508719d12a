import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { DESKTOP } from '../../css/conditions/environment.js';
import { changeLook, EMPTY_LOOK } from '../../look/model.js';
import { pageOf } from '../../testing/page.js';
import { ComponentSession } from '../../session/component-session.js';
import { Remedies } from '../remedies.js';

const request = { viewports: [{ name: 'wide', environment: DESKTOP }], at: 'wide' };

function sessionOf(css: string, kind: string, body: string) {
  const page = pageOf(body, css);
  const found = page.components().find((own) => own.kind === kind)!;
  return new ComponentSession(page, found.kind, found.locator);
}

const shortText = (session: ComponentSession, part: string) =>
  session
    .ledger(EMPTY_LOOK, request)
    .find((check) => check.part === part && check.verdict === 'short' && check.criterion === '1.4.3');

const BUTTON = '<p>Words <a class="b" href="#">Board</a></p>';
const BOX = 'display: inline-block; padding: 8px 16px';

describe('a text that lets its ground show through', () => {
  it('is offered more opacity before any other colour', () => {
    const session = sessionOf(`.b { ${BOX}; color: rgb(255 255 255 / 50%); background: #14505f }`, 'button', BUTTON);
    const check = shortText(session, 'button')!;
    const [first] = new Remedies(session, EMPTY_LOOK, request).propose(check);
    expect(first).toMatchObject({ kind: 'opacity', breaks: [] });
    expect(first!.words).toMatch(/^Button text: 50 → \d+ % opaque$/);
    expect(first!.settings[0]!.value).toMatch(/^#ffffff[0-9a-f]{2}$/);
    expect(first!.after.verdict).toBe('passes');
  });

  it('is offered as little more as passes, whatever its ground', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 110 }), fc.integer({ min: 5, max: 60 }), (level, alpha) => {
        const css = `.b { ${BOX}; color: rgb(255 255 255 / ${alpha}%); background: rgb(${level} ${level} ${level}) }`;
        const session = sessionOf(css, 'button', BUTTON);
        const check = shortText(session, 'button');
        if (!check) return;
        const ways = new Remedies(session, EMPTY_LOOK, request).propose(check);
        const way = ways.find(({ kind }) => kind === 'opacity')!;
        const to = Number(/→ (\d+)/.exec(way.words)![1]);
        const withAlpha = (percent: number) =>
          session
            .ledger(changeLook(EMPTY_LOOK, [{ ...way.settings[0]!, value: `rgb(255 255 255 / ${percent}%)` }]), request)
            .find((own) => own.demand === check.demand && own.column === check.column && own.part === check.part)!;
        expect(withAlpha(to).verdict).toBe('passes');
        // A step of eight bits is less than half a hundredth.
        if (to - 2 > alpha) expect(withAlpha(to - 2).verdict).toBe('short');
      }),
      { numRuns: 12, examples: [[38, 5]] },
    );
  });

  it('is offered more of what fades it, where that is its own opacity or that of a part around it', () => {
    const own = sessionOf(`.b { ${BOX}; color: #fff; background: #14505f; opacity: .5 }`, 'button', BUTTON);
    const ways = new Remedies(own, EMPTY_LOOK, request).propose(shortText(own, 'button')!);
    expect(ways[0]).toMatchObject({ kind: 'opacity' });
    expect(ways[0]!.settings).toMatchObject([{ part: 'button', property: 'opacity' }]);
    const form =
      '<form><label for="n">Name</label><input id="n" class="f" placeholder="First and last"><button>Send</button></form>';
    const field = sessionOf(
      '.f { color: #000; background: #fff } .f::placeholder { color: #000; opacity: .3 }',
      'form',
      form,
    );
    const check = shortText(field, 'placeholder')!;
    const [first] = new Remedies(field, EMPTY_LOOK, request).propose(check);
    expect(first!.settings).toMatchObject([{ part: 'placeholder', property: 'opacity' }]);
    expect(first!.words).toMatch(/^Placeholder: opacity 30 → \d+ %$/);
  });

  it('is offered another colour where no opacity suffices', () => {
    const session = sessionOf(`.b { ${BOX}; color: rgb(120 120 120 / 50%); background: #808080 }`, 'button', BUTTON);
    const ways = new Remedies(session, EMPTY_LOOK, request).propose(shortText(session, 'button')!);
    expect(ways.length).toBeGreaterThan(0);
    expect(ways.map(({ kind }) => kind)).not.toContain('opacity');
  });
});

describe('a label of some hue', () => {
  it('keeps it at rest and in hover, though the site has a grey that is nearer', () => {
    const css = `body { color: #595959 } .b { ${BOX}; color: #35a852; background: #fff } .b:hover { color: #4fbf6a }`;
    const session = sessionOf(css, 'button', BUTTON);
    const checks = session
      .ledger(EMPTY_LOOK, request)
      .filter((check) => check.verdict === 'short' && check.criterion === '1.4.3');
    expect(checks.map(({ column }) => column)).toEqual(expect.arrayContaining(['default', 'hover']));
    for (const check of checks.filter(({ column }) => ['default', 'hover'].includes(column))) {
      const [first, ...others] = new Remedies(session, EMPTY_LOOK, request).propose(check);
      const channels = /→ #(..)(..)(..)/
        .exec(first!.words)!
        .slice(1)
        .map((pair) => Number.parseInt(pair, 16));
      expect(channels[1]).toBeGreaterThan(1.3 * Math.max(channels[0]!, channels[2]!));
      // The grey is there to be chosen all the same.
      expect(others.some(({ words }) => words.includes('#595959'))).toBe(true);
    }
  });
});
