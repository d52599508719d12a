import { lazy, Suspense, useEffect, useState } from 'react';
import { listenForToasts } from './toasts';

const ToastRegion = lazy(() => import('./ToastRegion'));

/** Where notices appear; loaded with the first of them. */
export function Toasts() {
  const [wanted, setWanted] = useState(false);
  useEffect(() => listenForToasts(() => setWanted(true)), []);
  return wanted ? (
    <Suspense>
      <ToastRegion />
    </Suspense>
  ) : null;
}
