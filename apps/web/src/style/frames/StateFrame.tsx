import {
  showRatio,
  showShortfall,
  VIEWPORTS,
  type ColumnCheck,
  type EditingPlace,
  type HeatMap,
  type Look,
  type StateColumn,
  type ViewportName,
} from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { chooseGround } from '../../frame/chosen-ground';
import { boxOf, closestOf, fontsOf } from '../../frame/dom';
import { elementIn } from '../../frame/geometry';
import { createSkipper, type Area } from '../../frame/skip-unseen';
import { showLook } from '../../frame/look-sheets';
import type { LookStore } from '../../frame/look-store';
import { SafeFrame } from '../../frame/SafeFrame';
import { visionFilter } from '../../frame/seen-as';
import { late } from '../../shell/late';
import { useOnScreen } from '../../shell/useOnScreen';
import { Wedge } from '../../shell/Wedge';
import { whenIdle } from '../../shell/when-idle';
import { VERDICTS } from '../../ledger/words';
import { checkWords } from '../checks/checkWords';
import type { FramesView } from './frames-view';
import { useFramePointing } from './useFramePointing';

const Heat = late(() => import('../../frame/Heat'));

/** What the handle under the pictures says, and without it. */
const HEIGHT = 'var(--picture-height, 132px)';
/** For whole pages, of which more is to be seen. */
const TALLEST = 300;
const ROOM_AROUND = 14;
/** Smaller than this nothing can be made out; of what is larger the beginning is shown. */
const SMALLEST = 0.45;

/** One state of a part, on its real page, with the figure that speaks for it. */
const heldBy = (element: Element | null, keep: string) => element && closestOf(element, keep);

export function StateFrame({
  component,
  part,
  column,
  viewport,
  place,
  exceptions,
  view,
  named,
  look,
  heatLook,
  check,
  selected,
  onSelect,
}: {
  component: ComponentRef;
  part: string;
  column: StateColumn;
  viewport: ViewportName;
  place: EditingPlace;
  /** They say which element stands for the part. */
  exceptions: Look['exceptions'];
  view: FramesView;
  /** The width is part of its name where several stand side by side. */
  named: boolean;
  look: LookStore;
  heatLook: Look | undefined;
  check: ColumnCheck | undefined;
  selected: boolean;
  onSelect: (column: string, part?: string) => void;
}) {
  const { pictures, open } = view;
  const frame = useQuery({
    queryKey: ['engine', 'still', refKey(component), part, column.name, viewport, place, exceptions, pictures, open],
    staleTime: Infinity,
    queryFn: () => engine().stillFrame(component, part, column.name, viewport, exceptions, place, { pictures, open }),
  });
  const heat = useQuery({
    queryKey: ['engine', 'heat', refKey(component), part, column.name, viewport, place, heatLook],
    enabled: heatLook !== undefined,
    staleTime: Infinity,
    gcTime: 0,
    placeholderData: (before: HeatMap | undefined) => (heatLook ? before : undefined),
    queryFn: () => engine().heat(component, heatLook!, viewport, place, part, column.name),
  });
  const name = named ? `${column.label}, ${viewport}` : column.label;
  const own = useRef<HTMLButtonElement>(null);
  const picture = useRef<HTMLIFrameElement>(null);
  const isReady = frame.data !== undefined;
  const parts = useFramePointing(own, picture, component, part, column.name, isReady);
  return (
    <button
      ref={own}
      type="button"
      className="frame"
      data-short={check?.verdict === 'short' ? '' : undefined}
      data-unsure={check?.verdict === 'unsure' ? '' : undefined}
      data-selected={selected ? '' : undefined}
      data-state={column.name}
      data-width={viewport}
      aria-label={`${name}: ${checkWords(check)}`}
      onClick={(event) => onSelect(column.name, parts.at(event))}
      onPointerMove={parts.move}
      onPointerLeave={parts.leave}
    >
      <span className="top">
        <b>{column.label}</b>
        <code>
          {named
            ? `${viewport}, ${VIEWPORTS[viewport].width}`
            : column.pseudo || (column.atoms.length ? '' : 'at rest')}
        </code>
      </span>
      <Picture
        html={frame.data?.html}
        order={frame.data?.order ?? 0}
        viewport={viewport}
        scheme={place.scheme ?? 'light'}
        look={look}
        forced={frame.data?.forced ?? 0}
        keep={component.locator.selector}
        label={name}
        view={view}
        heat={heatLook ? heat.data : undefined}
        frame={picture}
      />
      <Figure check={check} />
    </button>
  );
}

function Figure({ check }: { check: ColumnCheck | undefined }) {
  if (!check) return <span className="figure">nothing to measure</span>;
  if (check.measured === undefined) {
    return (
      <span className="figure" title={check.reason}>
        {check.verdict === 'unsure' ? <b>? unsure</b> : VERDICTS[check.verdict].toLowerCase()}
      </span>
    );
  }
  const short = check.verdict === 'short';
  return (
    <span className="figure">
      <b>
        {short ? <Wedge /> : null}
        {showRatio(check.measured)}
      </b>
      <span>{short ? `${showShortfall(check.measured, check.needed)} too low` : `needs ${check.needed}`}</span>
    </span>
  );
}

