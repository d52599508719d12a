import { Box, Dialog, Portal } from '@chakra-ui/react';
import { DialogClose } from '../../shell/DialogClose';
import { SHEET_KEYS, type Command } from './commands';
import { Keys } from './Keys';

/** Every key of the Style screen. */
export default function Shortcuts({
  commands,
  open,
  onClose,
}: {
  commands: readonly Command[];
  open: boolean;
  onClose: () => void;
}) {
  const own = commands.flatMap(({ keys, name }) => (keys ? [[keys, name] as const] : []));
  return (
    <Dialog.Root open={open} onOpenChange={(details) => !details.open && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxWidth="480px">
            <Dialog.Header>
              <Dialog.Title>Keys</Dialog.Title>
            </Dialog.Header>
            <DialogClose />
            <Dialog.Body pb="18px!">
              <Box asChild width="100%">
                <table>
                  <tbody>
                    {[...SHEET_KEYS, ...own].map(([keys, what]) => (
                      <tr key={keys + what}>
                        <Box as="td" padding="4px 14px 4px 0" whiteSpace="nowrap">
                          <Keys>{keys}</Keys>
                        </Box>
                        <Box as="td" padding="4px 0">
                          {what}
                        </Box>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </Box>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
