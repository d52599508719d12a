import { createBrowserRouter } from 'react-router';
import { RouteError } from './shell/RouteError';
import { SitesScreen } from './sites/SitesScreen';

export const router = createBrowserRouter([
  {
    errorElement: <RouteError />,
    children: [
      { path: '/', element: <SitesScreen /> },
      {
        path: '/sites/:siteId/pages/:pageId',
        lazy: async () => ({ Component: (await import('./survey/SurveyScreen')).SurveyScreen }),
      },
      {
        path: '/sites/:siteId/pages/:pageId/style/:componentId',
        lazy: async () => ({ Component: (await import('./style/StyleScreen')).StyleScreen }),
      },
      {
        path: '/sites/:siteId/pages/:pageId/handover/:componentId',
        lazy: async () => ({ Component: (await import('./handover/HandoverScreen')).HandoverScreen }),
      },
      { path: '*', element: <RouteError missing /> },
    ],
  },
]);
