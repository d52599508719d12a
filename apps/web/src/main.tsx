// First of all, since it has the page read while all else is still being set up.
import { router } from './router';
import '@fontsource-variable/instrument-sans';
import '@fontsource/commit-mono/400.css';
import { ChakraProvider } from '@chakra-ui/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { queryClient } from './api/query-client';
import { startScheme } from './shell/scheme';
import { Toasts } from './shell/Toasts';
import { system } from './theme/system';

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
