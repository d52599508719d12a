import { Box, Flex } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { FolderDown, Presentation } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { ASKED_NOW, componentQuery, componentsNow, siteQuery } from '../api/queries';
import { siteAssetsQuery } from '../assets/queries';
import { AppBar } from '../shell/AppBar';
import { Busy } from '../shell/Busy';
import { late } from '../shell/late';
import { Notice } from '../shell/Notice';
import { stepsOf } from '../shell/steps';
import { useDocumentTitle } from '../shell/useDocumentTitle';
import { withLooks } from '../style/site/with-looks';
import { Button } from '../theme/Button';
import { Chosen } from './Chosen';
import { Files } from './Files';
import { Markup } from './Markup';
import { Proof } from './Proof';
import { Script } from './Script';
import { Sheet } from './Sheet';
import { useDownload } from './useDownload';
import { useHandover } from './useHandover';

const ShowVersions = late(() => import('../showing/ShowVersions'));

const NONE: ReadonlySet<string> = new Set();

/** The CSS of a site's looks, proven on every page that they reach, ready to be taken home. */
export function HandoverScreen() {
  const { siteId = '', pageId = '', componentId } = useParams();
  const site = useQuery(siteQuery(siteId));
  // What was saved last is handed over, in whichever window it was.
  const kept = useQuery(componentsNow(siteId));
  const settled = useQuery({
    ...componentQuery(componentId ?? ''),
    enabled: componentId !== undefined,
    ...ASKED_NOW,
  });
  const assets = useQuery(siteAssetsQuery(siteId));
  const isSettled = !kept.isFetching && (componentId === undefined || !settled.isFetching);
  const components = isSettled ? kept.data : undefined;
  const told = useMemo(() => withLooks(components ?? []), [components]);
  const [left, setLeft] = useState(NONE);
  const [showing, setShowing] = useState(false);
  const chosen = useMemo(() => told.filter(({ id }) => !left.has(id)), [told, left]);
  const { handover, progress, error: failed } = useHandover(siteId, site.data, components, chosen);
  const all = useDownload(siteId, chosen);
  useDocumentTitle('Hand over', site.data?.name);
  const answer = handover.data;
  const named = (assets.data ?? []).filter(({ address }) => answer?.files.some(({ text }) => text.includes(address)));
  const nameOf = (worn: string) => told.find(({ id }) => id === worn)?.name ?? 'A component';
  const error = site.error ?? kept.error ?? failed;
  const isEmpty = answer && !answer.files.length && !answer.patches.length;
  return (
    <Flex direction="column" minHeight="100%">
      <AppBar site={site.data?.name} steps={stepsOf(siteId, pageId, componentId)} />
      <Flex
        as="main"
        width="100%"
        maxWidth="1180px"
        mx="auto"
        px={{ base: '14px', md: '28px' }}
        py="28px"
        gap={{ base: '22px', lg: '36px' }}
        direction={{ base: 'column', lg: 'row' }}
        alignItems="flex-start"
      >
        <Box width={{ base: '100%', lg: '270px' }} flexShrink={0} position={{ lg: 'sticky' }} top="20px">
          <Box as="h1" fontSize="22px" fontWeight={650} letterSpacing="-0.01em" mb="4px">
            Hand over
          </Box>
          <Box color="ink2" fontSize="14px" mb="18px">
            The looks of the whole site, as CSS that goes after all its other stylesheets.
          </Box>
          {told.length ? <Chosen components={told} left={left} answer={answer} onLeave={setLeft} /> : null}
          {told.length ? (
            <Button mt="12px" width="100%" onClick={() => setShowing(true)}>
              <Presentation aria-hidden="true" />
              Show the versions to somebody…
            </Button>
          ) : null}
          {answer && !isEmpty ? (
            <Box mt="10px">
              <Button variant="solid" onClick={all.start} disabled={all.isPending} width="100%">
                <FolderDown aria-hidden="true" />
                {all.isPending ? 'Putting the folder together…' : 'Take everything as one folder (.zip)'}
              </Button>
              {all.error ? (
                <Box mt="8px">
                  <Notice tone="short">{all.error.message}</Notice>
                </Box>
              ) : null}
            </Box>
          ) : null}
        </Box>
        {showing && site.data ? (
          <ShowVersions site={site.data} pageId={pageId} onClose={() => setShowing(false)} />
        ) : null}
        <Box flex="1" minWidth="0" width="100%">
          {error ? (
            <Notice tone="short">{error.message}</Notice>
          ) : !answer ? (
            <Working {...progress} />
          ) : isEmpty ? (
            <Notice>
              {told.length
                ? 'Nothing is chosen. Choose a component, and its CSS appears here.'
                : 'Nothing is changed yet. Set a value on the Style screen, and its CSS appears here.'}
            </Notice>
          ) : (
            <>
              {answer.pages.length || answer.unbeatable.length ? (
                <Proof answer={answer} pageId={pageId} nameOf={nameOf} />
              ) : null}
              <Files files={named} />
              <Markup patches={answer.patches} files={answer.files} />
              <Script names={answer.behaviours} />
              {answer.files.map((file) => (
                <Sheet key={file.path} file={file} isOneOfMany={answer.files.length > 1} />
              ))}
            </>
          )}
        </Box>
      </Flex>
    </Flex>
  );
}

function Working({ done, of }: { done: number; of: number }) {
  return (
    <Box>
      <Busy>Writing the CSS and proving it on every page</Busy>
      {of ? (
        <Box
          as="progress"
          {...{ max: of, value: done }}
          aria-label="Steps done"
          display="block"
          width="100%"
          maxWidth="420px"
          mx="auto"
          css={{ accentColor: '{colors.accent}' }}
        />
      ) : null}
    </Box>
  );
}
