import { useEffect, useState } from 'react';
import { late } from './late';
import { listenForToasts } from './toasts';

const ToastRegion = late(() => import('./ToastRegion'));

/** Where notices appear; loaded with the first of them. */
export function Toasts() {
  const [wanted, setWanted] = useState(false);
  useEffect(() => listenForToasts(() => setWanted(true)), []);
  return wanted ? <ToastRegion /> : null;
}
