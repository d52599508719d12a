import { cloneElement, lazy, Suspense, useState, type ReactElement, type ReactNode } from 'react';

const Popped = lazy(() => import('./Popped'));

export interface PopMenuProps {
  /** The button that opens it. */
  readonly trigger: ReactElement<{ onClick?: () => void; 'aria-haspopup'?: 'dialog'; 'aria-expanded'?: boolean }>;
  readonly title?: string;
  readonly width: string;
  readonly testId?: string;
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly children: ReactNode;
}

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
