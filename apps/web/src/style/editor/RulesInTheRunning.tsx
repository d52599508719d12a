import { Box, Flex } from '@chakra-ui/react';
import type { CellExplanation, RuleCheck, ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { engine } from '../../engine/engine';
import type { CellRef, ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { Button } from '../../theme/Button';
import { Code } from '../../theme/Code';
import { Input } from '../../theme/Input';

/** Every rule of the site in the running for a cell, the strongest first, and a try for a rule of the owner's. */
export default function RulesInTheRunning({
  explanation,
  component,
  viewport,
  cell,
}: {
  explanation: CellExplanation['explanation'];
  component: ComponentRef;
  viewport: ViewportName;
  cell: CellRef;
}) {
  return (
    <Box id="reasons">
      <Box as="ol" listStyleType="none" mt="4px" role="list" aria-label="Rules for this value, strongest first">
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
              {item.source === 'sheet' ? `${item.sheet}:${item.line}` : item.source}
              {item.layer.length ? `, layer ${item.layer.join('.')}` : ''}
              {item.conditions.map((condition) => `, ${condition}`)}
            </Box>
            <Box color={item.wins ? 'ink' : 'ink2'} fontSize="12px">
              {item.why}
            </Box>
          </Box>
        ))}
      </Box>
      {explanation.contenders.length ? (
        <Box color="ink2" fontSize="12px" mt="6px" data-testid="to-win">
          {explanation.toWin.sentence}
        </Box>
      ) : null}
      <TryRule component={component} viewport={viewport} cell={cell} />
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
