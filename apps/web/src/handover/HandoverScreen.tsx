import { Box, Flex } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { useParams } from 'react-router';
import { componentQuery, componentsQuery, pageQuery, siteQuery } from '../api/queries';
import { siteAssetsQuery } from '../assets/queries';
import { engine, useOpenedPage } from '../engine/engine';
import type { HandoverAnswer } from '../engine/protocol';
import { AppBar } from '../shell/AppBar';
import { Busy } from '../shell/Busy';
import { Notice } from '../shell/Notice';
import { handoverPath, stylePath, surveyPath } from '../shell/paths';
import { keptLooks } from '../style/kept';
import { changeHolding } from '../anew/change-of';
import { CopyButton } from './CopyButton';
import { Files } from './Files';
import { Markup } from './Markup';
import { useSiteFiles } from '../style/useSiteFiles';
import { useDocumentTitle } from '../shell/useDocumentTitle';
import { Button } from '../theme/Button';

const CssView = lazy(() => import('./CssView'));

/** The CSS of a component's look, proven, ready to be taken home. */
export function HandoverScreen() {
  const { siteId = '', pageId = '', componentId = '' } = useParams();
  const site = useQuery(siteQuery(siteId));
  const page = useQuery(pageQuery(pageId));
  const component = useQuery({ ...componentQuery(componentId), staleTime: 0, refetchOnMount: 'always' });
  const kept = useQuery(componentsQuery(siteId));
  const assets = useQuery(siteAssetsQuery(siteId));
  const files = useSiteFiles(siteId);
  const opened = useOpenedPage(page.data);
  useDocumentTitle('Hand over', component.data?.name);
  const trial = component.data?.trials.find((item) => item.id === component.data.currentTrialId);
  const versionId = opened.data?.versionId;
  const handover = useQuery({
    queryKey: ['engine', 'handover', versionId, componentId, trial?.look, files],
    enabled:
      versionId !== undefined &&
      trial !== undefined &&
      site.data !== undefined &&
      kept.data !== undefined &&
      files !== undefined &&
      !component.isFetching,
    retry: false,
    queryFn: () =>
      engine().handover(
        {
          versionId: versionId!,
          pageId,
          kind: component.data!.kind,
          locator: component.data!.locator,
          parts: trial!.look.parts,
          bounds: site.data!.bounds,
          others: keptLooks(kept.data!),
        },
        trial!.look,
        component.data!.name,
      ),
  });
  const answer = handover.data;
  const named = (assets.data ?? []).filter(({ address }) =>
    `${handover.data?.css}${handover.data?.pageCss}`.includes(address),
  );
  const change = component.data && changeHolding(page.data?.version.changes ?? [], component.data.locator.selector);
  const css = answer && [change?.css, answer.css].filter(Boolean).join('\n\n');
  const error = site.error ?? page.error ?? component.error ?? opened.error ?? handover.error;
  return (
    <Flex direction="column" minHeight="100%">
      <AppBar
        site={site.data?.name}
        steps={[
          { label: 'Survey', to: surveyPath(siteId, pageId) },
          { label: 'Style', to: stylePath(siteId, pageId, componentId) },
          { label: 'Hand over', to: handoverPath(siteId, pageId, componentId) },
        ]}
      />
      <Box as="main" width="100%" maxWidth="980px" mx="auto" px={{ base: '14px', md: '28px' }} py="28px">
        <Box as="h1" fontSize="22px" fontWeight={650} letterSpacing="-0.01em">
          Hand over {component.data ? `“${component.data.name}”` : ''}
        </Box>
        {error ? (
          <Box mt="14px">
            <Notice tone="short">{error.message}</Notice>
          </Box>
        ) : !answer ? (
          <Busy>Writing the CSS and proving it</Busy>
        ) : !css && !answer.pageCss && !change ? (
          <Box mt="14px">
            <Notice>Nothing is changed yet. Set a value on the Style screen, and its CSS appears here.</Notice>
          </Box>
        ) : (
          <>
            <Box color="ink2" fontSize="14px" mt="4px" mb="16px" maxWidth="64ch">
              Add this at the end of your site’s own CSS, or as a stylesheet after all others.
            </Box>
            <Proof answer={answer} />
            <Files files={named} />
            {change ? <Markup change={change} /> : null}
            {css ? (
              <Code
                title={answer.pageCss ? 'For every page' : change ? 'The CSS' : undefined}
                css={css}
                file={fileName(component.data!.name)}
              />
            ) : null}
            {answer.pageCss ? (
              <Code
                title={`For “${page.data!.name}” alone, after the other`}
                css={answer.pageCss}
                file={fileName(`${component.data!.name} ${page.data!.name}`)}
              />
            ) : null}
          </>
        )}
      </Box>
    </Flex>
  );
}

function Code({ title, css, file }: { title: string | undefined; css: string; file: string }) {
  return (
    <Box as="section" mt="16px">
      {title ? (
        <Box as="h2" fontSize="15px" fontWeight={650} mb="8px">
          {title}
        </Box>
      ) : null}
      <Flex gap="8px" mb="10px">
        <CopyButton text={css} label="Copy the CSS" />
        <Button onClick={() => download(css, file)}>
          <Download aria-hidden="true" />
          Download {file}
        </Button>
      </Flex>
      <Box border="1px solid {colors.line}" borderRadius="l" overflow="hidden" bg="card">
        <Suspense fallback={<Busy>Opening the CSS</Busy>}>
          <CssView css={css} />
        </Suspense>
      </Box>
    </Box>
  );
}

function Proof({ answer }: { answer: HandoverAnswer }) {
  const values = answer.compared.toLocaleString();
  if (!answer.failures.length && !answer.unbeatable.length) {
    return (
      <Notice>
        <strong>Proven on this page.</strong> {values} values were compared, in every state and in {answer.widths}{' '}
        ranges of width and colour scheme: your site shows with this CSS what you see here.
      </Notice>
    );
  }
  return (
    <Notice tone="short">
      <strong>This CSS does not win everywhere.</strong>
      <Box as="ul" pl="18px" mt="4px">
        {answer.unbeatable.map((item) => (
          <li key={`${item.selector} ${item.property}`}>
            {item.property}: {item.selector} ({item.sheet}:{item.line}) is !important in a layer or a style attribute,
            which no rule can beat. Change it there.
          </li>
        ))}
        {answer.failures.slice(0, 5).map((item) => (
          <li key={`${item.property} ${item.state} ${item.got}`}>
            {item.property}, {item.state}: should be {item.wanted}, would be {item.got}.
          </li>
        ))}
      </Box>
    </Notice>
  );
}

const fileName = (name: string) =>
  `${
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'component'
  }.css`;

function download(css: string, name: string): void {
  const url = URL.createObjectURL(new Blob([css], { type: 'text/css' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
