import { Box, chakra, Flex } from '@chakra-ui/react';
import {
  frameCss,
  LOOK_STYLE_ID,
  showRatio,
  showShortfall,
  VIEWPORTS,
  type ColumnCheck,
  type EditingPlace,
  type FrameRule,
  type Look,
  type StateColumn,
  type ViewportName,
} from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef } from '../engine/protocol';
import { refKey } from '../engine/ref-key';
import { elementIn } from '../frame/geometry';
import { SafeFrame } from '../frame/SafeFrame';
import { Wedge } from '../shell/Wedge';
import { checkWords } from './checkWords';

const HEIGHT = 132;
const ROOM_AROUND = 14;
/** Smaller than this nothing can be made out; of what is larger the beginning is shown. */
const SMALLEST = 0.45;

const Card = chakra('button', {
  base: {
    display: 'flex',
    flexDirection: 'column',
    textAlign: 'left',
    bg: 'card',
    border: '1px solid {colors.line}',
    borderRadius: '5px',
    overflow: 'hidden',
    minWidth: 0,
    cursor: 'pointer',
    '&[data-short]': { borderColor: 'short' },
    '&[data-unsure]': { borderColor: '#b58a1c' },
    '&[data-selected]': { boxShadow: '0 0 0 2px {colors.accent}' },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '2px' },
  },
});

/** One state of a part, on its real page, with the figure that speaks for it. */
export function StateFrame({
  component,
  part,
  column,
  viewport,
  place,
  look,
  rules,
  check,
  selected,
  onSelect,
}: {
  component: ComponentRef;
  part: string;
  column: StateColumn;
  viewport: ViewportName;
  place: EditingPlace;
  /** Only its exceptions matter here: they say which element stands for the part. */
  look: Look;
  rules: readonly FrameRule[];
  check: ColumnCheck | undefined;
  selected: boolean;
  onSelect: () => void;
}) {
  const frame = useQuery({
    queryKey: ['engine', 'still', refKey(component), part, column.name, viewport, place, look.exceptions],
    staleTime: Infinity,
    queryFn: () => engine().stillFrame(component, part, column.name, viewport, look, place),
  });
  return (
    <Card
      type="button"
      data-short={check?.verdict === 'short' ? '' : undefined}
      data-unsure={check?.verdict === 'unsure' ? '' : undefined}
      data-selected={selected ? '' : undefined}
      data-state={column.name}
      aria-label={`${column.label}: ${checkWords(check)}`}
      onClick={onSelect}
    >
      <Flex
        justifyContent="space-between"
        gap="6px"
        padding="5px 8px 4px"
        fontSize="12px"
        borderBottom="1px solid {colors.lineSoft}"
        width="100%"
        overflow="hidden"
      >
        <Box as="span" fontWeight={600} flexShrink={0}>
          {column.label}
        </Box>
        <Box
          as="span"
          fontFamily="mono"
          fontSize="10.5px"
          color="ink3"
          pt="1px"
          overflow="hidden"
          textOverflow="ellipsis"
          whiteSpace="nowrap"
        >
          {column.pseudo || (column.atoms.length ? '' : 'at rest')}
        </Box>
      </Flex>
      <Picture
        html={frame.data?.html}
        order={frame.data?.order ?? 0}
        viewport={viewport}
        scheme={place.scheme ?? 'light'}
        css={frameCss(rules, frame.data?.forced ?? 0)}
        label={column.label}
      />
      <Flex
        justifyContent="space-between"
        padding="5px 8px"
        fontSize="12px"
        alignItems="center"
        width="100%"
        minHeight="27px"
      >
        <Figure check={check} />
      </Flex>
    </Card>
  );
}

function Figure({ check }: { check: ColumnCheck | undefined }) {
  if (!check) {
    return (
      <Box as="span" color="ink3">
        nothing to measure
      </Box>
    );
  }
  if (check.measured === undefined) {
    return (
      <Box
        as="span"
        color={check.verdict === 'unsure' ? 'unsure' : 'ink3'}
        fontWeight={check.verdict === 'unsure' ? 650 : 400}
        title={check.reason}
      >
        {check.verdict === 'unsure' ? '? unsure' : 'exempt'}
      </Box>
    );
  }
  const short = check.verdict === 'short';
  return (
    <>
      <Box
        as="span"
        display="inline-flex"
        gap="5px"
        alignItems="center"
        fontWeight={650}
        color={short ? 'short' : 'ink'}
      >
        {short ? <Wedge /> : null}
        {showRatio(check.measured)}
      </Box>
      <Box as="span" color={short ? 'short' : 'ink3'} fontWeight={short ? 650 : 400}>
        {short ? `short ${showShortfall(check.measured, check.needed)}` : `needs ${check.needed}`}
      </Box>
    </>
  );
}

