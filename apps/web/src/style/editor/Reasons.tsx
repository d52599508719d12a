import { Box, chakra, Flex, Input } from '@chakra-ui/react';
import type { CellExplanation, RuleCheck, ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { engine } from '../../engine/engine';
import type { CellRef, ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { Button } from '../../theme/Button';

const Code = chakra('span', { base: { fontFamily: 'mono', fontSize: '11.5px', overflowWrap: 'anywhere' } });

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
  const others = explanation.contenders.filter((item) => !item.wins);
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
        <Box id="reasons">
          <Box as="ol" listStyleType="none" mt="4px" role="list" aria-label="Rules in the running, strongest first">
            {explanation.contenders.map((item, i) => (
              <Box
                as="li"
                key={i}
                padding="6px 0 6px 9px"
                borderTop={i ? '1px solid {colors.lineSoft}' : undefined}
                boxShadow={item.wins ? 'inset 2px 0 {colors.accent}' : undefined}
                data-wins={item.wins ? '' : undefined}
              >
                <Flex gap="8px" alignItems="baseline">
                  <Code color="ink" flex="1" fontWeight={item.wins ? 700 : 400}>
                    {item.selector}
                  </Code>
                  <Code color="ink2">
                    {item.value}
                    {item.important ? ' !important' : ''}
                  </Code>
                </Flex>
                <Box color="ink2" fontSize="12px">
                  {item.source === 'sheet' ? placeOf(item) : item.source}
                  {item.layer.length ? `, layer ${item.layer.join('.')}` : ''}
                  {item.conditions.map((condition) => `, ${condition}`)}
                </Box>
                <Box color={item.wins ? 'ink' : 'ink2'} fontSize="12px">
                  {item.why}
                </Box>
              </Box>
            ))}
          </Box>
          {others.length || explanation.contenders.length ? (
            <Box color="ink2" fontSize="12px" mt="6px" data-testid="to-win">
              {explanation.toWin.sentence}
            </Box>
          ) : null}
          <TryRule component={component} viewport={viewport} cell={cell} />
        </Box>
      ) : null}
    </Box>
  );
}

function Idle({ rule }: { rule: CellExplanation['idle'][number] }) {
  return (
    <Box bg="unsureSoft" borderRadius="m" padding="7px 9px" mb="8px" fontSize="12.5px" data-testid="idle-rule">
      <Box fontWeight={650} color="unsure">
        A rule for this reaches nothing
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

const TONES: Readonly<Record<RuleCheck['outcome'], string>> = {
  wins: 'ink',
  loses: 'short',
  elsewhere: 'unsure',
  nothing: 'unsure',
  unreadable: 'short',
};

/** The owner's own rule, tried against the page: would it show? */
function TryRule({ component, viewport, cell }: { component: ComponentRef; viewport: ViewportName; cell: CellRef }) {
  const [text, setText] = useState('');
  const [asked, setAsked] = useState('');
  const answer = useQuery({
    queryKey: ['engine', 'checkRule', refKey(component), viewport, cell, asked],
    enabled: asked !== '',
    staleTime: Infinity,
    queryFn: () => engine().checkRule(component, viewport, cell, asked),
  });
  return (
    <Box asChild mt="10px" pt="8px" borderTop="1px solid {colors.lineSoft}">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          setAsked(selectorIn(text));
        }}
      >
        <Box asChild display="block" fontWeight={600} mb="4px">
          <label htmlFor="try-rule">Why does my rule not show?</label>
        </Box>
        <Flex gap="6px">
          <Input
            id="try-rule"
            fontFamily="mono"
            fontSize="12px"
            placeholder=".menu a:hover"
            spellCheck={false}
            autoComplete="off"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <Button type="submit" variant="quiet" size="s" disabled={text.trim() === ''}>
            Ask
          </Button>
        </Flex>
        <Box role="status" fontSize="12.5px" mt="6px" color={answer.data ? TONES[answer.data.outcome] : 'ink2'}>
          {answer.data ? answer.data.sentence : ''}
        </Box>
      </form>
    </Box>
  );
}

/** People paste whole rules; what stands before the first brace is the selector. */
const selectorIn = (text: string): string => text.split('{')[0]!.trim();
