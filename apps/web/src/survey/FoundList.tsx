import { Box, chakra } from '@chakra-ui/react';
import { kindNamed } from '@retoque/core';
import { useRef, useState, type KeyboardEvent } from 'react';
import type { FoundWithChecks } from '../engine/protocol';
import { TallyMark } from '../shell/TallyMark';
import { Button } from '../theme/Button';

/** Rows that are drawn; further ones on request. */
const SHOWN_AT_ONCE = 300;

const Row = chakra('button', {
  base: {
    display: 'grid',
    gridTemplateColumns: '1fr auto',
    columnGap: '10px',
    width: '100%',
    textAlign: 'left',
    padding: '7px 16px 8px',
    cursor: 'pointer',
    _hover: { bg: 'card' },
    '&[data-active]': { bg: 'card', boxShadow: 'inset 3px 0 {colors.accent}' },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-2px' },
  },
});

/** The found components by where they stand; arrow keys move, Enter opens. */
export function FoundList({
  components,
  active,
  busy,
  onPoint,
  onPick,
}: {
  components: readonly FoundWithChecks[];
  active: FoundWithChecks | undefined;
  busy: boolean;
  onPoint: (component: FoundWithChecks | undefined) => void;
  onPick: (component: FoundWithChecks) => void;
}) {
  const list = useRef<HTMLDivElement>(null);
  const [most, setMost] = useState(SHOWN_AT_ONCE);
  const regions = new Map<string, FoundWithChecks[]>();
  for (const component of components.slice(0, most))
    regions.set(component.region, [...(regions.get(component.region) ?? []), component]);

  const move = (event: KeyboardEvent) => {
    const steps: Readonly<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1 };
    const step = steps[event.key];
    const rows = [...(list.current?.querySelectorAll('button') ?? [])];
    if (!rows.length || (step === undefined && event.key !== 'Home' && event.key !== 'End')) return;
    event.preventDefault();
    const at = rows.indexOf(document.activeElement as HTMLButtonElement);
    const next = event.key === 'Home' ? 0 : event.key === 'End' ? rows.length - 1 : at + step!;
    rows[Math.max(0, Math.min(rows.length - 1, next))]!.focus();
  };

  return (
    <Box ref={list} flex="1" position="relative" overflowY="auto" pb="16px" onKeyDown={move} aria-busy={busy}>
      {[...regions].map(([region, items]) => (
        <Box as="section" key={region} aria-label={region}>
          <Box as="h2" fontSize="11px" fontWeight={600} color="ink3" padding="10px 16px 3px">
            {region}
          </Box>
          {items.map((component) => (
            <Row
              key={`${component.kind} ${component.selector} ${component.elements[0]}`}
              type="button"
              data-active={active?.selector === component.selector && active.kind === component.kind ? '' : undefined}
              onFocus={() => onPoint(component)}
              onPointerEnter={() => onPoint(component)}
              onPointerLeave={() => onPoint(undefined)}
              onClick={() => onPick(component)}
            >
              <Box as="span" fontWeight={550} overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
                {component.name}
              </Box>
              <Box as="span" fontSize="12px">
                {component.counted ? <TallyMark tally={component} /> : '…'}
              </Box>
              <Box as="span" color="ink3" fontSize="12px" gridColumn="1 / -1" display="flex" gap="8px" minWidth="0">
                <Box as="span" flexShrink={0}>
                  {countWords(component)}
                </Box>
                <Box
                  as="span"
                  fontFamily="mono"
                  fontSize="11px"
                  overflow="hidden"
                  textOverflow="ellipsis"
                  whiteSpace="nowrap"
                >
                  {component.selector}
                </Box>
              </Box>
            </Row>
          ))}
        </Box>
      ))}
      {components.length > most ? (
        <Button variant="quiet" size="s" ml="8px" mt="8px" onClick={() => setMost(most + SHOWN_AT_ONCE)}>
          Show more of the other {(components.length - most).toLocaleString()}
        </Button>
      ) : null}
    </Box>
  );
}

const countWords = ({ kind, elements, reach }: FoundWithChecks): string => {
  const n = elements.length;
  const known = kindNamed(kind);
  const noun = n === 1 ? (known?.label.toLowerCase() ?? kind) : (known?.plural ?? kind);
  return reach > n ? `${n} ${noun} of ${reach} matches` : `${n} ${noun}`;
};
