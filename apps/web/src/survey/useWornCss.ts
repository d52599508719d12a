import type { Component, Site } from '@retoque/contract';
import { useQuery } from '@tanstack/react-query';
import { useEffect, type RefObject } from 'react';
import { engine } from '../engine/engine';
import { tellWorn, wornKey } from '../engine/worn';
import { makeSheet, putSheets } from '../frame/frame-sheets';
import { useSiteFiles } from '../style/site/useSiteFiles';

/**
 * Shows a page with the looks that its site wears.
 *
 * @param loaded how often the frame was loaded
 * @param onShown called once they are on, as boxes may stand elsewhere then
 */
export function useWornCss(
  frame: RefObject<HTMLIFrameElement | null>,
  loaded: number,
  siteId: string,
  versionId: string | undefined,
  site: Site | undefined,
  components: readonly Component[] | undefined,
  onShown: () => void,
): void {
  const files = useSiteFiles(siteId);
  const css = useQuery({
    queryKey: ['engine', 'page css', versionId, site && components && wornKey({ ...site, components }), files],
    enabled: versionId !== undefined && site !== undefined && components !== undefined && files !== undefined,
    queryFn: () => {
      tellWorn(engine(), { ...site!, siteId: site!.id, components: components! });
      return engine().pageCss(versionId!);
    },
  }).data;
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || css === undefined || !document) return;
    const sheet = makeSheet(document, css);
    if (!sheet) return;
    putSheets(document, 'look', [sheet]);
    onShown();
  }, [frame, loaded, css, onShown]);
}
