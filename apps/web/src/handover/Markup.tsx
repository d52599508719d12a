import { Box, Flex } from '@chakra-ui/react';
import type { PageChangeRecord } from '@retoque/contract';
import { kindNamed } from '@retoque/core';
import { CopyButton } from './CopyButton';

const WHERE: Readonly<Record<PageChangeRecord['place'], string>> = {
  before: 'in front of',
  after: 'behind',
  first: 'as the first thing in',
  last: 'as the last thing in',
  instead: 'in place of',
};

/** The HTML that goes with a look: a component made anew, or one worded otherwise, and where it belongs. */
export function Markup({ change }: { change: PageChangeRecord }) {
  const needs = change.kind ? kindNamed(change.kind)?.starter.needs : undefined;
  return (
    <Box as="section" mt="16px" aria-label="HTML">
      <Box as="h2" fontSize="15px" fontWeight={650}>
        The HTML
      </Box>
      <Box color="ink2" fontSize="13px" mb="8px">
        Put it {WHERE[change.place]} <code>{change.locator.selector}</code>
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
