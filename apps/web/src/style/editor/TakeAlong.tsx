import { Box } from '@chakra-ui/react';
import type { SheetPart, TakenAlong, ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { Button } from '../../theme/Button';
import { Code } from '../../theme/Code';
import type { CellAddress } from '../look/cells';

/**
 * Texts inside a part that keep a colour of their own when its text colour is set, named one by one, with an offer to
 * take those along that are parts themselves.
 */
export default function TakeAlong({
  component,
  viewport,
  cell,
  parts,
  onTake,
}: {
  component: ComponentRef;
  viewport: ViewportName;
  cell: CellAddress;
  parts: readonly SheetPart[];
  onTake: (parts: readonly string[]) => void;
}) {
  const answer = useQuery({
    queryKey: ['engine', 'children', refKey(component), viewport, cell],
    staleTime: Infinity,
    queryFn: () => engine().colourChildren(component, viewport, cell),
  });
  const children = answer.data ?? [];
  if (!children.length) return null;
  const able = parts.filter((part) => children.some((child) => child.part === part.name));
  return (
    <Box bg="unsureSoft" borderRadius="m" padding="8px 10px" mt="10px" fontSize="12.5px" data-testid="take-along">
      <Box fontWeight={650} color="unsure">
        {children.length === 1
          ? 'One text inside keeps its own colour'
          : `${children.length} texts inside keep their own colours`}
      </Box>
      <Box as="ul" listStyleType="none" mt="3px" display="grid" gap="3px">
        {distinct(children).map((child) => (
          <li key={child.selector + child.text}>
            “{child.text}”, {child.colour}, by <Code>{child.selector}</Code>
            {child.inline ? '' : ` (${child.sheet}:${child.line})`}
          </li>
        ))}
      </Box>
      {able.length ? (
        <Button size="s" mt="7px" onClick={() => onTake(able.map((part) => part.name))}>
          Take {able.map((part) => part.label.toLowerCase()).join(' and ')} along
        </Button>
      ) : null}
    </Box>
  );
}

const MOST = 4;

/** One line for each rule that keeps a colour. */
function distinct(children: readonly TakenAlong[]): TakenAlong[] {
  const byRule = new Map(
    children.map((child) => [`${child.selector} ${child.line} ${child.inline ? child.text : ''}`, child]),
  );
  return [...byRule.values()].slice(0, MOST);
}
