import { createToaster, Toast, Toaster } from '@chakra-ui/react';
import { useEffect } from 'react';
import { showToastsWith } from './toasts';

const region = createToaster({ placement: 'bottom', duration: 8000, pauseOnPageIdle: true });

/** The notices themselves. */
export default function ToastRegion() {
  useEffect(() => showToastsWith((words) => region.create(words)), []);
  return (
    <Toaster toaster={region}>
      {(toast) => (
        <Toast.Root>
          <div>
            <Toast.Title>{toast.title}</Toast.Title>
            {toast.description ? <Toast.Description>{toast.description}</Toast.Description> : null}
          </div>
          {toast.action ? <Toast.ActionTrigger>{toast.action.label}</Toast.ActionTrigger> : null}
        </Toast.Root>
      )}
    </Toaster>
  );
}
