import { Box } from '@chakra-ui/react';
import type { Cell } from '@retoque/core';

/** Where on the site the value comes from, and what it wins over. */
export function SiteSourceNote({ cell }: { cell: Cell }) {
  const { site } = cell;
  if (!site) return <Box color="ink2">Your site sets nothing here; the browser’s own value holds.</Box>;
  const over =
    site.beats === 0 ? '' : site.beats === 1 ? ', wins over 1 other rule' : `, wins over ${site.beats} other rules`;
  return (
    <Box color="ink2">
      {cell.from === 'look' ? 'Without your change, set on your site by' : 'Set on your site by'}
      <Box fontFamily="mono" fontSize="11.5px" color="ink" overflowWrap="anywhere" mt="2px">
        {site.selector}
      </Box>
      <Box fontFamily="mono" fontSize="11.5px">
        {site.inline ? 'style attribute' : site.sheet.includes(' ') ? site.sheet : `${site.sheet}:${site.line}`}
        {site.important ? ', !important' : ''}
        {over}
      </Box>
    </Box>
  );
}
