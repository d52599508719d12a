import '@fontsource-variable/instrument-sans';
import '@fontsource/commit-mono/400.css';
import { ChakraProvider } from '@chakra-ui/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { ProblemError } from './api/client';
import { router } from './router';
import { startScheme } from './shell/scheme';
import { Toasts } from './shell/Toasts';
import { system } from './theme/system';

const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 30_000,
      refetchOnWindowFocus: false,
      // What the server refuses stays refused; a lost connection is tried again.
      retry: (tries, error) => !(error instanceof ProblemError) && tries < 3,
    },
  },
});

startScheme();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <ChakraProvider value={system}>
        <RouterProvider router={router} />
        <Toasts />
      </ChakraProvider>
    </QueryClientProvider>
  </StrictMode>,
);
