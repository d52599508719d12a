import { Box, Flex } from '@chakra-ui/react';
import type { Site } from '@retoque/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { ASKED_NOW, siteQuery } from '../api/queries';
import { AppBar } from '../shell/AppBar';
import { Busy } from '../shell/Busy';
import { Notice } from '../shell/Notice';
import { Segments } from '../shell/Segments';
import { stepsOf } from '../shell/steps';
import { useDocumentTitle } from '../shell/useDocumentTitle';
import { DarkScheme } from './DarkScheme';
import { Drift } from './Drift';
import { Pairs } from './Pairs';
import { Swatches } from './Swatches';
import { usePalette } from './usePalette';
import { useSitePages } from '../ledger/useSiteWork';
import { WhereUsed } from './WhereUsed';

const VIEWS = [
  {
    value: 'colours',
    label: 'Colours',
    hint: 'The colours of this site by name. A value that names one changes with it.',
  },
  { value: 'pairs', label: 'Pairs', hint: 'Every colour as text on every other.' },
  { value: 'uses', label: 'Where used', hint: 'Every place that has a colour, and another one put there.' },
  { value: 'drift', label: 'Drift', hint: 'Things of one kind that look alike, and are not quite.' },
  { value: 'dark', label: 'Dark scheme', hint: 'The site for those who prefer a dark screen.' },
] as const;
type View = (typeof VIEWS)[number]['value'];

/** The colours of a site by name: kept, tried on each other, found, and replaced. */
export function PaletteScreen() {
  const { siteId = '', pageId = '', componentId } = useParams();
  const site = useQuery({ ...siteQuery(siteId), ...ASKED_NOW });
  useDocumentTitle('Palette', site.data?.name);
  return (
    <Flex direction="column" minHeight="100%">
      <AppBar site={site.data?.name} steps={stepsOf(siteId, pageId, componentId)} />
      <Box
        as="main"
        width="100%"
        maxWidth="1180px"
        mx="auto"
        px={{ base: '14px', md: '28px' }}
        py={{ base: '20px', md: '26px' }}
      >
        {site.error ? <Notice tone="short">{site.error.message}</Notice> : null}
        {site.data ? <OfSite site={site.data} /> : site.error ? null : <Busy>Loading the palette</Busy>}
      </Box>
    </Flex>
  );
}

function OfSite({ site }: { site: Site }) {
  // In the address, so that the way back leads to what was looked at.
  const [asked, ask] = useSearchParams();
  const view = VIEWS.find(({ value }) => value === asked.get('view'))?.value ?? 'colours';
  const setView = (next: View) => ask(next === 'colours' ? {} : { view: next }, { replace: true });
  const [sought, setSought] = useState<string>();
  const pages = useSitePages(site);
  const { palette, change, busy } = usePalette(site);
  const own = { site, palette, pages, busy, onChange: change };
  return (
    <>
      <Flex alignItems="flex-end" justifyContent="space-between" gap="14px" flexWrap="wrap" mb="20px">
        <Box>
          <Box as="h1" fontSize="22px" fontWeight={650} letterSpacing="-0.01em" mb="3px">
            Palette
          </Box>
          <Box color="ink2" fontSize="14px">
            {VIEWS.find(({ value }) => value === view)!.hint}
          </Box>
        </Box>
        <Segments label="Part of the palette" value={view} choices={VIEWS} onChange={setView} />
      </Flex>
      {pages.error ? (
        <Box mb="14px">
          <Notice tone="short">{pages.error.message}</Notice>
        </Box>
      ) : null}
      {view === 'colours' ? (
        <Swatches
          {...own}
          onFind={(css) => {
            setSought(css);
            setView('uses');
          }}
        />
      ) : view === 'pairs' ? (
        <Pairs {...own} />
      ) : view === 'uses' ? (
        <WhereUsed {...own} sought={sought} onSeek={setSought} />
      ) : view === 'drift' ? (
        <Drift {...own} />
      ) : (
        <DarkScheme {...own} />
      )}
    </>
  );
}
