import { Box, Flex } from '@chakra-ui/react';
import type { Page, Site } from '@retoque/contract';
import { isWornAt, kindNamed, type ComponentPlace } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { PlacePad } from '../../anew/PlacePad';
import { pageQuery } from '../../api/queries';
import { engine, surveyEngine, useOpenedPage } from '../../engine/engine';
import type { useSitePages } from '../../ledger/useSiteWork';
import { Busy } from '../../shell/Busy';
import { PageSelect } from '../../shell/PageSelect';
import { tellProblem } from '../../shell/toasts';
import { placePadStyles } from '../../theme/styles/anewStyles';
import { Input } from '../../theme/Input';

/** What a look is taken from. */
export interface Source {
  readonly version: string;
  readonly place: ComponentPlace;
  readonly name: string;
}

/** Anything on the site: listed by name, or pointed at on a page. */
export function MatchSource({
  site,
  page,
  pages,
  except,
  onChoose,
}: {
  site: Site;
  page: Page;
  pages: ReturnType<typeof useSitePages>;
  /** What is in hand. */
  except: Pick<ComponentPlace, 'kind' | 'locator'>;
  onChoose: (source: Source) => void;
}) {
  const [sought, setSought] = useState('');
  const [pageId, setPageId] = useState(page.id);
  const shown = useQuery(pageQuery(pageId));
  const opened = useOpenedPage(shown.data);
  const version = opened.data?.versionId;
  const list = useQuery({
    queryKey: ['surveyor', 'components of site', pages.at],
    enabled: pages.at !== undefined,
    queryFn: () => surveyEngine().componentsOfSite(pages.at!),
  });
  const wanted = sought.trim().toLowerCase();
  const found = (list.data ?? []).filter(
    ({ name, place }) =>
      !kindNamed(place.kind)?.besidePage &&
      !isWornAt(except, place) &&
      `${name} ${kindNamed(place.kind)?.label ?? ''}`.toLowerCase().includes(wanted),
  );
  const point = (order: number) => {
    engine()
      .takeables(version!, order)
      .then(([first]) => {
        if (!first) return;
        const { kind, locator, name } = first;
        onChoose({ version: version!, place: { kind, locator }, name });
      })
      .catch(tellProblem);
  };
  return (
    <Flex gap="16px" height={{ base: 'auto', md: '520px' }} direction={{ base: 'column', md: 'row' }} css={styles}>
      <Flex direction="column" width={{ base: '100%', md: '270px' }} flexShrink={0} minHeight="0">
        <Input
          aria-label="Find a component"
          placeholder="Find a component"
          value={sought}
          onChange={(event) => setSought(event.target.value)}
        />
        <ul aria-label="Components of the site">
          {found.map(({ version: on, place, name }) => (
            <li key={`${place.kind} ${place.locator.selector}`}>
              <button type="button" onClick={() => onChoose({ version: on, place, name })}>
                {name} <small>{kindNamed(place.kind)?.label.toLowerCase()}</small>
              </button>
            </li>
          ))}
        </ul>
        {list.data && !found.length ? <Box color="ink2">Nothing of that name.</Box> : null}
        {list.data ? null : <Busy>Looking through the pages</Busy>}
      </Flex>
      <Flex direction="column" flex="1" minWidth="0" minHeight={{ base: '380px', md: '0' }} gap="8px">
        <Flex gap="10px" alignItems="center">
          <Box color="ink2" flexShrink={0}>
            Or click it on
          </Box>
          <PageSelect pages={site.pages} value={pageId} onChange={setPageId} />
        </Flex>
        {version === undefined ? (
          <Busy>Opening the page</Busy>
        ) : (
          <PlacePad key={version} versionId={version} order={undefined} place="instead" onPick={point} />
        )}
      </Flex>
    </Flex>
  );
}

const styles = {
  ...placePadStyles,
  '& ul': { listStyle: 'none', marginTop: '8px', overflowY: 'auto', minHeight: 0, flex: 1 },
  '& li button': {
    display: 'block',
    width: '100%',
    textAlign: 'left',
    padding: '6px 8px',
    borderBottom: '1px solid {colors.lineSoft}',
    cursor: 'pointer',
    _hover: { bg: 'lineSoft' },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-2px' },
  },
  '& small': { color: 'ink2', fontSize: '12px' },
};
