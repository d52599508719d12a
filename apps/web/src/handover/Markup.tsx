import { Box, Flex } from '@chakra-ui/react';
import type { PageChangeRecord } from '@retoque/contract';
import { behavioursNamed, cssFor, starterOf, type HandoverFile, type HtmlPatch } from '@retoque/core';
import { BlockButton } from './BlockButton';
import { CopyButton } from './CopyButton';

const WHERE: Readonly<Record<PageChangeRecord['place'], string>> = {
  before: 'in front of',
  after: 'behind',
  first: 'as the first thing in',
  last: 'as the last thing in',
  instead: 'in place of',
};

/** The HTML that goes with looks: components made anew, or worded otherwise, and where each belongs. */
export function Markup({ patches, files }: { patches: readonly HtmlPatch[]; files: readonly HandoverFile[] }) {
  if (!patches.length) return null;
  return (
    <Box as="section" mt="18px" aria-label="HTML">
      <Box as="h2" fontSize="15px" fontWeight={650}>
        The HTML
      </Box>
      {patches.map(({ page, change }, i) => (
        <Patch key={i} page={page.name} change={change as PageChangeRecord} css={cssFor(files, page.pageId)} />
      ))}
    </Box>
  );
}

function Patch({ page, change, css }: { page: string; change: PageChangeRecord; css: string }) {
  const needs = change.kind ? starterOf(change.kind)?.needs : undefined;
  return (
    <Box mb="12px">
      <Box color="ink2" fontSize="13px" mb="8px">
        On “{page}”: Put it {WHERE[change.place]} <code>{change.locator.selector}</code>
        {change.locator.text ? ` (“${change.locator.text.slice(0, 50)}”)` : ''}. {needs ?? ''}
      </Box>
      <Flex mb="8px" gap="8px" flexWrap="wrap">
        <CopyButton text={change.html} label="Copy the HTML" />
        <BlockButton html={change.html} css={css} behaviours={behavioursNamed(change.html)} />
      </Flex>
      <Box
        as="pre"
        tabIndex={0}
        aria-label="HTML to put on the page"
        bg="card"
        border="1px solid {colors.line}"
        borderRadius="l"
        padding="10px 14px"
        fontFamily="mono"
        fontSize="12.5px"
        whiteSpace="pre-wrap"
        overflowWrap="anywhere"
        maxHeight="280px"
        overflowY="auto"
      >
        {change.html}
      </Box>
    </Box>
  );
}
