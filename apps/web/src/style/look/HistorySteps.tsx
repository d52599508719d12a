import { Box, chakra } from '@chakra-ui/react';
import { stepsToOpening, type History, type Step } from './history';

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

const when = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** The steps themselves, the newest first; one click goes back or forth to one. Those of earlier sittings say when they were. */
export default function HistorySteps({
  past,
  future,
  onGo,
}: Pick<History, 'past' | 'future'> & { onGo: (steps: number) => void }) {
  const toOpening = stepsToOpening({ past, future });
  const sitting = past.filter(({ savedAt }) => savedAt === undefined).length;
  const step = (own: Step, steps: number, key: string) => (
    <li key={key}>
      <Item
        type="button"
        data-later={steps > 0 ? '' : undefined}
        aria-current={steps === 0 && !(own.savedAt && toOpening === 0) ? 'step' : undefined}
        onClick={() => onGo(steps)}
      >
        {own.name}
        {steps > 0 || own.savedAt ? (
          <Box as="span" ml="auto" fontSize="11.5px" color="ink3" whiteSpace="nowrap">
            {own.savedAt ? when.format(new Date(own.savedAt)) : 'undone'}
          </Box>
        ) : null}
      </Item>
    </li>
  );
  const undone = future.map((own, i) => ({ own, steps: i + 1 })).reverse();
  const done = past.map((own, i) => ({ own, steps: i - past.length + 1 })).reverse();
  const isOfNow = ({ own }: { own: Step }) => own.savedAt === undefined;
  const isEarlier = ({ own }: { own: Step }) => own.savedAt !== undefined;
  return (
    <Box as="ol" listStyleType="none" maxHeight="60vh" overflowY="auto">
      {undone.filter(isOfNow).map(({ own, steps }) => step(own, steps, `later${steps}`))}
      {done.filter(isOfNow).map(({ own, steps }) => step(own, steps, `past${steps}`))}
      <li>
        <Item
          type="button"
          aria-current={!sitting && toOpening === 0 ? 'step' : undefined}
          onClick={() => onGo(toOpening)}
        >
          As it was opened
        </Item>
      </li>
      {undone.filter(isEarlier).map(({ own, steps }) => step(own, steps, `later${steps}`))}
      {done.filter(isEarlier).map(({ own, steps }) => step(own, steps, `past${steps}`))}
      {past[0]?.savedAt === undefined && future[0]?.savedAt === undefined ? null : (
        <li>
          <Item type="button" aria-current={past.length ? undefined : 'step'} onClick={() => onGo(-past.length)}>
            {past[0]?.look.settings.length ? 'As far back as this goes' : 'Before any change'}
          </Item>
        </li>
      )}
    </Box>
  );
}
