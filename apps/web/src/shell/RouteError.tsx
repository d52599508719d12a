import { Box } from '@chakra-ui/react';
import { Link, useRouteError } from 'react-router';
import { AppBar } from './AppBar';
import { Button } from '../theme/Button';

/** What is shown when an address leads nowhere or a screen fails. */
export function RouteError({ missing = false }: { missing?: boolean }) {
  const error = useRouteError();
  return (
    <>
      <AppBar />
      <Box as="main" maxWidth="560px" mx="auto" mt="72px" px="20px">
        <Box as="h1" fontSize="20px" fontWeight={650} mb="6px">
          {missing ? 'There is nothing at this address' : 'This screen could not be shown'}
        </Box>
        <Box color="ink2" mb="18px">
          {missing
            ? 'It may have been moved or deleted.'
            : error instanceof Error
              ? error.message
              : 'Something unforeseen happened. What you saved is safe.'}
        </Box>
        <Button asChild variant="solid">
          <Link to="/">All sites</Link>
        </Button>
      </Box>
    </>
  );
}
