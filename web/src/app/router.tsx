import {
  createRootRoute,
  createRoute,
  createRouter,
  lazyRouteComponent,
  notFound,
  Outlet,
  redirect,
} from '@tanstack/react-router';
import { useMoved } from '../api/hooks';
import { Board } from '../board/Board';
import { JobPage } from '../stations/JobPage';
import { AtTheLathe } from '../stations/cut/AtTheLathe';
import { NotFound } from './NotFound';
import { isStation } from './stations';

/** Pages away from the lathe: fetched once the first page stands, so that it stands sooner. */
const AWAY = {
  route: () => import('../part/route/RoutePage'),
  batch: () => import('../part/batch/BatchPage'),
  paper: () => import('../part/paper/PaperPage'),
  shop: () => import('../shop/ShopPage'),
  lathe: () => import('../shop/LathePage'),
};

/** Fetches what was left out of the first paint: what is at hand opens whether the server still answers or not. */
export const fetchTheRest = () => Promise.all(Object.values(AWAY).map(fetch => fetch()));

function Root() {
  useMoved();
  return <Outlet />;
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

const route = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/route',
  component: lazyRouteComponent(AWAY.route, 'RoutePage'),
});
const batch = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/batch',
  component: lazyRouteComponent(AWAY.batch, 'BatchPage'),
});
const paper = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/paper',
  component: lazyRouteComponent(AWAY.paper, 'PaperPage'),
});

const shop = createRoute({
  getParentRoute: () => root,
  path: '/shop',
  component: lazyRouteComponent(AWAY.shop, 'ShopPage'),
});
const ownLathe = createRoute({
  getParentRoute: () => root,
  path: '/shop/lathes/$id',
  component: lazyRouteComponent(AWAY.lathe, 'LathePage'),
});

export const router = createRouter({
  defaultNotFoundComponent: NotFound,
  routeTree: root.addChildren([board, bare, shop, ownLathe, lathe, route, batch, paper, station]),
});

declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
