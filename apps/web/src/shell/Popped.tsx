import { Popover, Portal } from '@chakra-ui/react';
import type { PopMenuProps } from './pop-menu';

/** The open card of a small menu, placed beside its button. */
export default function Popped({ trigger, title, width, testId, open, onOpenChange, children }: PopMenuProps) {
  return (
    <Popover.Root open={open} onOpenChange={(details) => onOpenChange(details.open)}>
      <Popover.Trigger asChild>{trigger}</Popover.Trigger>
      <Portal>
        <Popover.Positioner>
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
            {title ? (
              <Popover.Title fontWeight={650} mb="4px">
                {title}
              </Popover.Title>
            ) : null}
            {children}
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
