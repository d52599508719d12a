import { useEffect } from 'react';

export function useDocumentTitle(...parts: readonly (string | undefined)[]): void {
  const title = [...parts.filter(Boolean), 'Retoque'].join(' · ');
  useEffect(() => {
    document.title = title;
  }, [title]);
}
