import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { contrastRatio } from '../colour/contrast.js';
import { toHex } from '../colour/print.js';
import { anyColour, opaque } from '../testing/arbitraries.js';
import type { Box } from '../page/box.js';
import type { SolidFill } from './fill.js';
import { flatTrial } from './flat-trial.js';
import { flatPair, isFlat } from './flat.js';
import { measureScene } from './measure.js';
import { piecesOf } from './pieces.js';
import { colourOfSteps, pixelOf, rasters } from './raster.js';
import { grounded, marked, type SceneNode } from './scene-nodes.js';

const length = fc.integer({ min: 1, max: 30 });
const place = fc.integer({ min: -4, max: 24 });
const box: fc.Arbitrary<Box> = fc.record({ x: place, y: place, width: length, height: length });
const solid: fc.Arbitrary<SolidFill> = fc.record({
  kind: fc.constant('solid' as const),
  colour: anyColour,
  box: fc.option(box, { nil: undefined }),
  hole: fc.option(box, { nil: undefined }),
});
const PAPER: SolidFill = { kind: 'solid', colour: { r: 1, g: 1, b: 1, alpha: 1 }, box: undefined };
const AREA: Box = { x: 0, y: 0, width: 24, height: 16 };

/** Paper, boxes, the measured text, and maybe a faded group in between. */
const scene = fc
  .record({
    fills: fc.array(solid, { maxLength: 5 }),
    ink: opaque,
    opacity: fc.constantFrom(1, 0.5),
    inGroup: fc.boolean(),
  })
  .map(({ fills, ink, opacity, inGroup }): SceneNode[] => {
    const mark: SceneNode = { kind: 'mark', fills: [{ kind: 'solid', colour: ink, box: undefined }] };
    if (!inGroup) return [PAPER, ...fills, mark];
    const group: SceneNode = { kind: 'group', key: `${opacity}`, opacity, blend: undefined, filters: [], nodes: fills };
    return [PAPER, group, mark];
  });

describe('an area cut where fills end', () => {
  it('has the colours of every pixel, and as many pixels', () => {
    fc.assert(
      fc.property(scene, (nodes) => {
        const pieces = piecesOf(nodes, [AREA])!;
        const byColour = new Map<string, number>();
        for (const { nodes: own, count } of pieces) {
          expect(isFlat(own)).toBe(true);
          const key = toHex(flatPair(own).background);
          byColour.set(key, (byColour.get(key) ?? 0) + count);
        }
        const painted = new Map<string, number>();
        for (const raster of rasters(nodes, AREA)) {
          for (let i = 0; i < raster.width * raster.height; i++) {
            const key = toHex(colourOfSteps(pixelOf(raster, i).without));
            painted.set(key, (painted.get(key) ?? 0) + 1);
          }
        }
        const sum = (map: Map<string, number>) => [...map.values()].reduce((all, one) => all + one, 0);
        expect(sum(byColour)).toBe(sum(painted));
        // Rounding may put two colours that differ by a step together or apart.
        const steps = (a: string, b: string) =>
          Math.max(
            ...[1, 3, 5].map((at) => Math.abs(parseInt(a.slice(at, at + 2), 16) - parseInt(b.slice(at, at + 2), 16))),
          );
        for (const own of painted.keys()) {
          expect(Math.min(...[...byColour.keys()].map((other) => steps(own, other)))).toBeLessThanOrEqual(1);
        }
      }),
    );
  });

  it('is left to the pixels where a picture or a gradient lies in it', () => {
    const pattern: SceneNode = {
      kind: 'pattern',
      what: 'gradient',
      pattern: { key: 'g', width: 4, height: 4, colourAt: () => [0, 0, 0, 1], colours: () => [] },
      tiling: { x: 0, y: 0, stepX: 4, stepY: 4 },
      box: undefined,
    };
    expect(piecesOf([PAPER, pattern], [AREA])).toBeUndefined();
  });
});

describe('a colour tried in a plain scene', () => {
  it('comes to what the scene with that colour comes to, as text and as ground', () => {
    const ground = { kind: 'solid' as const, box: undefined, ground: {} as never };
    fc.assert(
      fc.property(anyColour, anyColour, anyColour, opaque, anyColour, (below, own, between, ink, tried) => {
        const nodes: SceneNode[] = [
          PAPER,
          { kind: 'solid', colour: below, box: undefined },
          { ...ground, colour: own },
          { kind: 'solid', colour: between, box: undefined },
          { kind: 'mark', fills: [{ kind: 'solid', colour: ink, box: undefined }] },
        ];
        for (const [what, changed] of [
          ['mark', marked(nodes, tried)],
          ['ground', grounded(nodes, tried)],
        ] as const) {
          const found = measureScene({ nodes: changed, basis: 'ancestors', doubt: undefined }, [], 4.5);
          expect(flatTrial(nodes, what)!.ratio(tried)).toBeCloseTo((found as { worst: number }).worst, 9);
        }
      }),
    );
  });

  it('names the colour that an opaque one is measured against', () => {
    fc.assert(
      fc.property(opaque, opaque, opaque, (own, ink, tried) => {
        const nodes: SceneNode[] = [
          PAPER,
          { kind: 'solid', colour: own, box: undefined, ground: {} as never },
          { kind: 'mark', fills: [{ kind: 'solid', colour: ink, box: undefined }] },
        ];
        for (const what of ['mark', 'ground'] as const) {
          const trial = flatTrial(nodes, what)!;
          expect(trial.ratio(tried)).toBeCloseTo(contrastRatio(tried, trial.against!), 9);
        }
      }),
    );
  });
});
