import { Box, chakra } from '@chakra-ui/react';
import { kindNamed } from '@retoque/core';
import { Plus } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { PageSummary } from '@retoque/contract';
import { Button } from '../../theme/Button';
import { TallyMark } from '../../shell/TallyMark';
import type { SiteComponent } from '../site/useSiteComponents';
import { Input } from '../../theme/Input';

const Item = chakra('button', {
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '8px',
    width: '100%',
    textAlign: 'left',
    padding: '5px 12px',
    cursor: 'pointer',
    _hover: { bg: 'sheetHover' },
    '&[aria-current]': { bg: 'card', boxShadow: 'inset 3px 0 {colors.accent}', fontWeight: 650 },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-2px' },
  },
});

interface Group {
  readonly label: string;
  readonly items: readonly SiteComponent[];
}

/** The components of the site by the pages that they stand on: those of every page first. "/" goes to the search. */
export function Rail({
  components,
  pages,
  pending,
  currentSelector,
  currentKind,
  onPick,
  onAdd,
}: {
  components: readonly SiteComponent[];
  pages: readonly PageSummary[];
  /** How many pages are still being looked at. */
  pending: number;
  currentSelector: string | undefined;
  currentKind: string;
  onPick: (component: SiteComponent) => void;
  /** Makes one anew. */
  onAdd: () => void;
}) {
  const [search, setSearch] = useState('');
  const field = useRef<HTMLInputElement>(null);
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const slash = (event: globalThis.KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.key !== '/' || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
      event.preventDefault();
      field.current?.focus();
    };
    window.addEventListener('keydown', slash);
    return () => window.removeEventListener('keydown', slash);
  }, []);
  const words = search.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const shown = components.filter(({ found, pages: on }) => {
    const kind = kindNamed(found.kind)?.label ?? '';
    const text = `${found.name} ${found.selector} ${kind} ${on.map((page) => page.name).join(' ')}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const groups = groupByPage(shown, pages);
  const first = groups[0]?.items[0];

  const move = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (!step) return;
    const items = [...(list.current?.querySelectorAll<HTMLElement>('button') ?? [])];
    const at = items.indexOf(document.activeElement as HTMLElement);
    const next = items[Math.max(0, Math.min(items.length - 1, at + step))];
    if (!next) return;
    event.preventDefault();
    next.focus();
  };
  return (
    <Box
      as="nav"
      aria-label="Components"
      bg="sheet"
      borderRight={{ lg: '1px solid {colors.line}' }}
      borderBottom={{ base: '1px solid {colors.line}', lg: 'none' }}
      py="10px"
      position="relative"
      overflowY="auto"
      maxHeight={{ base: '180px', md: '150px', lg: 'none' }}
      onKeyDown={move}
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
            if (event.key === 'Enter' && first) onPick(first);
            if (event.key === 'Escape') setSearch('');
          }}
        />
      </Box>
      <div ref={list}>
        {groups.map(({ label, items }) => (
          <Box as="section" key={label} aria-label={label}>
            <Box
              fontSize="11px"
              fontWeight={600}
              color="ink3"
              padding="8px 12px 4px"
              overflow="hidden"
              textOverflow="ellipsis"
              whiteSpace="nowrap"
              title={label}
            >
              {label}
            </Box>
            {items.map((item) => {
              const { found } = item;
              const isCurrent = found.selector === currentSelector && found.kind === currentKind;
              return (
                <Item
                  key={`${found.kind} ${found.selector}`}
                  type="button"
                  aria-current={isCurrent ? 'true' : undefined}
                  title={`${kindNamed(found.kind)?.label ?? found.kind}: ${found.selector}`}
                  onClick={() => onPick(item)}
                >
                  <Box as="span" flex="1" minWidth="0" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
                    {found.name}
                  </Box>
                  <Box as="span" fontSize="11.5px">
                    <TallyMark tally={found} />
                  </Box>
                </Item>
              );
            })}
          </Box>
        ))}
      </div>
      {pending ? (
        <Box color="ink3" padding="8px 12px" fontSize="12px" role="status">
          Looking at {pending} more {pending === 1 ? 'page' : 'pages'}…
        </Box>
      ) : null}
      <Box padding="8px 10px 2px">
        <Button variant="quiet" size="s" onClick={onAdd} title="A button, a form, a notice …, put on this page">
          <Plus aria-hidden="true" />
          Add a component
        </Button>
      </Box>
      {components.length && !shown.length ? (
        <Box color="ink2" padding="8px 12px">
          Nothing is called “{search.trim()}”.
        </Box>
      ) : null}
    </Box>
  );
}

/** Short name of a page: the words before its site's, or Home for the first page of a site. */
function shortName(page: PageSummary): string {
  const path = URL.canParse(page.address) ? new URL(page.address).pathname : '';
  if (page.source === 'address' && /^\/(index\.html?)?$/.test(path)) return 'Home';
  return page.name.split(/[:|–—]\s+/)[0]?.trim() ?? page.name;
}

function groupByPage(components: readonly SiteComponent[], pages: readonly PageSummary[]): Group[] {
  const groups = new Map<string, SiteComponent[]>();
  const add = (label: string, item: SiteComponent) => groups.set(label, [...(groups.get(label) ?? []), item]);
  const total = pages.length;
  for (const item of components) {
    const n = item.pages.length;
    if (total > 1 && n === total) add('Every page', item);
    else if (n > 1) add(`${n} of ${total} pages`, item);
    else add(shortName(item.pages[0]!), item);
  }
  const order = [
    'Every page',
    ...Array.from({ length: total }, (_, i) => `${total - i} of ${total} pages`),
    ...pages.map(shortName),
  ];
  return [...groups]
    .sort(([a], [b]) => order.indexOf(a) - order.indexOf(b))
    .map(([label, items]) => ({ label, items }));
}
