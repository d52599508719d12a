import { Box, chakra } from '@chakra-ui/react';
import { useQueries } from '@tanstack/react-query';
import { ChevronRight } from 'lucide-react';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { engine } from '../engine/engine';
import type { TreeElement } from '../engine/protocol';
import { Busy } from '../shell/Busy';

const ROOT = -1;

const Item = chakra('div', {
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '4px',
    paddingRight: '12px',
    minHeight: '28px',
    cursor: 'pointer',
    whiteSpace: 'nowrap',
    _hover: { bg: 'card' },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-2px', bg: 'card' },
    '& svg': { flexShrink: 0, width: '14px', height: '14px', color: 'ink3', transition: 'transform .12s' },
    '&[aria-expanded=true] svg': { transform: 'rotate(90deg)' },
    '& code': {
      fontFamily: 'mono',
      fontSize: '11px',
      flexShrink: 0,
      maxWidth: '70%',
      overflow: 'hidden',
      textOverflow: 'ellipsis',
    },
    '& .words': { color: 'ink3', fontSize: '12px', overflow: 'hidden', textOverflow: 'ellipsis' },
  },
});

interface Line extends TreeElement {
  readonly level: number;
}

/** All elements of a page as a tree, by pointer and keyboard (ARIA practices, tree view); Enter takes one. */
export default function ElementTree({
  versionId,
  onPoint,
  onTake,
}: {
  versionId: string;
  onPoint: (order: number | undefined) => void;
  /** @param at the line that was taken, on the screen */
  onTake: (order: number, at: DOMRect) => void;
}) {
  const tree = useRef<HTMLDivElement>(null);
  const [open, setOpen] = useState<readonly number[]>([ROOT]);
  const [current, setCurrent] = useState<number>();
  const answers = useQueries({
    queries: open.map((order) => ({
      queryKey: ['engine', 'elements-in', versionId, order],
      staleTime: Infinity,
      queryFn: () => engine().elementsIn(versionId, order === ROOT ? undefined : order),
    })),
  });
  const inside = new Map(open.map((order, i) => [order, answers[i]?.data]));
  const lines: Line[] = [];
  const gather = (order: number, level: number) => {
    for (const element of inside.get(order) ?? []) {
      lines.push({ ...element, level });
      if (inside.has(element.order)) gather(element.order, level + 1);
    }
  };
  gather(ROOT, 1);
  const first = lines[0]?.order;
  const failed = useMemo(() => answers.find(({ error }) => error)?.error, [answers]);

  const focus = (line: Line | undefined) => {
    if (!line) return;
    setCurrent(line.order);
    tree.current?.querySelector<HTMLElement>(`[data-order="${line.order}"]`)?.focus();
  };
  const toggle = (order: number) =>
    setOpen((now) => (now.includes(order) ? now.filter((other) => other !== order) : [...now, order]));
  const keys = (event: KeyboardEvent) => {
    const at = lines.findIndex(({ order }) => order === current);
    const line = lines[at];
    if (!line) return;
    const isOpen = open.includes(line.order);
    const acts: Readonly<Record<string, () => void>> = {
      ArrowDown: () => focus(lines[at + 1]),
      ArrowUp: () => focus(lines[at - 1]),
      Home: () => focus(lines[0]),
      End: () => focus(lines.at(-1)),
      ArrowRight: () => (isOpen ? focus(lines[at + 1]) : line.holds ? toggle(line.order) : undefined),
      ArrowLeft: () =>
        isOpen ? toggle(line.order) : focus(lines.slice(0, at).findLast(({ level }) => level < line.level)),
      Enter: () =>
        onTake(line.order, tree.current!.querySelector(`[data-order="${line.order}"]`)!.getBoundingClientRect()),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };

  if (failed) return <Box padding="10px 16px">{failed.message}</Box>;
  if (!answers[0]?.data) return <Busy>Reading the page</Busy>;
  return (
    <Box
      ref={tree}
      role="tree"
      aria-label="Elements of the page"
      flex="1"
      overflow="auto"
      pb="16px"
      onKeyDown={keys}
      onPointerLeave={() => onPoint(undefined)}
    >
      {lines.map((line) => (
        <Item
          key={line.order}
          role="treeitem"
          data-order={line.order}
          aria-level={line.level}
          aria-expanded={line.holds ? open.includes(line.order) : undefined}
          aria-selected={current === line.order}
          tabIndex={line.order === (current ?? first) ? 0 : -1}
          style={{ paddingLeft: 12 + (line.level - 1) * 14 }}
          onFocus={() => {
            setCurrent(line.order);
            onPoint(line.order);
          }}
          onPointerEnter={() => onPoint(line.order)}
          onClick={(event) => onTake(line.order, event.currentTarget.getBoundingClientRect())}
        >
          <Box
            as="span"
            width="18px"
            display="inline-flex"
            onClick={(event) => {
              event.stopPropagation();
              if (line.holds) toggle(line.order);
            }}
          >
            {line.holds ? <ChevronRight aria-hidden="true" /> : null}
          </Box>
          <code>{line.tag}</code>
          <span className="words">{line.words}</span>
        </Item>
      ))}
    </Box>
  );
}
