import { useEffect, useState } from 'react';

export interface Measures {
  readonly width: number;
  readonly height: number;
}

/** A picture's own measures, in pixels; undefined until it is loaded. */
export function useNaturalSize(source: string | undefined): Measures | undefined {
  const [found, setFound] = useState<Measures & { readonly source: string }>();
  useEffect(() => {
    if (source === undefined) return;
    const image = new Image();
    image.onload = () => setFound({ source, width: image.naturalWidth, height: image.naturalHeight });
    image.src = source;
    return () => {
      image.onload = null;
    };
  }, [source]);
  return found?.source === source ? found : undefined;
}
