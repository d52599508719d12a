import { Box, createToaster, Toast, Toaster } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { useEffect } from 'react';
import { showToastsWith } from './toasts';

const region = createToaster({ placement: 'bottom', duration: 8000, pauseOnPageIdle: true });

/** The notices themselves. */
export default function ToastRegion() {
  useEffect(() => {
    // The region listens a moment after it is drawn; what comes before that would be lost.
    const timer = setTimeout(() => showToastsWith((words) => region.create(words)));
    return () => clearTimeout(timer);
  }, []);
  return (
    <Toaster toaster={region}>
      {(toast) => (
        <Toast.Root>
          <Box flex="1">
            <Toast.Title>{toast.title}</Toast.Title>
            {toast.description ? <Toast.Description>{toast.description}</Toast.Description> : null}
          </Box>
          {toast.action ? <Toast.ActionTrigger>{toast.action.label}</Toast.ActionTrigger> : null}
          <Toast.CloseTrigger aria-label="Dismiss" title="Dismiss">
            <X size={15} aria-hidden />
          </Toast.CloseTrigger>
        </Toast.Root>
      )}
    </Toaster>
  );
}
