import { Box, Flex } from '@chakra-ui/react';
import { type ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { Plus, RefreshCw } from 'lucide-react';
import { useCallback, useMemo, useRef, useState } from 'react';
import { late } from '../shell/late';
import { useNavigate, useParams } from 'react-router';
import { componentsQuery, pageQuery, siteQuery, useOpenComponent, useRefreshPage } from '../api/queries';
import { engine, useOpenedPage } from '../engine/engine';
import type { FoundWithChecks } from '../engine/protocol';
import { SafeFrame } from '../frame/SafeFrame';
import { AppBar } from '../shell/AppBar';
import { Busy } from '../shell/Busy';
import { Hint } from '../shell/Hint';
import { Notice } from '../shell/Notice';
import { handoverPath, stylePath, surveyPath } from '../shell/paths';
import { Segments } from '../shell/Segments';
import { tellProblem, toaster } from '../shell/toasts';
import { useDocumentTitle } from '../shell/useDocumentTitle';
import { useStage } from '../shell/useStage';
import { VIEWPORT_CHOICES } from '../shell/viewports';
import { FoundList } from './FoundList';
import { OutlineLayer } from './OutlineLayer';
import { PageChoice } from './PageChoice';
import { SetAside } from './SetAside';
import { withLooks } from '../style/site/with-looks';
import { useFound } from './useFound';
import { useOutlines } from './useOutlines';
import { Button } from '../theme/Button';

const AddComponent = late(() => import('../anew/AddComponent'));

const NONE: readonly FoundWithChecks[] = [];

/** A page with its components outlined; picking one opens it in every state. */
export function SurveyScreen() {
  const { siteId = '', pageId = '' } = useParams();
  const navigate = useNavigate();
  const site = useQuery(siteQuery(siteId));
  const page = useQuery(pageQuery(pageId));
  const kept = useQuery(componentsQuery(siteId));
  const opened = useOpenedPage(page.data);
  const versionId = opened.data?.versionId;
  useDocumentTitle(page.data?.name, site.data?.name);

  const html = useQuery({
    queryKey: ['engine', 'live', versionId],
    enabled: versionId !== undefined,
    staleTime: Infinity,
    queryFn: () => engine().liveFrame(versionId!),
  });
  const found = useFound(siteId, versionId, pageId, site.data?.bounds, kept.data);
  const components = found.data ?? NONE;
  const hasLooks = withLooks(kept.data ?? []).length > 0;

  const [viewport, setViewport] = useState<ViewportName>('wide');
  const [active, setActive] = useState<FoundWithChecks>();
  const [loaded, setLoaded] = useState(0);
  const [adding, setAdding] = useState(false);
  const frame = useRef<HTMLIFrameElement>(null);
  const open = useOpenComponent();
  const { mutate: openComponent } = open;

  const pick = useCallback(
    (component: FoundWithChecks) => {
      const { kind, name, locator } = component;
      openComponent(
        { pageId, kind, name, locator: structuredClone(locator) as never },
        {
          onSuccess: (stored) => void navigate(stylePath(siteId, pageId, stored.id)),
          onError: tellProblem,
        },
      );
    },
    [openComponent, pageId, siteId, navigate],
  );
  const { outlines, reveal } = useOutlines(frame, loaded, components, pick, setActive);
  const stage = useStage(viewport);
  const refresh = useRefreshPage(pageId);

  const error = page.error ?? site.error ?? opened.error ?? found.error ?? html.error;
  const shortCount = useMemo(() => components.filter((item) => item.short > 0).length, [components]);
  return (
    <Flex direction="column" height={{ base: 'auto', lg: '100%' }} minHeight="100%">
      <AppBar
        site={site.data?.name}
        steps={[
          { label: 'Survey', to: surveyPath(siteId, pageId) },
          { label: 'Style', to: undefined, why: 'Pick a component first' },
          hasLooks
            ? { label: 'Hand over', to: handoverPath(siteId, pageId) }
            : { label: 'Hand over', to: undefined, why: 'Nothing is changed yet' },
        ]}
      >
        {page.data?.source === 'address' ? (
          <Button
            variant="barQuiet"
            size="s"
            disabled={refresh.isPending}
            onClick={() => {
              const before = page.data?.versionNumber ?? 0;
              refresh.mutate(undefined, {
                onSuccess: (next) =>
                  toaster.create({
                    title:
                      next.versionNumber > before
                        ? 'The page has changed; this is the new version'
                        : 'Nothing has changed on the page',
                  }),
                onError: tellProblem,
              });
            }}
          >
            <RefreshCw aria-hidden="true" />
            {refresh.isPending ? 'Fetching…' : 'Fetch again'}
          </Button>
        ) : null}
      </AppBar>
      <Flex flex="1" minHeight="0" direction={{ base: 'column', lg: 'row' }}>
        <Box
          as="aside"
          aria-label="Components of the page"
          width={{ base: '100%', lg: '316px' }}
          flexShrink={0}
          bg="sheet"
          borderRight={{ lg: '1px solid {colors.line}' }}
          display="flex"
          flexDirection="column"
          minHeight="0"
          order={{ base: 2, lg: 0 }}
        >
          <Box padding="14px 16px 10px">
            <PageChoice siteId={siteId} pageId={pageId} pages={site.data?.pages ?? []} />
            <Box
              color="ink2"
              mt="8px"
              data-survey-answer={(found.data && !found.isPlaceholderData) || error ? pageId : undefined}
            >
              {found.isPending
                ? 'Looking for components…'
                : found.isError
                  ? 'The components of this page could not be worked out.'
                  : summary(components, shortCount)}
            </Box>
            <Button mt="6px" ml="-8px" variant="quiet" size="s" disabled={!opened.data} onClick={() => setAdding(true)}>
              <Plus aria-hidden="true" />
              Make one anew
            </Button>
          </Box>
          <FoundList
            components={components}
            active={active}
            busy={open.isPending}
            onPoint={(component) => {
              setActive(component);
              if (component) reveal(component);
            }}
            onPick={pick}
          />
        </Box>
        <Flex
          as="main"
          flex="1"
          minWidth="0"
          direction="column"
          padding={{ base: '12px', lg: '12px 18px 18px' }}
          gap="10px"
        >
          <Flex alignItems="center" gap="12px" flexWrap="wrap">
            <Box
              as="h1"
              fontSize="17px"
              fontWeight={650}
              mr="auto"
              minWidth="0"
              overflow="hidden"
              textOverflow="ellipsis"
              whiteSpace="nowrap"
            >
              {page.data?.name ?? 'Page'}
            </Box>
            <Segments label="Width of the page" value={viewport} choices={VIEWPORT_CHOICES} onChange={setViewport} />
          </Flex>
          <Hint id="survey">
            Each outline is a component. Red ones fall short of contrast in some state. Click one, here or in the list,
            to see all its states side by side.
          </Hint>
          {error ? <Notice tone="short">{error.message}</Notice> : null}
          {page.data ? <SetAside pageId={pageId} changes={page.data.version.changes} /> : null}
          {page.data?.version.notes.length ? <Notice>{page.data.version.notes.join(' ')}</Notice> : null}
          <Box ref={stage.ref} flex="1" minHeight={{ base: '460px', lg: '0' }} position="relative" overflow="hidden">
            {html.data ? (
              <Box
                position="absolute"
                left={`${stage.left}px`}
                top="0"
                width={`${stage.width * stage.scale}px`}
                height={`${stage.height * stage.scale}px`}
                bg="card"
                borderRadius="l"
                boxShadow="lift"
                overflow="hidden"
              >
                <SafeFrame
                  frameRef={frame}
                  html={html.data}
                  title="The page"
                  onLoad={() => setLoaded((count) => count + 1)}
                  style={{
                    width: stage.width,
                    height: stage.height,
                    transform: `scale(${stage.scale})`,
                    transformOrigin: '0 0',
                  }}
                />
                <OutlineLayer outlines={outlines} active={active} scale={stage.scale} />
              </Box>
            ) : error ? null : (
              <Busy>Opening the page</Busy>
            )}
          </Box>
        </Flex>
      </Flex>
      {adding && site.data && page.data ? (
        <AddComponent site={site.data} page={page.data} onClose={() => setAdding(false)} />
      ) : null}
    </Flex>
  );
}

function summary(components: readonly FoundWithChecks[], short: number): string {
  const count = components.length;
  if (!count) return 'No components were found on this page.';
  const counted = components.filter((item) => item.counted).length;
  if (counted < count) return `${count} components, ${counted} of them looked at so far, ${short} short of contrast`;
  const found = `${count} ${count === 1 ? 'component' : 'components'}`;
  return short ? `${found}, ${short} of them short of contrast` : `${found}, all with enough contrast`;
}
