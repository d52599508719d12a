import { Box } from '@chakra-ui/react';
import { Button } from '../../theme/Button';
import type { SaveState } from './look-saver';

const time = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });

/** Whether the work is safe, in the bar. */
export function SaveStatus({ state, onRetry }: { state: SaveState; onRetry: () => void }) {
  return (
    <Box
      as="span"
      role="status"
      display="inline-flex"
      whiteSpace="nowrap"
      alignItems="center"
      gap="8px"
      data-save={state.kind}
    >
      {words(state)}
      {state.kind === 'waiting' ? (
        <Button variant="bar" size="s" onClick={onRetry}>
          Try now
        </Button>
      ) : null}
    </Box>
  );
}

function words(state: SaveState): string {
  switch (state.kind) {
    case 'saved':
      return `Saved ${time.format(state.at)}`;
    case 'saving':
      return 'Saving…';
    case 'held':
      return 'Not saved yet: choose where it holds';
    case 'waiting':
      return 'Not saved yet: no answer. Trying again.';
    case 'refused':
      return 'Not saved';
    case 'conflict':
      return 'Not saved: there is a newer version';
  }
}
