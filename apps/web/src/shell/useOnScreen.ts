import { useEffect, useState, type RefObject } from 'react';

/** Whether any of an element can be seen in the window, as far as is known. */
export function useOnScreen(element: RefObject<HTMLElement | null>): boolean {
  const [seen, setSeen] = useState(true);
  useEffect(() => {
    if (!element.current) return;
    const observer = new IntersectionObserver((entries) => setSeen(entries.at(-1)!.isIntersecting));
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element]);
  return seen;
}

/** Pixels around the window within which something is near. */
const NEAR = 400;

/** Whether an element was ever near enough to the window to be seen soon. */
export function useWasNear(element: RefObject<HTMLElement | null>): boolean {
  const [near, setNear] = useState(false);
  useEffect(() => {
    if (!element.current || near) return undefined;
    const observer = new IntersectionObserver((entries) => entries.some((own) => own.isIntersecting) && setNear(true), {
      rootMargin: `${NEAR}px`,
    });
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element, near]);
  return near;
}
