import { Box, Flex } from '@chakra-ui/react';
import { NO_TALLY, type ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { MousePointerClick, Plus, RefreshCw } from 'lucide-react';
import { useCallback, useMemo, useRef, useState } from 'react';
import { late } from '../shell/late';
import { useParams } from 'react-router';
import { componentsNow, pageQuery, siteQuery, useRefreshPage } from '../api/queries';
import { engine, useOpenedPage } from '../engine/engine';
import type { FoundWithChecks } from '../engine/protocol';
import { SafeFrame } from '../frame/SafeFrame';
import { AppBar } from '../shell/AppBar';
import { Busy } from '../shell/Busy';
import { Hint } from '../shell/Hint';
import { Notice } from '../shell/Notice';
import { Segments } from '../shell/Segments';
import { stepsOf } from '../shell/steps';
import { tellProblem, toaster } from '../shell/toasts';
import { useDocumentTitle } from '../shell/useDocumentTitle';
import { useStage } from '../shell/useStage';
import { VIEWPORT_CHOICES } from '../shell/viewports';
import { FoundList } from './FoundList';
import { OutlineLayer } from './OutlineLayer';
import { PageChoice } from './PageChoice';
import { SetAside } from './SetAside';
import { summaryOf } from './summary';
import { withLooks } from '../style/site/with-looks';
import { useFound } from './useFound';
import { useOutlines } from './useOutlines';
import { useSurveyMeasuring } from './useSurveyMeasuring';
import { useTaking } from './useTaking';
import { useWornCss } from './useWornCss';
import { Button } from '../theme/Button';

const AddComponent = late(() => import('../anew/AddComponent'));
const TakeMenu = late(() => import('./TakeMenu'));
const ElementTree = late(() => import('./ElementTree'), <Busy>Reading the page</Busy>);

const NONE: readonly FoundWithChecks[] = [];

/** A page with its components outlined; picking one opens it in every state. */
export function SurveyScreen() {
  const { siteId = '', pageId = '' } = useParams();
  const site = useQuery(siteQuery(siteId));
  const page = useQuery(pageQuery(pageId));
  const kept = useQuery(componentsNow(siteId));
  const opened = useOpenedPage(page.data);
  const versionId = opened.data?.versionId;
  useDocumentTitle(page.data?.name, site.data?.name);

  const html = useQuery({
    queryKey: ['engine', 'live', versionId],
    enabled: versionId !== undefined,
    staleTime: Infinity,
    queryFn: () => engine().liveFrame(versionId!),
  });
  const found = useFound(siteId, versionId, pageId, site.data, kept.data);
  const components = found.data ?? NONE;
  const measuring = useSurveyMeasuring(pageId, versionId, found.data !== undefined && !found.isPlaceholderData);
  const hasLooks = withLooks(kept.data ?? []).length > 0;

  const [viewport, setViewport] = useState<ViewportName>('wide');
  const [active, setActive] = useState<FoundWithChecks>();
  const [loaded, setLoaded] = useState(0);
  const [worn, setWorn] = useState(0);
  const onShown = useCallback(() => setWorn((count) => count + 1), []);
  const [adding, setAdding] = useState(false);
  const frame = useRef<HTMLIFrameElement>(null);
  const [list, setList] = useState<'components' | 'elements'>('components');
  const [aimed, setAimed] = useState<number>();
  const taking = useTaking(siteId, pageId);
  const { proposed } = taking;

  // What is proposed is outlined as if it had been found.
  const shown = useMemo(
    () => (proposed ? [...components, { ...proposed, ...NO_TALLY, counted: false }] : components),
    [components, proposed],
  );
  const { outlines, aim, reveal } = useOutlines(frame, loaded + worn, shown, aimed, taking.click, setActive);
  const stage = useStage(viewport);
  useWornCss(frame, loaded, siteId, versionId, site.data, kept.data, onShown);
  const refresh = useRefreshPage(pageId);

  const error = page.error ?? site.error ?? opened.error ?? found.error ?? html.error;
  return (
    <Flex direction="column" height={{ base: 'auto', lg: '100%' }} minHeight="100%">
      <AppBar site={site.data?.name} steps={stepsOf(siteId, pageId, undefined, hasLooks)}>
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
                  : summaryOf(components)}
            </Box>
            <Button mt="6px" ml="-8px" variant="quiet" size="s" disabled={!opened.data} onClick={() => setAdding(true)}>
              <Plus aria-hidden="true" />
              Add a component
            </Button>
          </Box>
          <Box padding="0 16px 8px">
            <Segments
              label="What is listed"
              value={list}
              choices={[
                { value: 'components', label: 'Components' },
                { value: 'elements', label: 'All elements' },
              ]}
              onChange={setList}
            />
          </Box>
          {list === 'elements' && versionId !== undefined ? (
            <ElementTree
              versionId={versionId}
              onPoint={(order) => {
                setAimed(order);
                if (order !== undefined) reveal([order]);
              }}
              onTake={(order, { left, bottom }) => taking.ask({ order, x: left + 24, y: bottom })}
            />
          ) : (
            <FoundList
              components={components}
              active={active}
              busy={taking.busy}
              onPoint={(component) => {
                setActive(component);
                if (component) reveal(component.elements);
              }}
              onPick={(component) => taking.take(component)}
            />
          )}
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
            <Button
              size="s"
              aria-pressed={taking.anything}
              variant={taking.anything ? 'solid' : undefined}
              title="Every click asks what to take: the component, the element itself, or what holds it"
              onClick={() => taking.setAnything(!taking.anything)}
            >
              <MousePointerClick aria-hidden="true" />
              Point at anything
            </Button>
            <Segments label="Width of the page" value={viewport} choices={VIEWPORT_CHOICES} onChange={setViewport} />
          </Flex>
          <Hint id="survey">
            Each outline is a component. Red ones fail on contrast in some state. Click one, here or in the list, to see
            all its states side by side. A click on anything else asks what to take.
          </Hint>
          {error ? <Notice tone="short">{error.message}</Notice> : null}
          {measuring.failure ? (
            <Notice tone="short">
              The page could not be laid out, so figures that need it are unsure. {measuring.failure}
            </Notice>
          ) : null}
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
                <OutlineLayer outlines={outlines} active={proposed ?? active} aim={aim} scale={stage.scale} />
              </Box>
            ) : error ? null : (
              <Busy>Opening the page</Busy>
            )}
          </Box>
        </Flex>
      </Flex>
      {measuring.frame}
      {taking.asked && versionId !== undefined ? (
        <TakeMenu
          key={`${taking.asked.order} ${taking.asked.x} ${taking.asked.y}`}
          versionId={versionId}
          at={taking.asked}
          busy={taking.busy}
          onPoint={taking.setProposed}
          onTake={(takeable) => taking.take(takeable, taking.asked?.order)}
          onClose={taking.close}
        />
      ) : null}
      {adding && site.data && page.data ? (
        <AddComponent site={site.data} page={page.data} onClose={() => setAdding(false)} />
      ) : null}
    </Flex>
  );
}
