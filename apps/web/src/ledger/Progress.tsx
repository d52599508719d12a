import { Box } from '@chakra-ui/react';

/** How far something has come, in words and as a bar. */
export function Progress({ words, done, of }: { words: string; done: number; of: number }) {
  return (
    <Box role="status" color="ink2" fontSize="12.5px">
      {words}
      {of ? ` ${done} of ${of}` : ''}
      <Box
        as="progress"
        {...{ max: of || 1, value: done }}
        aria-label={words}
        display="block"
        width="100%"
        mt="6px"
        css={{ accentColor: '{colors.accent}' }}
      />
    </Box>
  );
}
