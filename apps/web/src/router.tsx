import { createBrowserRouter, type LoaderFunctionArgs, type ShouldRevalidateFunctionArgs } from 'react-router';
import { queryClient } from './api/query-client';
import { beginComponent, beginPage } from './measuring/begin-page';
import { RouteError } from './shell/RouteError';

/** Nothing waits for it: the screens ask for what they show themselves. */
function loader({ params }: LoaderFunctionArgs): null {
  void beginPage(queryClient, params.siteId!, params.pageId!);
  return null;
}

function styleLoader(args: LoaderFunctionArgs): null {
  beginComponent(queryClient, args.params.componentId!);
  return loader(args);
}

/** What is being edited is not asked for again, whatever else of the address is another. */
const isOtherComponent = ({ currentParams, nextParams }: ShouldRevalidateFunctionArgs): boolean =>
  currentParams.componentId !== nextParams.componentId;

export const router = createBrowserRouter([
  {
    errorElement: <RouteError />,
    children: [
      { path: '/', lazy: async () => ({ Component: (await import('./sites/SitesScreen')).SitesScreen }) },
      {
        path: '/sites/:siteId/pages/:pageId',
        loader,
        lazy: async () => ({ Component: (await import('./survey/SurveyScreen')).SurveyScreen }),
      },
      {
        path: '/sites/:siteId/pages/:pageId/style/:componentId',
        loader: styleLoader,
        shouldRevalidate: isOtherComponent,
        lazy: async () => ({ Component: (await import('./style/StyleScreen')).StyleScreen }),
      },
      {
        path: '/sites/:siteId/pages/:pageId/handover/:componentId?',
        loader,
        lazy: async () => ({ Component: (await import('./handover/HandoverScreen')).HandoverScreen }),
      },
      {
        path: '/sites/:siteId/pages/:pageId/palette/:componentId?',
        loader,
        lazy: async () => ({ Component: (await import('./palette/PaletteScreen')).PaletteScreen }),
      },
      { path: '*', element: <RouteError missing /> },
    ],
  },
]);
