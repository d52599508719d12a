import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Rgba } from '../colour/rgba.js';
import { isAsBefore, pixelOf, rasters } from './raster.js';
import type { SceneNode } from './scene-nodes.js';

const channel = fc.constantFrom(0, 0.25, 1);
const colour = fc.record<Rgba>({ r: channel, g: channel, b: channel, alpha: fc.constantFrom(0, 0.5, 1) });
const box = fc.record({
  x: fc.integer({ min: -2, max: 8 }),
  y: fc.integer({ min: -2, max: 8 }),
  width: fc.integer({ min: 0, max: 8 }),
  height: fc.integer({ min: 0, max: 4 }),
});
const solid = fc
  .record({ colour, box: fc.option(box, { nil: undefined }) })
  .map((own): SceneNode & { kind: 'solid' } => ({ kind: 'solid', ...own }));
const node = fc.oneof(
  solid,
  solid.map((fill): SceneNode => ({ kind: 'mark', fills: [fill] })),
  fc
    .array(solid, { maxLength: 3 })
    .map((nodes): SceneNode => ({ kind: 'group', key: '', opacity: 0.5, blend: undefined, filters: [], nodes })),
);

describe('a pixel that is painted as the one before', () => {
  it('looks like it, and no other is left out that does not', () => {
    fc.assert(
      fc.property(fc.array(node, { maxLength: 6 }), (nodes) => {
        for (const raster of rasters(nodes, { x: 0, y: 0, width: 9, height: 5 })) {
          for (let i = 1; i < raster.width * raster.height; i++) {
            if (isAsBefore(raster, i)) expect(pixelOf(raster, i)).toEqual(pixelOf(raster, i - 1));
            else expect([...raster.data.slice(i * 9, i * 9 + 9)]).not.toEqual([...raster.data.slice(i * 9 - 9, i * 9)]);
          }
        }
      }),
    );
  });

  it('is most of a plain scene', () => {
    const paper: SceneNode = { kind: 'solid', colour: { r: 1, g: 1, b: 1, alpha: 1 }, box: undefined };
    const half: SceneNode = {
      kind: 'solid',
      colour: { r: 0, g: 0, b: 0, alpha: 1 },
      box: { x: 5, y: 0, width: 5, height: 1 },
    };
    const [raster] = [...rasters([paper, half], { x: 0, y: 0, width: 10, height: 1 })];
    expect(Array.from({ length: 9 }, (_, i) => isAsBefore(raster!, i + 1)).filter((same) => !same)).toHaveLength(1);
  });
});
