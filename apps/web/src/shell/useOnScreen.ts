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
