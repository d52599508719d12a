import { Box, chakra } from '@chakra-ui/react';
import type { History } from './history';

const Item = chakra('button', {
  base: {
    display: 'flex',
    width: '100%',
    gap: '9px',
    alignItems: 'baseline',
    textAlign: 'left',
    padding: '4px 8px',
    borderRadius: 'm',
    cursor: 'pointer',
    _hover: { bg: 'lineSoft' },
    '&[data-later]': { color: 'ink3' },
    '&[aria-current]': { bg: 'accentSoft', fontWeight: 650 },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-2px' },
  },
});

/** The steps themselves, the newest first; one click goes back or forth to one. */
export default function HistorySteps({
  past,
  future,
  onGo,
}: Pick<History, 'past' | 'future'> & { onGo: (steps: number) => void }) {
  return (
    <Box as="ol" listStyleType="none">
      {future
        .map((step, i) => ({ step, i }))
        .reverse()
        .map(({ step, i }) => (
          <li key={`later${i}`}>
            <Item type="button" data-later="" onClick={() => onGo(i + 1)}>
              {step.name}
              <Box as="span" ml="auto" fontSize="11.5px">
                undone
              </Box>
            </Item>
          </li>
        ))}
      {past
        .map((step, i) => ({ step, i }))
        .reverse()
        .map(({ step, i }) => (
          <li key={`past${i}`}>
            <Item
              type="button"
              aria-current={i === past.length - 1 ? 'step' : undefined}
              onClick={() => onGo(i - past.length + 1)}
            >
              {step.name}
            </Item>
          </li>
        ))}
      <li>
        <Item type="button" aria-current={past.length ? undefined : 'step'} onClick={() => onGo(-past.length)}>
          As it was opened
        </Item>
      </li>
    </Box>
  );
}
