import type { HeatMap } from '@retoque/core';
import { useEffect, useRef } from 'react';

/** Red of what falls short, as eight-bit channels; the worse, the denser. */
const SHORT = [168, 50, 26] as const;
const PASSING = [11, 85, 99, 46] as const;
const LEAST_DENSE = 90;

/**
 * Where a text falls short, laid over its page in a frame; the worst place is ringed.
 *
 * @param scroll how far the frame's page is scrolled, in CSS pixels
 */
export default function Heat({ map, scroll }: { map: HeatMap; scroll: { readonly x: number; readonly y: number } }) {
  return (
    <>
      {map.areas.map((area) => (
        <Area key={`${area.x} ${area.y} ${area.width}`} area={area} needed={map.needed} scroll={scroll} />
      ))}
      {map.worst ? (
        <i
          className="worst"
          title={`Worst place: ${map.worst.ratio.toFixed(2)}`}
          style={{ left: map.worst.x - scroll.x, top: map.worst.y - scroll.y }}
        />
      ) : null}
    </>
  );
}

function Area({
  area,
  needed,
  scroll,
}: {
  area: HeatMap['areas'][number];
  needed: number;
  scroll: { readonly x: number; readonly y: number };
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const image = context.createImageData(area.width, area.height);
    area.ratios.forEach((ratio, i) => {
      if (!ratio) return;
      const isShort = ratio < needed;
      const dense = LEAST_DENSE + (255 - LEAST_DENSE) * Math.min(1, (needed - ratio) / (needed - 1));
      image.data.set(isShort ? [...SHORT, dense] : PASSING, i * 4);
    });
    context.putImageData(image, 0, 0);
  }, [area, needed]);
  return (
    <canvas
      ref={canvas}
      width={area.width}
      height={area.height}
      style={{ position: 'absolute', left: area.x - scroll.x, top: area.y - scroll.y }}
    />
  );
}
