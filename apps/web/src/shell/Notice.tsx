import { Box, Flex } from '@chakra-ui/react';
import { CircleAlert, Info } from 'lucide-react';
import type { ReactNode } from 'react';

/** A message that stays in its place until what it says has changed. */
export function Notice({
  tone = 'info',
  children,
  action,
}: {
  tone?: 'info' | 'short';
  children: ReactNode;
  action?: ReactNode;
}) {
  const short = tone === 'short';
  const Icon = short ? CircleAlert : Info;
  return (
    <Flex
      role={short ? 'alert' : 'status'}
      gap="10px"
      alignItems="flex-start"
      bg={short ? 'shortSoft' : 'accentSoft'}
      color={short ? 'shortInk' : 'accentInk'}
      borderRadius="m"
      padding="9px 12px"
    >
      <Box as="span" flexShrink={0} pt="1px">
        <Icon size={16} aria-hidden="true" />
      </Box>
      <Box flex="1" minWidth="0" maxHeight="40vh" overflowY="auto" overflowWrap="anywhere">
        {children}
      </Box>
      {action}
    </Flex>
  );
}
