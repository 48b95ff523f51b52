import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import { ChakraProvider } from '@chakra-ui/react';
import { StrictMode, Suspense, lazy } from 'react';
import type { ReactElement } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider, createBrowserRouter } from 'react-router';
import { registerSW } from 'virtual:pwa-register';
import { Shell } from './app/shell.js';
import { restoreTheme, system } from './app/theme/index.js';
import { Failed, Loading } from './parts/states.js';
import { FirstCamp } from './views/camp/first.js';

const GroundView = lazy(() => import('./views/ground/ground.js'));
const KitView = lazy(() => import('./views/kit/kit.js'));
const BenchView = lazy(() => import('./views/bench/bench.js').then((m) => ({ default: m.BenchView })));
const CampView = lazy(() => import('./views/camp/camp.js').then((m) => ({ default: m.CampView })));
const CampsView = lazy(() => import('./views/camp/camps.js'));
const CordView = lazy(() => import('./views/cord/cord.js'));
const WorkView = lazy(() => import('./views/work/work.js'));
const CardView = lazy(() => import('./views/card/card.js'));
const TyingView = lazy(() => import('./views/tying/tying.js'));
const KnotView = lazy(() => import('./views/tying/knot.js'));
const ClassView = lazy(() => import('./views/class/class.js'));
const PitchView = lazy(() => import('./views/class/pitch.js'));
const LiveView = lazy(() => import('./views/class/live.js'));
const JoinView = lazy(() => import('./views/class/join.js'));
const DrillsView = lazy(() => import('./views/drills/drills.js'));
const StartView = lazy(() => import('./views/start/start.js'));
const MeView = lazy(() => import('./views/me/me.js'));
const NetView = lazy(() => import('./views/net/net.js'));
const CautionsView = lazy(() => import('./views/cautions/cautions.js'));

restoreTheme();
// installed on the first visit, so that the next can be without a signal
registerSW({ immediate: true });
const waiting = <Loading what="the view" />;
const shown = (view: ReactElement): ReactElement => <Suspense fallback={waiting}>{view}</Suspense>;
const router = createBrowserRouter([
  // what a learner's phone sees: nothing of the rest is served there
  { path: 'class', element: shown(<JoinView />), errorElement: <Failed /> },
  {
    element: <Shell />,
    errorElement: <Failed />,
    children: [
      { index: true, element: <FirstCamp /> },
      { path: 'camps', element: shown(<CampsView />) },
      { path: 'camps/:campId', element: shown(<CampView />) },
      { path: 'camps/:campId/new', element: shown(<StartView />) },
      { path: 'camps/:campId/cord', element: shown(<CordView />) },
      { path: 'camps/:campId/drills', element: shown(<DrillsView />) },
      { path: 'camps/:campId/class', element: shown(<ClassView />) },
      { path: 'camps/:campId/live', element: shown(<LiveView />) },
      { path: 'camps/:campId/pitch', element: shown(<PitchView />) },
      { path: 'camps/:campId/card', element: shown(<CardView />) },
      { path: 'rigs/:rigId/card', element: shown(<CardView />) },
      { path: 'rigs/:rigId/work', element: shown(<WorkView />) },
      { path: 'rigs/:rigId/:step?', element: shown(<BenchView />) },
      { path: 'places/:placeId/:step?', element: shown(<GroundView />) },
      { path: 'tying', element: shown(<TyingView />) },
      { path: 'tying/:knotId', element: shown(<KnotView />) },
      { path: 'kit', element: shown(<KitView />) },
      { path: 'me', element: shown(<MeView />) },
      { path: 'net', element: shown(<NetView />) },
      { path: 'cautions', element: shown(<CautionsView />) },
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
