import { Flex } from '@chakra-ui/react';
import { currentTrial } from '@retoque/contract';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useParams } from 'react-router';
import { componentQuery, componentsQuery, pageQuery, siteQuery } from '../api/queries';
import { useOpenedPage } from '../engine/engine';
import { AppBar } from '../shell/AppBar';
import { Busy } from '../shell/Busy';
import { Notice } from '../shell/Notice';
import { useDocumentTitle } from '../shell/useDocumentTitle';
import type { BenchMemory } from './bench/bench-memory';
import { StyleBench } from './bench/StyleBench';
import { SwatchesContext } from './look/swatch-names';
import { shelfFor, type Shelf } from './saving/unsaved';

/** Loads what the bench needs: site, page in the worker, component with its trials. */
export function StyleScreen() {
  const { siteId = '', pageId = '', componentId = '' } = useParams();
  const site = useQuery(siteQuery(siteId));
  const page = useQuery(pageQuery(pageId));
  // Asked for on the way here (`beginComponent`) and never while one edits: what is in hand would be taken away in the
  // middle of its save.
  const component = useQuery({
    ...componentQuery(componentId),
    staleTime: Infinity,
    refetchOnMount: false,
    refetchOnReconnect: false,
    refetchOnWindowFocus: false,
  });
  const kept = useQuery(componentsQuery(siteId));
  const opened = useOpenedPage(page.data);
  const trialId = component.isFetching ? undefined : component.data?.currentTrialId;
  const shelf = useShelf(trialId);
  const memory = useRef<BenchMemory>(undefined);
  useDocumentTitle(component.data?.name, site.data?.name);

  const error = site.error ?? page.error ?? kept.error ?? component.error ?? opened.error;
  if (
    !site.data ||
    !page.data ||
    !component.data ||
    component.isFetching ||
    !opened.data ||
    !kept.data ||
    !shelf ||
    shelf.trialId !== trialId ||
    component.data.id !== componentId
  ) {
    return (
      <Flex direction="column" minHeight="100%">
        <AppBar site={site.data?.name} />
        {error ? (
          <Flex padding="24px" justifyContent="center">
            <Notice tone="short">{error.message}</Notice>
          </Flex>
        ) : (
          <Busy>Opening the component</Busy>
        )}
      </Flex>
    );
  }
  const trial = currentTrial(component.data);
  return (
    <SwatchesContext value={site.data.palette.swatches}>
      <StyleBench
        key={trial.id}
        styled={{
          site: site.data,
          page: page.data,
          versionId: opened.data.versionId,
          component: component.data,
          kept: kept.data,
        }}
        trial={trial}
        shelf={shelf.shelf}
        memory={memory}
      />
    </SwatchesContext>
  );
}

/** Where this window keeps what it cannot send of a look; found out before the look is opened. */
function useShelf(trialId: string | undefined): { readonly trialId: string; readonly shelf: Shelf } | undefined {
  const [found, setFound] = useState<{ trialId: string; shelf: Shelf }>();
  useEffect(() => {
    if (trialId === undefined) return undefined;
    let current = true;
    void shelfFor(trialId).then((shelf) => current && setFound({ trialId, shelf }));
    return () => {
      current = false;
    };
  }, [trialId]);
  return found;
}
