import { Dialog } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { Button } from '../theme/Button';

/** The cross in the corner of a dialog. */
export const DialogClose = () => (
  <Dialog.CloseTrigger asChild>
    <Button variant="quiet" size="icon" aria-label="Close" type="button">
      <X aria-hidden="true" />
    </Button>
  </Dialog.CloseTrigger>
);
