import { Box, Flex } from '@chakra-ui/react';
import { Notice } from '../shell/Notice';
import { Button } from '../theme/Button';

/** Someone saved in between: nothing is overwritten, and nothing of one's own is lost. */
export function Conflict({ busy, onLoad, onKeepBoth }: { busy: boolean; onLoad: () => void; onKeepBoth: () => void }) {
  return (
    <Box padding="10px 14px 0">
      <Notice
        tone="short"
        action={
          <Flex gap="6px" flexShrink={0} flexWrap="wrap">
            <Button size="s" disabled={busy} onClick={onLoad}>
              Load the newer one
            </Button>
            <Button size="s" variant="solid" disabled={busy} onClick={onKeepBoth}>
              Keep both
            </Button>
          </Flex>
        }
      >
        A newer version was saved in another window. Keep both makes yours a trial of its own.
      </Notice>
    </Box>
  );
}
