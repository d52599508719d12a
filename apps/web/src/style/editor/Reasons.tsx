import { Box, chakra } from '@chakra-ui/react';
import type { CellExplanation, ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { engine } from '../../engine/engine';
import type { CellRef, ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { late } from '../../shell/late';
import { Code } from '../../theme/Code';

const RulesInTheRunning = late(() => import('./RulesInTheRunning'));

const Toggle = chakra('button', {
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '4px',
    width: '100%',
    textAlign: 'left',
    fontWeight: 600,
    padding: '3px 0',
    cursor: 'pointer',
    '& svg': { width: '14px', height: '14px', transition: 'transform .15s' },
    '&[aria-expanded=true] svg': { transform: 'rotate(90deg)' },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '2px' },
  },
});

const placeOf = (item: { sheet: string; line: number }) => `${item.sheet}:${item.line}`;

/** Why the site gives a cell its value: every rule in the running, what misses it, and a try for a rule of one's own. */
export function Reasons({
  component,
  viewport,
  cell,
  replaced,
}: {
  component: ComponentRef;
  viewport: ViewportName;
  cell: CellRef;
  /** The owner's change stands in place of the site's value. */
  replaced: boolean;
}) {
  const [open, setOpen] = useState(false);
  const answer = useQuery({
    queryKey: ['engine', 'explain', refKey(component), viewport, cell],
    staleTime: Infinity,
    queryFn: () => engine().explain(component, viewport, cell),
  });
  if (!answer.data) return null;
  const { explanation, idle, leftBehind } = answer.data;
  return (
    <Box mt="10px">
      {idle.map((rule) => (
        <Idle key={`${rule.selector}${rule.line}`} rule={rule} />
      ))}
      {leftBehind.length ? <LeftBehind items={leftBehind} /> : null}
      <Toggle type="button" aria-expanded={open} aria-controls="reasons" onClick={() => setOpen(!open)}>
        <ChevronRight aria-hidden="true" />
        {replaced ? 'Why your site’s own value' : 'Why this value'}
        <Box as="span" color="ink3" fontWeight={400} ml="auto">
          {explanation.contenders.length === 1 ? '1 rule' : `${explanation.contenders.length} rules`}
        </Box>
      </Toggle>
      {open ? (
        <RulesInTheRunning explanation={explanation} component={component} viewport={viewport} cell={cell} />
      ) : null}
    </Box>
  );
}

function Idle({ rule }: { rule: CellExplanation['idle'][number] }) {
  return (
    <Box bg="unsureSoft" borderRadius="m" padding="7px 9px" mb="8px" fontSize="12.5px" data-testid="idle-rule">
      <Box fontWeight={650} color="unsure">
        A rule for this reaches nothing on this page
      </Box>
      <Code>{rule.selector}</Code>
      <Box color="ink2">{placeOf(rule)}</Box>
      <Box>
        {rule.hint} <Code fontWeight={700}>{rule.suggestion}</Code> would reach it.
      </Box>
    </Box>
  );
}

function LeftBehind({ items }: { items: CellExplanation['leftBehind'] }) {
  const [first] = items;
  if (!first) return null;
  return (
    <Box bg="unsureSoft" borderRadius="m" padding="7px 9px" mb="8px" fontSize="12.5px" data-testid="left-behind">
      <Box fontWeight={650} color="unsure">
        {items.length === 1
          ? 'One text inside keeps its own colour'
          : `${items.length} texts inside keep their own colours`}
      </Box>
      <Box>
        “{first.text}” is {first.colour}, set by <Code>{first.selector}</Code>
        {first.inline ? '' : ` (${placeOf(first)})`}.
      </Box>
    </Box>
  );
}
