import { fromOklch, toHex, type Look, type Oklch, type StateSheet } from '@retoque/core';
import { useEffect, useRef, useState } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef, SheetQuery } from '../../engine/protocol';
import type { CellAddress } from '../look/cells';
import type { Stretch } from './Track';

const SAMPLES = 49;
/** Tracks are measured when the typing pauses, so that they never stand in the way of the sheet. */
const PAUSE_MILLIS = 160;
/** Chroma at the end of its track; beyond it no screen shows anything. */
export const MAX_CHROMA = 0.37;
const at = (i: number) => i / (SAMPLES - 1);

export type Passing = Readonly<Record<'l' | 'c' | 'h', readonly Stretch[]>>;

/**
 * Where along each track a colour passes in its own state and in all that follow it; undefined until measured.
 *
 * @param sheet measured again when it changes
 */
export function usePassing(
  component: ComponentRef,
  lookNow: () => Look,
  sheet: StateSheet,
  query: SheetQuery,
  address: CellAddress,
  colour: Oklch,
): Passing | undefined {
  const [passing, setPassing] = useState<Passing>();
  const asked = useRef(0);
  const { l, c, h, alpha } = colour;
  const { part, row, column } = address;
  const isMeasured = row === 'text' || row === 'background';

  useEffect(() => {
    if (!isMeasured) return;
    const number = ++asked.current;
    const base = { l, c, h, alpha };
    const tracks: Record<'l' | 'c' | 'h', (i: number) => Oklch> = {
      l: (i) => ({ ...base, l: at(i) }),
      c: (i) => ({ ...base, c: at(i) * MAX_CHROMA }),
      h: (i) => ({ ...base, h: at(i) * 360 }),
    };
    const colours = (['l', 'c', 'h'] as const).flatMap((track) =>
      Array.from({ length: SAMPLES }, (_, i) => toHex(fromOklch(tracks[track](i)))),
    );
    const timer = setTimeout(() => {
      engine()
        .tryColours(component, lookNow(), query, { part, row, column }, colours)
        .then((samples) => {
          if (number !== asked.current) return;
          const part = (n: number) =>
            stretches(samples.slice(n * SAMPLES, (n + 1) * SAMPLES).map((sample) => sample.passes));
          setPassing({ l: part(0), c: part(1), h: part(2) });
        })
        .catch(() => {
          if (number === asked.current) setPassing(undefined);
        });
    }, PAUSE_MILLIS);
    return () => clearTimeout(timer);
  }, [component, lookNow, sheet, query, part, row, column, l, c, h, alpha, isMeasured]);

  return isMeasured ? passing : undefined;
}

/** Runs of passing samples; each sample stands for the stretch halfway to its neighbours. */
function stretches(passes: readonly boolean[]): Stretch[] {
  const found: Stretch[] = [];
  const half = 0.5 / (SAMPLES - 1);
  passes.forEach((pass, i) => {
    if (!pass) return;
    const from = Math.max(0, at(i) - half);
    const to = Math.min(1, at(i) + half);
    const last = found.at(-1);
    if (last && passes[i - 1]) found[found.length - 1] = { from: last.from, to };
    else found.push({ from, to });
  });
  return found;
}
