import { loadReader } from '../grid/reading';

/** Asked for once, and again with the next touch where it did not come. */
let ahead: Promise<unknown> | undefined;

/** Loads what a first key or click is likely to open, so that it is there when the connection is not. */
const loadAhead = () => {
  ahead ??= Promise.all([
    loadReader(),
    import('./BenchDialogs'),
    import('./CommandPalette'),
    import('../editor/TakeAlong'),
    import('../editor/Differs'),
    import('../editor/RulesInTheRunning'),
    import('../editor/SharedRule'),
    import('../editor/NotDrawn'),
    import('../frames/ViewChoices'),
    import('../frames/VersionRows'),
    import('../editor/ValuesRow'),
    import('../../frame/Heat'),
    import('../grid/StateChoices'),
    import('../grid/PartsBelow'),
    import('../look/HistorySteps'),
    import('../saving/Conflict'),
    import('../reach/ReachDialog'),
    import('./Sharing'),
  ]).catch(() => (ahead = undefined));
};

/** What an element is given that is touched first. */
export const ON_FIRST_TOUCH = {
  onPointerMoveCapture: loadAhead,
  onPointerDownCapture: loadAhead,
  onKeyDownCapture: loadAhead,
};