/** The page in a still frame, moved and scaled so that the component stands in the middle of the picture. */
function Picture({
  html,
  order,
  viewport,
  scheme,
  look,
  forced,
  keep,
  label,
  view,
  heat,
  frame,
}: {
  html: string | undefined;
  order: number;
  viewport: ViewportName;
  scheme: 'light' | 'dark';
  look: LookStore;
  forced: number;
  /** Selector of what the look may change. */
  keep: string;
  label: string;
  view: FramesView;
  heat: HeatMap | undefined;
  frame: RefObject<HTMLIFrameElement | null>;
}) {
  const holder = useRef<HTMLDivElement>(null);
  const [loaded, setLoaded] = useState(0);
  const [place, setPlace] = useState<{ x: number; y: number; scale: number; scroll: { x: number; y: number } }>();
  const [seen, setSeen] = useState(true);
  const [skipper] = useState(createSkipper);
  const size = VIEWPORTS[viewport];
  const { framing, zoom, ground, seen: seenAs } = view;

  const arrange = useCallback(() => {
    const inner = frame.current?.contentWindow;
    const document = frame.current?.contentDocument;
    const room = holder.current;
    const element = document ? elementIn(document, order) : null;
    if (!inner || !element || !room) return;
    const before = boxOf(element);
    inner.scrollTo({
      top: inner.scrollY + before.top + before.height / 2 - inner.innerHeight / 2,
      behavior: 'instant',
    });
    const box = boxOf(element);
    setSeen(
      box.width > 0 &&
        HTMLElement.prototype.checkVisibility.call(element, { opacityProperty: true, visibilityProperty: true }),
    );
    const width = room.clientWidth;
    const full = room.clientHeight;
    const fitted = Math.min(
      1,
      Math.max((width - 2 * ROOM_AROUND) / Math.max(1, box.width), SMALLEST),
      Math.max((full - 2 * ROOM_AROUND) / Math.max(1, box.height), SMALLEST),
    );
    const whole = Math.min(1, width / size.width);
    // Never so small that the page would not fill its picture, nor larger than it is for that alone.
    const scale = Math.max(zoom * (framing === 'page' ? whole : fitted), Math.min(1, width / size.width));
    // A page that is narrower than its picture stands in the middle of it.
    const spare = Math.max(0, width - size.width * scale) / 2;
    // Never past the edges of the page, so that the picture is always full.
    const clamp = (value: number, least: number) => Math.min(0, Math.max(least, value));
    const next = {
      x:
        spare ||
        clamp(
          Math.max(width / 2 - (box.left + box.width / 2) * scale, ROOM_AROUND - box.left * scale),
          width - size.width * scale,
        ),
      y: clamp(
        Math.max(full / 2 - (box.top + box.height / 2) * scale, ROOM_AROUND - box.top * scale),
        full - size.height * scale,
      ),
      scale,
      scroll: { x: inner.scrollX, y: inner.scrollY },
    };
    setPlace((now) =>
      now?.x === next.x && now.y === next.y && now.scale === next.scale && now.scroll.y === next.scroll.y ? now : next,
    );
    const shown: Area = {
      left: -next.x / next.scale,
      top: -next.y / next.scale,
      right: (width - next.x) / next.scale,
      bottom: (full - next.y) / next.scale,
    };
    skipper.choose(inner, shown, keep);
  }, [order, size.width, size.height, skipper, keep, framing, zoom, frame]);

  const onScreen = useOnScreen(holder);
  useLayoutEffect(() => {
    if (!loaded) return;
    const show = () => {
      const document = frame.current?.contentDocument;
      if (document && showLook(document, look.get(), forced)) arrange();
    };
    // What is seen comes first.
    let ask: (() => void) | undefined;
    const change = () => {
      ask?.();
      ask = onScreen ? void show() : whenIdle(show);
    };
    change();
    const end = look.subscribe(change);
    return () => {
      end();
      ask?.();
    };
  }, [loaded, look, forced, arrange, onScreen, frame]);

  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (loaded && document) chooseGround(document, heldBy(elementIn(document, order), keep), ground);
  }, [loaded, ground, order, keep, frame]);

  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document || seenAs !== 'forced') return undefined;
    // They come in the order in which they are asked for, so what is taken back is taken back last.
    const force = (forced: boolean) =>
      void import('../../frame/forced-colours').then(({ forceColours }) => forceColours(document, forced));
    force(true);
    return () => force(false);
  }, [loaded, seenAs, frame]);

  useEffect(() => {
    if (!loaded) return;
    arrange();
    const document = frame.current?.contentDocument;
    if (document) void fontsOf(document).ready.then(arrange);
    const observer = new ResizeObserver(arrange);
    if (holder.current) observer.observe(holder.current);
    return () => observer.disconnect();
  }, [loaded, arrange, frame]);

  return (
    <div
      ref={holder}
      className="picture"
      style={
        framing === 'page' ? { aspectRatio: `${size.width} / ${size.height}`, maxHeight: TALLEST } : { height: HEIGHT }
      }
    >
      {html ? (
        <SafeFrame
          frameRef={frame}
          html={html}
          title={`The component: ${label}`}
          hidden
          onLoad={() => {
            skipper.forget();
            setLoaded((count) => count + 1);
          }}
          style={{
            position: 'absolute',
            left: 0,
            top: 0,
            width: size.width,
            height: size.height,
            transformOrigin: '0 0',
            // What the page inside prefers follows the scheme of its frame.
            colorScheme: scheme,
            filter: visionFilter(seenAs),
            transform: place ? `translate(${place.x}px, ${place.y}px) scale(${place.scale})` : undefined,
            visibility: place ? 'visible' : 'hidden',
          }}
        />
      ) : null}
      {heat && place ? (
        <div
          className="heat"
          aria-hidden="true"
          style={{ transform: `translate(${place.x}px, ${place.y}px) scale(${place.scale})` }}
        >
          <Heat map={heat} scroll={place.scroll} />
        </div>
      ) : null}
      <i className="outline" hidden />
      {seen ? null : <div className="unseen">Not shown on the page in this state</div>}
    </div>
  );
}
