import {
  createRootRoute,
  createRoute,
  createRouter,
  lazyRouteComponent,
  notFound,
  Outlet,
  redirect,
  useMatchRoute,
  useParams,
} from '@tanstack/react-router';
import { useMoved, useSendTheRest } from '../api/hooks';
import { Board } from '../board/Board';
import { JobPage } from '../stations/JobPage';
import { AtTheLathe } from '../stations/cut/AtTheLathe';
import { Strip } from '../tablet/Strip';
import { useNewerWhenIdle } from '../tablet/useNewer';
import { Notices } from './Notices';
import { NotFound } from './NotFound';
import { isStation } from './stations';

/** Pages away from the lathe: fetched once the first page stands, so that it stands sooner. */
const AWAY = {
  part: lazyRouteComponent(() => import('../part/whole/PartPage'), 'PartPage'),
  route: lazyRouteComponent(() => import('../part/route/RoutePage'), 'RoutePage'),
  batch: lazyRouteComponent(() => import('../part/batch/BatchPage'), 'BatchPage'),
  paper: lazyRouteComponent(() => import('../part/paper/PaperPage'), 'PaperPage'),
  shop: lazyRouteComponent(() => import('../shop/ShopPage'), 'ShopPage'),
  lathe: lazyRouteComponent(() => import('../shop/LathePage'), 'LathePage'),
  network: lazyRouteComponent(() => import('../shop/network/NetworkPage'), 'NetworkPage'),
  instruments: lazyRouteComponent(() => import('../shop/instruments/InstrumentsPage'), 'InstrumentsPage'),
};

/** Fetches what was left out of the first paint: what is at hand opens whether the server still answers or not. */
export const fetchTheRest = () => Promise.all(Object.values(AWAY).map(page => page.preload?.()));

function Root() {
  useMoved(useParams({ strict: false }).id);
  useSendTheRest();
  useNewerWhenIdle(useMatchRoute()({ to: '/jobs/$id/at-the-lathe' }) !== false);
  return (
    <div className="screen">
      <Strip />
      <div className="screen-page">
        <Outlet />
      </div>
      <Notices />
    </div>
  );
}

const root = createRootRoute({ component: Root, notFoundComponent: NotFound });
const board = createRoute({ getParentRoute: () => root, path: '/', component: Board });
// A job's own address is its first station.
const bare = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id',
  beforeLoad: ({ params }) => {
    throw redirect({ to: '/jobs/$id/$station', params: { id: params.id, station: 'thread' } });
  },
});
const station = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/$station',
  beforeLoad: ({ params }) => {
    if (!isStation(params.station)) throw notFound();
  },
  component: JobPage,
});
const lathe = createRoute({ getParentRoute: () => root, path: '/jobs/$id/at-the-lathe', component: AtTheLathe });

const part = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/part',
  component: AWAY.part,
});
const route = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/route',
  component: AWAY.route,
});
const batch = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/batch',
  component: AWAY.batch,
});
const paper = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/paper',
  component: AWAY.paper,
});

const shop = createRoute({
  getParentRoute: () => root,
  path: '/shop',
  component: AWAY.shop,
});
const ownLathe = createRoute({
  getParentRoute: () => root,
  path: '/shop/lathes/$id',
  // What is asked of it stands in the address, so that a page opened again goes on there.
  validateSearch: (search: Record<string, unknown>): { ask?: string } =>
    typeof search['ask'] === 'string' ? { ask: search['ask'] } : {},
  component: AWAY.lathe,
});

const network = createRoute({
  getParentRoute: () => root,
  path: '/shop/network',
  component: AWAY.network,
});

const instruments = createRoute({
  getParentRoute: () => root,
  path: '/shop/lathes/$id/instruments',
  component: AWAY.instruments,
});

export const router = createRouter({
  defaultNotFoundComponent: NotFound,
  routeTree: root.addChildren([
    board,
    bare,
    shop,
    network,
    ownLathe,
    instruments,
    lathe,
    part,
    route,
    batch,
    paper,
    station,
  ]),
});

declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
