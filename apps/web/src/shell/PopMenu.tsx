import { cloneElement, useState } from 'react';
import { late } from './late';
import type { PopMenuProps } from './pop-menu';

const closed = ({ trigger }: PopMenuProps, onClick?: () => void) =>
  cloneElement(trigger, { 'aria-haspopup': 'dialog', 'aria-expanded': false, onClick });

const Popped = late(() => import('./Popped'), closed);

/** A small menu or form that opens beside its button; what places it is loaded when one is first opened. */
export function PopMenu(props: PopMenuProps) {
  const [used, setUsed] = useState(props.open);
  if (used) return <Popped {...props} />;
  return closed(props, () => {
    setUsed(true);
    props.onOpenChange(true);
  });
}
