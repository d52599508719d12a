import { markStates, paintedPicture, VIEWPORTS, type Layer, type ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { engine } from '../../../../engine/engine';
import { refKey } from '../../../../engine/ref-key';
import { makeSheet, putSheets } from '../../../../frame/frame-sheets';
import { elementIn } from '../../../../frame/geometry';
import { SafeFrame } from '../../../../frame/SafeFrame';
import { WIDTHS } from '../../../frames/frames-view';
import { useCellSite } from '../../site-context';
import type { Measures } from './useNaturalSize';

const NAMES: Readonly<Record<ViewportName, string>> = { wide: 'Wide', medium: 'Medium', narrow: 'Narrow' };
/** Twice the painted size is what the sharpest screens show. */
const SHARP = 2;

/** What each width of the page shows of a picture, and whether it is larger than its place needs. */
export function PaintedAt({ layer, source, natural }: { layer: Layer; source: string; natural: Measures }) {
  const [areas, setAreas] = useState<Readonly<Partial<Record<ViewportName, Measures>>>>({});
  const painted = WIDTHS.flatMap((name) => {
    const area = areas[name];
    const box = area && area.width > 0 && area.height > 0 ? paintedPicture(layer, natural, area) : undefined;
    return area && box ? [{ name, area, box }] : [];
  });
  const largest = Math.max(0, ...painted.map(({ box }) => box.width));
  const times = largest ? natural.width / largest : 0;
  return (
    <div>
      {WIDTHS.map((name) => (
        <Measurer key={name} viewport={name} onMeasured={(area) => setAreas((now) => ({ ...now, [name]: area }))} />
      ))}
      <div className="crops">
        {painted.map(({ name, area, box }) => (
          <figure key={name}>
            <div
              className="whole"
              style={{ aspectRatio: `${natural.width} / ${natural.height}`, backgroundImage: `url("${source}")` }}
            >
              <i
                style={{
                  left: `${share(-box.left, box.width)}%`,
                  top: `${share(-box.top, box.height)}%`,
                  width: `${share(Math.min(area.width, box.width + box.left), box.width)}%`,
                  height: `${share(Math.min(area.height, box.height + box.top), box.height)}%`,
                }}
              />
            </div>
            <figcaption>
              {NAMES[name]}: {Math.round(area.width)} × {Math.round(area.height)}
            </figcaption>
          </figure>
        ))}
      </div>
      {times > SHARP ? (
        <p className="small">
          Its pixels are {times.toFixed(1)} times those that are painted at most; {Math.ceil(largest * SHARP)} pixels
          wide is enough for the sharpest screens.
        </p>
      ) : null}
    </div>
  );
}

/** A share of a whole in per cent, never beyond it. */
const share = (part: number, whole: number): number => Math.min(100, Math.max(0, (part / whole) * 100));

/** A page that nobody sees, at one width, in which the part's padding box is measured: there a background is laid. */
function Measurer({ viewport, onMeasured }: { viewport: ViewportName; onMeasured: (area: Measures) => void }) {
  const { component, part, column, lookNow } = useCellSite();
  const frame = useRef<HTMLIFrameElement>(null);
  const still = useQuery({
    queryKey: ['engine', 'measured', refKey(component), part, column, viewport],
    staleTime: Infinity,
    queryFn: async () => {
      const look = lookNow();
      const shown = await engine().stillFrame(component, part, column, viewport, look.exceptions, {});
      return { ...shown, css: markStates(await engine().liveCss(component, look)) };
    },
  });
  if (!still.data) return null;
  const { html, order, css } = still.data;
  const { width, height } = VIEWPORTS[viewport];
  return (
    <div className="unseen-text" aria-hidden="true">
      <SafeFrame
        frameRef={frame}
        html={html}
        title={`Measures at ${width} pixels`}
        hidden
        style={{ width, height }}
        onLoad={() => {
          const document = frame.current?.contentDocument;
          const sheet = document && makeSheet(document, css);
          if (sheet) putSheets(document, 'look', [sheet]);
          const element = document && elementIn(document, order);
          if (element)
            onMeasured({
              width: element.clientWidth || element.offsetWidth,
              height: element.clientHeight || element.offsetHeight,
            });
        }}
      />
    </div>
  );
}
