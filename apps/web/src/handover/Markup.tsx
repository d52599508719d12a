import { Box, Flex } from '@chakra-ui/react';
import type { PageChangeRecord } from '@retoque/contract';
import { starterOf, type HtmlPatch } from '@retoque/core';
import { CopyButton } from './CopyButton';

const WHERE: Readonly<Record<PageChangeRecord['place'], string>> = {
  before: 'in front of',
  after: 'behind',
  first: 'as the first thing in',
  last: 'as the last thing in',
  instead: 'in place of',
};

/** The HTML that goes with looks: components made anew, or worded otherwise, and where each belongs. */
export function Markup({ patches }: { patches: readonly HtmlPatch[] }) {
  if (!patches.length) return null;
  return (
    <Box as="section" mt="18px" aria-label="HTML">
      <Box as="h2" fontSize="15px" fontWeight={650}>
        The HTML
      </Box>
      {patches.map(({ page, change }, i) => (
        <Patch key={i} page={page.name} change={change as PageChangeRecord} />
      ))}
    </Box>
  );
}

function Patch({ page, change }: { page: string; change: PageChangeRecord }) {
  const needs = change.kind ? starterOf(change.kind)?.needs : undefined;
  return (
    <Box mb="12px">
      <Box color="ink2" fontSize="13px" mb="8px">
        On “{page}”: Put it {WHERE[change.place]} <code>{change.locator.selector}</code>
        {change.locator.text ? ` (“${change.locator.text.slice(0, 50)}”)` : ''}. {needs ?? ''}
      </Box>
      <Flex mb="8px">
        <CopyButton text={change.html} label="Copy the HTML" />
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
