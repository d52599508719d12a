import { Box, Flex } from '@chakra-ui/react';
import { Lightbulb } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '../theme/Button';
import { dismissHint, useHint } from './hints';

/** What a screen is for, said on a first visit; it stays away once it was read. */
export function Hint({ id, children }: { id: string; children: ReactNode }) {
  const isShown = useHint(id);
  if (!isShown) return null;
  return (
    <Flex
      role="note"
      data-hint={id}
      gap="10px"
      alignItems="flex-start"
      bg="card"
      border="1px solid {colors.line}"
      borderLeft="4px solid {colors.lamp}"
      borderRadius="m"
      padding="9px 12px"
      fontSize="13px"
    >
      <Box as="span" flexShrink={0} pt="1px" color="unsure">
        <Lightbulb size={16} aria-hidden="true" />
      </Box>
      <Box flex="1" minWidth="0">
        {children}
      </Box>
      <Button size="s" variant="quiet" onClick={() => dismissHint(id)}>
        Got it
      </Button>
    </Flex>
  );
}
