import { createToaster, Toast, Toaster } from '@chakra-ui/react';

/** Short notices at the screen's edge; the one place for undoing what was removed. */
export const toaster = createToaster({ placement: 'bottom', duration: 8000, pauseOnPageIdle: true });

export function Toasts() {
  return (
    <Toaster toaster={toaster}>
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
