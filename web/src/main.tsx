import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import { ChakraProvider } from '@chakra-ui/react';
import { StrictMode, Suspense, lazy } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider, createBrowserRouter } from 'react-router';
import { Shell } from './app/shell.js';
import { restoreTheme, system } from './app/theme/index.js';
import './app/look.css';
import { Failed, Loading } from './parts/states.js';
import { BenchView } from './views/bench/bench.js';
import { CampView, FirstCamp } from './views/camp/camp.js';

const GroundView = lazy(() => import('./views/ground/ground.js'));
const KitView = lazy(() => import('./views/kit/kit.js'));
const MeView = lazy(() => import('./views/me/me.js'));
const NetView = lazy(() => import('./views/net/net.js'));
const CautionsView = lazy(() => import('./views/cautions/cautions.js'));

restoreTheme();
const waiting = <Loading what="the view" />;
const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Failed />,
    children: [
      { index: true, element: <FirstCamp /> },
      { path: 'camps/:campId', element: <CampView /> },
      { path: 'rigs/:rigId/:step?', element: <BenchView /> },
      {
        path: 'places/:placeId/:step?',
        element: (
          <Suspense fallback={waiting}>
            <GroundView />
          </Suspense>
        ),
      },
      {
        path: 'kit',
        element: (
          <Suspense fallback={waiting}>
            <KitView />
          </Suspense>
        ),
      },
      {
        path: 'me',
        element: (
          <Suspense fallback={waiting}>
            <MeView />
          </Suspense>
        ),
      },
      {
        path: 'net',
        element: (
          <Suspense fallback={waiting}>
            <NetView />
          </Suspense>
        ),
      },
      {
        path: 'cautions',
        element: (
          <Suspense fallback={waiting}>
            <CautionsView />
          </Suspense>
        ),
      },
      { path: '*', element: <FirstCamp /> },
    ],
  },
]);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <RouterProvider router={router} />
    </ChakraProvider>
  </StrictMode>,
);
