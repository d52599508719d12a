import { Box } from '@chakra-ui/react';
import type { PageSummary } from '@retoque/contract';

/** One of a site's pages. */
export function PageSelect({
  pages,
  value,
  onChange,
  width = '100%',
}: {
  pages: readonly PageSummary[];
  value: string | undefined;
  onChange: (pageId: string) => void;
  width?: string;
}) {
  return (
    <Box
      asChild
      {...{ width }}
      maxWidth="100%"
      height="32px"
      px="7px"
      bg="card"
      border="1px solid {colors.edge}"
      borderRadius="m"
      fontWeight={600}
    >
      <select aria-label="Page" value={value} onChange={(event) => onChange(event.target.value)}>
        {pages.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </Box>
  );
}
