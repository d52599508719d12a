import { createBrowserRouter } from 'react-router';
import { RouteError } from './shell/RouteError';

export const router = createBrowserRouter([
  {
    errorElement: <RouteError />,
    children: [
      { path: '/', lazy: async () => ({ Component: (await import('./sites/SitesScreen')).SitesScreen }) },
      {
        path: '/sites/:siteId/pages/:pageId',
        lazy: async () => ({ Component: (await import('./survey/SurveyScreen')).SurveyScreen }),
      },
      {
        path: '/sites/:siteId/pages/:pageId/style/:componentId',
        lazy: async () => ({ Component: (await import('./style/StyleScreen')).StyleScreen }),
      },
      {
        path: '/sites/:siteId/pages/:pageId/handover/:componentId?',
        lazy: async () => ({ Component: (await import('./handover/HandoverScreen')).HandoverScreen }),
      },
      {
        path: '/sites/:siteId/pages/:pageId/palette/:componentId?',
        lazy: async () => ({ Component: (await import('./palette/PaletteScreen')).PaletteScreen }),
      },
      { path: '*', element: <RouteError missing /> },
    ],
  },
]);
