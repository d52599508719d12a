import { chakra, Dialog, Flex, Portal } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { storageQuery, usePurge } from '../api/queries';
import { DialogClose } from '../shell/DialogClose';
import { tellProblem, toaster } from '../shell/toasts';
import { Button } from '../theme/Button';

const Meter = chakra('progress', {
  base: {
    appearance: 'none',
    width: '120px',
    height: '6px',
    borderRadius: 'm',
    overflow: 'hidden',
    '&::-webkit-progress-bar': { background: '{colors.line}' },
    '&::-webkit-progress-value': { background: '{colors.accent}' },
  },
});

const MEGA = 1024 * 1024;
const size = (bytes: number) =>
  bytes >= 1000 * MEGA
    ? `${(bytes / MEGA / 1024).toFixed(1)} GB`
    : `${(bytes / MEGA).toFixed(bytes < 10 * MEGA ? 1 : 0)} MB`;

/** How much is stored and how much may be, and the way to make room. */
export function StorageNote() {
  const storage = useQuery(storageQuery);
  const purge = usePurge();
  const [asking, setAsking] = useState(false);
  if (!storage.data) return null;
  const { used, limit, removed } = storage.data;
  const what = `${removed} removed ${removed === 1 ? 'site or page' : 'sites and pages'}`;
  const free = () =>
    purge.mutate(undefined, {
      onSuccess: (now) => {
        setAsking(false);
        toaster.create({ title: `${size(Math.max(0, used - now.used))} freed` });
      },
      onError: tellProblem,
    });
  return (
    <Flex gap="12px" alignItems="center" flexWrap="wrap" color="ink2" fontSize="13px" data-testid="storage">
      <Meter max={limit} value={used} aria-label="Storage used" />
      <span>
        {size(used)} of {size(limit)} stored.
      </span>
      {removed ? (
        <Button variant="quiet" size="s" onClick={() => setAsking(true)}>
          Free the room of {what}
        </Button>
      ) : null}
      {asking ? (
        <Dialog.Root open role="alertdialog" onOpenChange={({ open }) => !open && setAsking(false)}>
          <Portal>
            <Dialog.Backdrop />
            <Dialog.Positioner>
              <Dialog.Content maxWidth="440px">
                <Dialog.Header>
                  <Dialog.Title>Delete {what} for good?</Dialog.Title>
                </Dialog.Header>
                <DialogClose />
                <Dialog.Body>
                  Until now they could be restored. After this they cannot, nor can the looks that were made on removed
                  sites. Your live site is not touched.
                </Dialog.Body>
                <Dialog.Footer>
                  <Button onClick={() => setAsking(false)}>Keep them</Button>
                  <Button variant="solid" disabled={purge.isPending} onClick={free}>
                    Delete for good
                  </Button>
                </Dialog.Footer>
              </Dialog.Content>
            </Dialog.Positioner>
          </Portal>
        </Dialog.Root>
      ) : null}
    </Flex>
  );
}
