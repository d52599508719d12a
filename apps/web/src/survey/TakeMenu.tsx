import { Box, chakra, Popover, Portal } from '@chakra-ui/react';
import { kindNamed } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import { engine } from '../engine/engine';
import type { Takeable } from '../engine/protocol';
import { Busy } from '../shell/Busy';
import { Notice } from '../shell/Notice';

/** What was pointed at: an element, and where it was on the screen. */
export interface PointedAt {
  readonly order: number;
  readonly x: number;
  readonly y: number;
}

const Row = chakra('button', {
  base: {
    display: 'block',
    width: '100%',
    textAlign: 'left',
    padding: '7px 14px 8px',
    cursor: 'pointer',
    _hover: { bg: 'sheet' },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-2px', bg: 'sheet' },
  },
});

const MOST_PARTS = 5;

function partWords({ parts }: Takeable): string {
  const [, ...inner] = parts;
  const words = inner
    .slice(0, MOST_PARTS)
    .map(({ label, members }) => (members > 1 ? `${label.toLowerCase()} ×${members}` : label.toLowerCase()));
  if (inner.length > MOST_PARTS) words.push(`${inner.length - MOST_PARTS} more`);
  return words.join(', ');
}

/** What can be taken where somebody pointed: the components there first, then the element and what holds it. */
export default function TakeMenu({
  versionId,
  at,
  busy,
  onPoint,
  onTake,
  onClose,
}: {
  versionId: string;
  at: PointedAt;
  busy: boolean;
  onPoint: (takeable: Takeable | undefined) => void;
  onTake: (takeable: Takeable) => void;
  onClose: () => void;
}) {
  const list = useRef<HTMLDivElement>(null);
  const { data, error } = useQuery({
    queryKey: ['engine', 'takeables', versionId, at.order],
    staleTime: Infinity,
    queryFn: () => engine().takeables(versionId, at.order),
  });
  // What is proposed comes a moment after the menu has opened.
  useEffect(() => {
    if (data) list.current?.querySelector('button')?.focus();
  }, [data]);
  const move = (event: KeyboardEvent) => {
    const rows = [...(list.current?.querySelectorAll('button') ?? [])];
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (!by || !rows.length) return;
    event.preventDefault();
    const now = rows.indexOf(document.activeElement as HTMLButtonElement);
    rows[Math.max(0, Math.min(rows.length - 1, now + by))]!.focus();
  };
  const group = (label: string, items: readonly Takeable[]) =>
    items.length ? (
      <Box as="section" aria-label={label}>
        <Box as="h3" fontSize="11px" fontWeight={600} color="ink3" padding="8px 14px 2px">
          {label}
        </Box>
        {items.map((item) => (
          <Row
            key={`${item.kind} ${item.selector}`}
            type="button"
            disabled={busy}
            onFocus={() => onPoint(item)}
            onPointerEnter={() => onPoint(item)}
            onClick={() => onTake(item)}
          >
            <Box as="span" display="flex" gap="8px" alignItems="baseline">
              <b>{kindNamed(item.kind)?.label ?? item.kind}</b>
              <Box as="span" flex="1" minWidth="0" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
                {item.name}
              </Box>
              <Box as="span" color="ink3" fontSize="12px" flexShrink={0}>
                {item.reach === 1 ? 'only this' : `${item.reach} on this page`}
              </Box>
            </Box>
            <Box as="span" display="block" color="ink3" fontSize="12px">
              <Box as="code" fontSize="11px" mr="8px">
                {item.selector}
              </Box>
              {partWords(item)}
            </Box>
          </Row>
        ))}
      </Box>
    ) : null;
  const of = (as: Takeable['as']) => (data ?? []).filter((item) => item.as === as);
  return (
    <Popover.Root
      open
      onOpenChange={({ open }) => !open && onClose()}
      initialFocusEl={() => list.current?.querySelector('button') ?? null}
      positioning={{ placement: 'bottom-start', getAnchorRect: () => ({ x: at.x, y: at.y, width: 1, height: 1 }) }}
    >
      <Portal>
        <Popover.Positioner zIndex="1400!">
          <Popover.Content
            ref={list}
            width="420px"
            maxWidth="94vw"
            maxHeight="60vh"
            overflowY="auto"
            bg="card"
            border="1px solid {colors.line}"
            borderRadius="l"
            boxShadow="over"
            padding="10px 0 8px"
            fontSize="13px"
            outline="none"
            data-testid="take-menu"
            onKeyDown={move}
            onPointerLeave={() => onPoint(undefined)}
          >
            <Popover.Title fontWeight={650} padding="0 14px 2px">
              Restyle which?
            </Popover.Title>
            {error ? <Notice tone="short">{error.message}</Notice> : null}
            {!data && !error ? <Busy>Looking at it</Busy> : null}
            {group('Components here', of('component'))}
            {group('What you pointed at', of('element'))}
            {group('What holds it', of('holder'))}
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
