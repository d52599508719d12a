import { NO_TALLY } from '@retoque/core';
import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import type { Site } from '@retoque/contract';
import { useQuery } from '@tanstack/react-query';
import { FilePlus2, Lightbulb, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { sitesQuery, useRemoval } from '../api/queries';
import { AppBar } from '../shell/AppBar';
import { Busy } from '../shell/Busy';
import { counted } from '../shell/counted';
import { Hint } from '../shell/Hint';
import { showHintsAgain, useAnyHintRead } from '../shell/hints';
import { Notice } from '../shell/Notice';
import { surveyPath } from '../shell/paths';
import { tellDone, tellProblem } from '../shell/toasts';
import { useDocumentTitle } from '../shell/useDocumentTitle';
import { TallyMark } from '../shell/TallyMark';
import { BringPage } from './BringPage';
import { PageThumbnail } from './PageThumbnail';
import { StorageNote } from './StorageNote';
import { Button } from '../theme/Button';

/** All sites of the owner, and the way to bring another page. */
export function SitesScreen() {
  useDocumentTitle('Sites');
  const sites = useQuery(sitesQuery);
  const anyRead = useAnyHintRead();
  const [bringing, setBringing] = useState<{ site: Site | undefined } | undefined>();
  return (
    <Flex direction="column" minHeight="100%">
      <AppBar>
        <Button variant="bar" onClick={() => setBringing({ site: undefined })}>
          <Plus aria-hidden="true" />
          Bring a page
        </Button>
      </AppBar>
      <Box
        as="main"
        width="100%"
        maxWidth="1160px"
        mx="auto"
        px={{ base: '16px', md: '32px' }}
        py={{ base: '24px', md: '40px' }}
      >
        <Box as="h1" fontSize="24px" fontWeight={650} letterSpacing="-0.01em" mb="4px">
          Your sites
        </Box>
        <Box color="ink2" fontSize="14px" mb="26px" maxWidth="80ch">
          Choose a page to see its buttons, menus, forms and notices in every state, on the page itself.
        </Box>
        <Box mb="22px">
          <Hint id="sites">
            <b>How it goes.</b> Choose a page. Pick what is marked <TallyMark tally={{ ...NO_TALLY, short: 1 }} />: its
            text is hard to read in some state, such as under the pointer. Change the colour until the figure passes,
            and take the CSS to your site. Nothing on your site is changed from here.
          </Hint>
        </Box>
        {sites.isPending ? <Busy>Loading your sites</Busy> : null}
        {sites.isError ? (
          <Notice
            tone="short"
            action={
              <Button size="s" onClick={() => void sites.refetch()}>
                Try again
              </Button>
            }
          >
            {sites.error.message}
          </Notice>
        ) : null}
        {sites.data?.length === 0 ? <NoSites onBring={() => setBringing({ site: undefined })} /> : null}
        <Flex direction="column" gap="36px">
          {sites.data?.map((site) => (
            <SiteSection key={site.id} site={site} onBring={() => setBringing({ site })} />
          ))}
        </Flex>
        <Box mt="36px">
          <StorageNote />
        </Box>
        {anyRead ? (
          <Box mt="14px">
            <Button variant="quiet" size="s" onClick={showHintsAgain}>
              <Lightbulb aria-hidden="true" />
              Show the first hints again
            </Button>
          </Box>
        ) : null}
      </Box>
      {bringing ? (
        <BringPage site={bringing.site} sites={sites.data ?? []} onClose={() => setBringing(undefined)} />
      ) : null}
    </Flex>
  );
}

function NoSites({ onBring }: { onBring: () => void }) {
  return (
    <Box bg="card" border="1px dashed {colors.edge}" borderRadius="xl" padding="44px 32px" textAlign="center">
      <Box fontSize="16px" fontWeight={650} mb="6px">
        No page here yet
      </Box>
      <Box color="ink2" mb="18px">
        Bring one by its address, as files, or as pasted HTML and CSS. Nothing on your site is changed.
      </Box>
      <Button variant="solid" size="l" onClick={onBring}>
        <FilePlus2 aria-hidden="true" />
        Bring a page
      </Button>
    </Box>
  );
}

const PageCard = chakra(Link, {
  base: {
    display: 'block',
    bg: 'card',
    borderRadius: 'l',
    border: '1px solid {colors.line}',
    overflow: 'hidden',
    textDecoration: 'none',
    color: 'ink',
    transition: 'box-shadow 150ms, border-color 150ms',
    _hover: { boxShadow: 'lift', borderColor: 'edge' },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '3px' },
  },
});

function SiteSection({ site, onBring }: { site: Site; onBring: () => void }) {
  const removal = useRemoval('sites');
  const remove = () =>
    removal.remove.mutate(site.id, {
      onSuccess: () => tellDone(`${site.name} was removed`, () => removal.restore.mutate(site.id)),
      onError: tellProblem,
    });
  return (
    <Box as="section" aria-label={site.name}>
      <Flex alignItems="baseline" gap="12px" mb="12px" flexWrap="wrap">
        <Box as="h2" fontSize="17px" fontWeight={650}>
          {site.name}
        </Box>
        <Box color="ink2">
          {counted(site.pages.length, 'page')}, {counted(site.componentCount, 'component')} being styled
        </Box>
        <Flex ml="auto" gap="4px">
          <Button variant="quiet" size="s" onClick={onBring}>
            <Plus aria-hidden="true" />
            Add a page
          </Button>
          <Button variant="quiet" size="s" onClick={remove} disabled={removal.remove.isPending}>
            <Trash2 aria-hidden="true" />
            Remove site
          </Button>
        </Flex>
      </Flex>
      <Grid templateColumns="repeat(auto-fill, minmax(min(100%, 320px), 1fr))" gap="18px">
        {site.pages.map((page) => (
          <PageCard key={page.id} to={surveyPath(site.id, page.id)}>
            <PageThumbnail pageId={page.id} />
            <Box padding="11px 14px 13px" borderTop="1px solid {colors.lineSoft}">
              <Box fontWeight={600} fontSize="14px" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
                {page.name}
              </Box>
              <Box
                color="ink3"
                fontFamily="mono"
                fontSize="11.5px"
                overflow="hidden"
                textOverflow="ellipsis"
                whiteSpace="nowrap"
              >
                {sourceWords(page.source, page.address)}
              </Box>
            </Box>
          </PageCard>
        ))}
      </Grid>
    </Box>
  );
}

const sourceWords = (source: 'address' | 'upload' | 'paste', address: string) =>
  source === 'address' ? address.replace(/^https?:\/\//, '') : source === 'upload' ? 'from files' : 'pasted';
