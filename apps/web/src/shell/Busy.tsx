import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useState } from 'react';

const Bar = chakra('div', {
  base: {
    height: '3px',
    width: '160px',
    borderRadius: '2px',
    overflow: 'hidden',
    bg: 'line',
    position: 'relative',
    _after: {
      content: '""',
      position: 'absolute',
      insetBlock: 0,
      width: '40%',
      bg: 'accent',
      animation: 'slide 1.1s ease-in-out infinite',
    },
  },
});

/** Says what is going on; shown only when it takes long enough to be noticed. */
export function Busy({ children }: { children: string }) {
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), 200);
    return () => clearTimeout(timer);
  }, []);
  return (
    <Box
      role="status"
      display="grid"
      placeItems="center"
      gap="10px"
      padding="40px"
      color="ink2"
      visibility={late ? 'visible' : 'hidden'}
    >
      <Bar />
      {children}
    </Box>
  );
}
