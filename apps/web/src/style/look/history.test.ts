import { describe, expect, it } from '@jest/globals';
import { EMPTY_LOOK, type Look } from '@retoque/core';
import fc from 'fast-check';
import { historyReducer, startHistory, type History, type HistoryAction } from './history';

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
