import { Box } from '@chakra-ui/react';
import type { PageSummary } from '@retoque/contract';
import { useNavigate } from 'react-router';
import { surveyPath } from '../shell/paths';

/** Which page of the site is looked at. */
export function PageChoice({
  siteId,
  pageId,
  pages,
}: {
  siteId: string;
  pageId: string;
  pages: readonly PageSummary[];
}) {
  const navigate = useNavigate();
  return (
    <Box
      asChild
      width="100%"
      height="32px"
      px="7px"
      bg="card"
      border="1px solid {colors.edge}"
      borderRadius="m"
      fontWeight={600}
    >
      <select
        aria-label="Page"
        value={pageId}
        onChange={(event) => void navigate(surveyPath(siteId, event.target.value))}
      >
        {pages.map((page) => (
          <option key={page.id} value={page.id}>
            {page.name}
          </option>
        ))}
      </select>
    </Box>
  );
}
