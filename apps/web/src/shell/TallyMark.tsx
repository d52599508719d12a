import { Box } from '@chakra-ui/react';
import type { Tally } from '@retoque/core';
import { counted } from './counted';
import { VisuallyHidden, Wedge } from './Wedge';

/** How the states of something came out: a tick only where every state that is measured passes. */
export function TallyMark({ tally: { short, unsure, unseen, passes } }: { tally: Tally }) {
  if (short) {
    const words = counted(short, 'state fails', 'states fail');
    return (
      <Box as="span" display="inline-flex" gap="4px" alignItems="center" color="short" fontWeight={650} title={words}>
        <Wedge />
        {short}
        <VisuallyHidden> {short === 1 ? 'state fails' : 'states fail'}</VisuallyHidden>
      </Box>
    );
  }
  if (unsure) return <Mark sign="?" words={`${counted(unsure, 'state')} unsure`} isSure={false} />;
  if (unseen)
    return <Mark sign="○" words={`${counted(unseen, 'part')} not measured: not shown on this page`} isSure={false} />;
  return passes ? (
    <Mark sign="✓" words="every state passes" isSure />
  ) : (
    <Mark sign="–" words="nothing to measure" isSure />
  );
}

function Mark({ sign, words, isSure }: { sign: string; words: string; isSure: boolean }) {
  return (
    <Box as="span" color={isSure ? 'ink3' : 'unsure'} fontWeight={isSure ? undefined : 650} title={words}>
      <span aria-hidden="true">{sign}</span>
      <VisuallyHidden> {words}</VisuallyHidden>
    </Box>
  );
}
