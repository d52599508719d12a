import { QueryClient } from '@tanstack/react-query';
import { ProblemError } from './client';

/** What the server and the workers have answered, for all screens. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      refetchOnWindowFocus: false,
      // What the server refuses stays refused; a lost connection is tried again.
      retry: (tries, error) => !(error instanceof ProblemError) && tries < 3,
    },
  },
});
