import { chakra } from '@chakra-ui/react';

/** A key as it stands on a keyboard. */
export const Keys = chakra('kbd', {
  base: {
    fontFamily: 'mono',
    fontSize: '11px',
    color: 'ink2',
    border: '1px solid {colors.line}',
    borderRadius: 's',
    padding: '0 5px',
    whiteSpace: 'nowrap',
  },
});
