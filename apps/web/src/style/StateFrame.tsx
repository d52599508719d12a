import { Box, chakra, Flex } from '@chakra-ui/react';
import {
  LOOK_STYLE_ID,
  showRatio,
  showShortfall,
  VIEWPORTS,
  type ColumnCheck,
  type StateColumn,
  type ViewportName,
} from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef } from '../engine/protocol';
import { elementIn } from '../frame/geometry';
import { SafeFrame } from '../frame/SafeFrame';
import { Wedge } from '../shell/Wedge';

const HEIGHT = 132;
const ROOM_AROUND = 14;

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

/** One state of the component, on its real page, with what was measured. */
export function StateFrame({
  component,
  order,
  column,
  viewport,
  css,
  check,
  selected,
  onSelect,
}: {
  component: ComponentRef;
  order: number;
  column: StateColumn;
  viewport: ViewportName;
  css: string;
  check: ColumnCheck | undefined;
  selected: boolean;
  onSelect: () => void;
}) {
  const html = useQuery({
    queryKey: ['engine', 'still', component, column.name],
    staleTime: Infinity,
    queryFn: () => engine().stillFrame(component, column.name),
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
      >
        <Box as="span" fontWeight={600}>
          {column.label}
        </Box>
        <Box as="span" fontFamily="mono" fontSize="10.5px" color="ink3" pt="1px">
          {column.pseudo || 'at rest'}
        </Box>
      </Flex>
      <Picture html={html.data} order={order} viewport={viewport} css={css} label={column.label} />
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

export function checkWords(check: ColumnCheck | undefined): string {
  if (!check) return 'measuring';
  if (check.measured === undefined) return `${check.verdict}. ${check.reason ?? ''}`;
  const ratio = `contrast ${showRatio(check.measured)}, needs ${check.needed}`;
  return check.verdict === 'short' ? `${ratio}, short by ${showShortfall(check.measured, check.needed)}` : ratio;
}

function Figure({ check }: { check: ColumnCheck | undefined }) {
  if (!check) return <span>…</span>;
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
  css,
  label,
}: {
  html: string | undefined;
  order: number;
  viewport: ViewportName;
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
      (width - 2 * ROOM_AROUND) / Math.max(1, box.width),
      (HEIGHT - 2 * ROOM_AROUND) / Math.max(1, box.height),
    );
    // Never past the edges of the page, so that the picture is always full.
    const clamp = (value: number, least: number) => Math.min(0, Math.max(least, value));
    setPlace({
      x: clamp(width / 2 - (box.left + box.width / 2) * scale, width - size.width * scale),
      y: clamp(HEIGHT / 2 - (box.top + box.height / 2) * scale, HEIGHT - size.height * scale),
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
