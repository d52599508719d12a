import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { siteAssetsQuery } from '../../assets/queries';
import { engine } from '../../engine/engine';
import { tellFiles } from '../../engine/tell-files';

/**
 * Hands the site's pictures and fonts to the worker, so that frames and handovers know them.
 *
 * @returns what changes with them; undefined until the worker has them
 */
export function useSiteFiles(siteId: string): string | undefined {
  const { data } = useQuery(siteAssetsQuery(siteId));
  const [known, setKnown] = useState<string>();
  useEffect(() => {
    if (!data) return;
    let current = true;
    void tellFiles(engine(), data).then(() => {
      if (current) setKnown(data.map(({ hash }) => hash).join());
    });
    return () => {
      current = false;
    };
  }, [data]);
  return known;
}
