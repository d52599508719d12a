import { describe, expect, it } from '@jest/globals';
import { EMPTY_LOOK, type Look } from '@retoque/core';
import fc from 'fast-check';
import { earlierSteps } from './earlier-steps';
import { historyReducer, namedSince, startHistory, stepsToOpening, type History, type HistoryAction } from './history';

const look = (name: string): Look => ({ ...EMPTY_LOOK, muted: [name] });
const run = (actions: readonly HistoryAction[], start = startHistory(EMPTY_LOOK)): History =>
  actions.reduce(historyReducer, start);

const action: fc.Arbitrary<HistoryAction> = fc.oneof(
  fc.record({
    type: fc.constant('change' as const),
    look: fc.string().map(look),
    gesture: fc.option(fc.constantFrom('a', 'b'), { nil: undefined }),
  }),
  fc.constant({ type: 'undo' as const }),
  fc.constant({ type: 'redo' as const }),
);

describe('undo and redo', () => {
  it('make one step of one gesture', () => {
    const drag = ['1', '2', '3'].map((name) => ({ type: 'change' as const, look: look(name), gesture: 'drag' }));
    const dragged = run(drag);
    expect(dragged.present).toEqual(look('3'));
    expect(run([{ type: 'undo' }], dragged).present).toEqual(EMPTY_LOOK);
    const twoDrags = run([...drag, { type: 'change', look: look('4'), gesture: 'other' }, { type: 'undo' }]);
    expect(twoDrags.present).toEqual(look('3'));
  });

  it('do not join a gesture that was undone in between', () => {
    const history = run([
      { type: 'change', look: look('1'), gesture: 'g' },
      { type: 'undo' },
      { type: 'change', look: look('2'), gesture: 'g' },
      { type: 'undo' },
    ]);
    expect(history.present).toEqual(EMPTY_LOOK);
  });

  it('redo brings back what undo took, from any history', () => {
    fc.assert(
      fc.property(fc.array(action, { maxLength: 30 }), (actions) => {
        const history = run(actions);
        if (!history.past.length) return;
        const back = run([{ type: 'undo' }, { type: 'redo' }], history);
        expect(back.present).toBe(history.present);
        expect(back.past).toEqual(history.past);
        expect(back.future).toEqual(history.future);
      }),
    );
  });
});

describe('steps of earlier sittings', () => {
  const revisions = ['third', 'second', 'first'].map((name, i) => ({
    revision: 2 - i,
    savedAt: `2026-11-0${3 - i}T10:00:00.000Z`,
    look: look(name) as never,
    step: i === 2 ? null : `to ${name}`,
  }));

  it('lead back to the first look that is kept, one after the other', () => {
    let history = run([{ type: 'earlier', steps: earlierSteps(revisions) }], startHistory(look('third')));
    expect(history.past.map(({ name }) => name)).toEqual(['to second', 'to third']);
    history = run([{ type: 'undo' }], history);
    expect(history.present).toEqual(look('second'));
    history = run([{ type: 'undo' }, { type: 'undo' }], history);
    expect(history.present).toEqual(look('first'));
    expect(run([{ type: 'redo' }, { type: 'redo' }], history).present).toEqual(look('third'));
  });

  it('are named by what was done, and what was not saved is a step of its own', () => {
    expect(earlierSteps(revisions, look('unsaved')).map(({ name, savedAt }) => [name, savedAt])).toEqual([
      ['to second', '2026-11-02T10:00:00.000Z'],
      ['to third', '2026-11-03T10:00:00.000Z'],
      ['Not saved when it was closed', '2026-11-03T10:00:00.000Z'],
    ]);
    expect(earlierSteps([])).toEqual([]);
    expect(earlierSteps(revisions.slice(2))).toEqual([]);
  });

  it('lie before what this sitting did, whenever they come, and its beginning is found from anywhere', () => {
    const steps = earlierSteps(revisions);
    fc.assert(
      fc.property(fc.array(action, { maxLength: 12 }), fc.array(action, { maxLength: 12 }), (before, after) => {
        const start = startHistory(look('third'));
        const late = run([...before, { type: 'earlier', steps }, ...after], start);
        const opened = run([{ type: 'go', steps: stepsToOpening(late) }], late);
        // Going back before the beginning and on from there leaves it behind.
        const isLeft =
          !late.past.concat(late.future).some(({ look: own }) => own === start.present) &&
          late.present !== start.present;
        if (!isLeft) expect(opened.present).toEqual(look('third'));
        expect(run([{ type: 'go', steps: -400 }], late).present).toEqual(look('first'));
      }),
    );
  });

  it('are named together where several are saved at once', () => {
    const start = startHistory(look('0'));
    const base = start.present;
    const one = run([{ type: 'change', look: look('1'), name: 'Text' }], start);
    expect(namedSince(one, base)).toBe('Text');
    const two = run([{ type: 'change', look: look('2'), name: 'Border' }], one);
    expect(namedSince(two, base)).toBe('Border, and 1 more');
    expect(namedSince(run([{ type: 'undo' }], two), two.present)).toBe('Undo: Border');
    expect(namedSince(start, base)).toBeUndefined();
  });
});
