import { Box, Flex } from '@chakra-ui/react';
import type { RefObject } from 'react';
import { Segments } from '../../shell/Segments';
import { Button } from '../../theme/Button';
import { Input } from '../../theme/Input';

export type BenchTab = 'values' | 'checks';

/** Above the sheet: a search for properties, where one is editing, and what else can be done. */
export function SheetBar({
  tab,
  field,
  search,
  nothing,
  where,
  isBase,
  onTab,
  onSearch,
  onLeave,
  onDialog,
}: {
  tab: BenchTab;
  field: RefObject<HTMLInputElement | null>;
  search: string;
  /** The search finds no property. */
  nothing: boolean;
  /** Where one is editing, in words. */
  where: string;
  isBase: boolean;
  onTab: (tab: BenchTab) => void;
  onSearch: (text: string) => void;
  onLeave: () => void;
  onDialog: (dialog: 'commands' | 'keys') => void;
}) {
  return (
    <Flex
      gap="8px"
      padding="7px 9px"
      alignItems="center"
      flexWrap={{ base: 'wrap', lg: 'nowrap' }}
      borderTop="1px solid {colors.line}"
    >
      <Segments
        label="What is shown below"
        value={tab}
        choices={[
          { value: 'values', label: 'Values' },
          {
            value: 'checks',
            label: 'Checks',
            hint: 'Everything that is asked, and fixes for what fails',
          },
        ]}
        onChange={onTab}
      />
      {tab === 'values' ? (
        <Input
          ref={field}
          type="search"
          width="200px"
          height="28px"
          placeholder="Find a property"
          aria-label="Find a property"
          value={search}
          onChange={(event) => onSearch(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') onSearch('');
            if (event.key === 'Enter') onLeave();
          }}
        />
      ) : null}
      {nothing && tab === 'values' ? (
        <Box role="status" color="ink2">
          No property is called “{search.trim()}”.
        </Box>
      ) : null}
      <Box
        color={isBase ? 'ink2' : 'accent'}
        fontWeight={isBase ? 400 : 650}
        ml={{ base: '0', lg: 'auto' }}
        width={{ base: '100%', lg: 'auto' }}
        order={{ base: -1, lg: 0 }}
        data-testid="editing-place"
      >
        {where}
      </Box>
      <Button
        variant="quiet"
        size="s"
        title="Everything that can be done here (.)"
        onClick={() => onDialog('commands')}
      >
        Commands
      </Button>
      <Button variant="quiet" size="s" title="Keys (?)" onClick={() => onDialog('keys')}>
        Keys
      </Button>
    </Flex>
  );
}
