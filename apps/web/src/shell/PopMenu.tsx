import { cloneElement, lazy, Suspense, useState } from 'react';
import type { PopMenuProps } from './pop-menu';

const Popped = lazy(() => import('./Popped'));

/** A small menu or form that opens beside its button; what places it is loaded when one is first opened. */
export function PopMenu(props: PopMenuProps) {
  const [used, setUsed] = useState(false);
  const { trigger, onOpenChange } = props;
  const closed = cloneElement(trigger, {
    'aria-haspopup': 'dialog',
    'aria-expanded': false,
    onClick: () => {
      setUsed(true);
      onOpenChange(true);
    },
  });
  if (!used) return closed;
  return (
    <Suspense fallback={closed}>
      <Popped {...props} />
    </Suspense>
  );
}