/** The page in a still frame, moved and scaled so that the component stands in the middle of the picture. */
function Picture({
  html,
  order,
  viewport,
  scheme,
  css,
  label,
}: {
  html: string | undefined;
  order: number;
  viewport: ViewportName;
  scheme: 'light' | 'dark';
  css: string;
  label: string;
}) {
  const holder = useRef<HTMLDivElement>(null);
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  const [place, setPlace] = useState<{ x: number; y: number; scale: number }>();
  const [seen, setSeen] = useState(true);
  const size = VIEWPORTS[viewport];

  const arrange = useCallback(() => {
    const view = frame.current?.contentWindow;
    const document = frame.current?.contentDocument;
    const room = holder.current;
    const element = document ? elementIn(document, order) : null;
    if (!view || !element || !room) return;
    const before = element.getBoundingClientRect();
    view.scrollTo({ top: view.scrollY + before.top + before.height / 2 - view.innerHeight / 2, behavior: 'instant' });
    const box = element.getBoundingClientRect();
    setSeen(box.width > 0 && element.checkVisibility({ opacityProperty: true, visibilityProperty: true }));
    const width = room.clientWidth;
    const scale = Math.min(
      1,
      Math.max((width - 2 * ROOM_AROUND) / Math.max(1, box.width), SMALLEST),
      Math.max((HEIGHT - 2 * ROOM_AROUND) / Math.max(1, box.height), SMALLEST),
    );
    // Never past the edges of the page, so that the picture is always full.
    const clamp = (value: number, least: number) => Math.min(0, Math.max(least, value));
    setPlace({
      x: clamp(
        Math.max(width / 2 - (box.left + box.width / 2) * scale, ROOM_AROUND - box.left * scale),
        width - size.width * scale,
      ),
      y: clamp(
        Math.max(HEIGHT / 2 - (box.top + box.height / 2) * scale, ROOM_AROUND - box.top * scale),
        HEIGHT - size.height * scale,
      ),
      scale,
    });
  }, [order, size.width, size.height]);

  useLayoutEffect(() => {
    const style = frame.current?.contentDocument?.getElementById(LOOK_STYLE_ID);
    if (loaded && style && style.textContent !== css) {
      style.textContent = css;
      arrange();
    }
  }, [loaded, css, arrange]);

  useEffect(() => {
    if (!loaded) return;
    arrange();
    const fonts = frame.current?.contentDocument?.fonts;
    void fonts?.ready.then(arrange);
    const observer = new ResizeObserver(arrange);
    if (holder.current) observer.observe(holder.current);
    return () => observer.disconnect();
  }, [loaded, arrange]);

  return (
    <Box
      ref={holder}
      height={`${HEIGHT}px`}
      width="100%"
      overflow="hidden"
      position="relative"
      bg="lineSoft"
      pointerEvents="none"
    >
      {html ? (
        <SafeFrame
          frameRef={frame}
          html={html}
          title={`The component: ${label}`}
          hidden
          onLoad={() => setLoaded((count) => count + 1)}
          style={{
            position: 'absolute',
            left: 0,
            top: 0,
            width: size.width,
            height: size.height,
            transformOrigin: '0 0',
            // What the page inside prefers follows the scheme of its frame.
            colorScheme: scheme,
            transform: place ? `translate(${place.x}px, ${place.y}px) scale(${place.scale})` : undefined,
            visibility: place ? 'visible' : 'hidden',
          }}
        />
      ) : null}
      {seen ? null : (
        <Box
          position="absolute"
          inset="0"
          display="grid"
          placeItems="center"
          bg="rgba(246,246,244,.88)"
          color="ink2"
          fontSize="12px"
          textAlign="center"
          padding="10px"
        >
          Not shown on the page in this state
        </Box>
      )}
    </Box>
  );
}
