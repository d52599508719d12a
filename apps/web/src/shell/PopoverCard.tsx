import { Popover } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** The card that a small menu or form opens in. */
export function PopoverCard({ width, testId, children }: { width: string; testId?: string; children: ReactNode }) {
  return (
    <Popover.Content
      width={width}
      data-testid={testId}
      bg="card"
      border="1px solid {colors.line}"
      borderRadius="l"
      boxShadow="over"
      padding="12px 14px"
      fontSize="13px"
      maxHeight="70vh"
      overflowY="auto"
      outline="none"
    >
      {children}
    </Popover.Content>
  );
}
