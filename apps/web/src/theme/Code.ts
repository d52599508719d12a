import { chakra } from '@chakra-ui/react';

/** CSS within a sentence. */
export const Code = chakra('span', { base: { fontFamily: 'mono', fontSize: '11.5px', overflowWrap: 'anywhere' } });
