import { Box, chakra, Input } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { FoundWithChecks } from '../engine/protocol';
import { Tally } from '../shell/Wedge';

const Item = chakra('button', {
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '8px',
    width: '100%',
    textAlign: 'left',
    padding: '5px 12px',
    cursor: 'pointer',
    _hover: { bg: '#eeeeec' },
    '&[aria-current]': { bg: 'card', boxShadow: 'inset 3px 0 {colors.accent}', fontWeight: 650 },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-2px' },
  },
});

/** The components of the page, one click apart. "/" goes to the search. */
export function Rail({
  components,
  currentSelector,
  currentKind,
  onPick,
}: {
  components: readonly FoundWithChecks[];
  currentSelector: string | undefined;
  currentKind: string;
  onPick: (component: FoundWithChecks) => void;
}) {
  const [search, setSearch] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const slash = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.key !== '/' || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
      event.preventDefault();
      field.current?.focus();
    };
    window.addEventListener('keydown', slash);
    return () => window.removeEventListener('keydown', slash);
  }, []);
  const wanted = search.trim().toLowerCase();
  const shown = components.filter(
    (item) => !wanted || `${item.name} ${item.selector} ${item.kind}`.toLowerCase().includes(wanted),
  );
  const regions = new Map<string, FoundWithChecks[]>();
  for (const component of shown) regions.set(component.region, [...(regions.get(component.region) ?? []), component]);
  return (
    <Box
      as="nav"
      aria-label="Components"
      bg="sheet"
      borderRight={{ lg: '1px solid {colors.line}' }}
      borderBottom={{ base: '1px solid {colors.line}', lg: 'none' }}
      py="10px"
      overflowY="auto"
      maxHeight={{ base: '180px', lg: 'none' }}
    >
      <Box px="10px" mb="6px">
        <Input
          ref={field}
          type="search"
          placeholder="Find a component  /"
          aria-label="Find a component"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && shown[0]) onPick(shown[0]);
            if (event.key === 'Escape') setSearch('');
          }}
        />
      </Box>
      {[...regions].map(([region, items]) => (
        <Box key={region}>
          <Box fontSize="11px" fontWeight={600} color="ink3" padding="8px 12px 4px">
            {region}
          </Box>
          {items.map((item) => (
            <Item
              key={`${item.kind} ${item.selector} ${item.elements[0]}`}
              type="button"
              aria-current={item.selector === currentSelector && item.kind === currentKind ? 'true' : undefined}
              onClick={() => onPick(item)}
            >
              <Box as="span" flex="1" minWidth="0" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
                {item.name}
              </Box>
              <Box as="span" fontSize="11.5px">
                <Tally short={item.short} unsure={item.unsure} />
              </Box>
            </Item>
          ))}
        </Box>
      ))}
      {components.length && !shown.length ? (
        <Box color="ink2" padding="8px 12px">
          Nothing is called “{search.trim()}”.
        </Box>
      ) : null}
    </Box>
  );
}
