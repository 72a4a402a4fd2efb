import { createRootRoute, createRoute, createRouter, notFound, Outlet, redirect } from '@tanstack/react-router';
import { useMoved } from '../api/hooks';
import { Board } from '../board/Board';
import { JobPage } from '../stations/JobPage';
import { BatchPage } from '../part/batch/BatchPage';
import { PaperPage } from '../part/paper/PaperPage';
import { RoutePage } from '../part/route/RoutePage';
import { AtTheLathe } from '../stations/cut/AtTheLathe';
import { LathePage } from '../shop/LathePage';
import { ShopPage } from '../shop/ShopPage';
import { NotFound } from './NotFound';
import { isStation } from './stations';

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

const route = createRoute({ getParentRoute: () => root, path: '/jobs/$id/route', component: RoutePage });
const batch = createRoute({ getParentRoute: () => root, path: '/jobs/$id/batch', component: BatchPage });
const paper = createRoute({ getParentRoute: () => root, path: '/jobs/$id/paper', component: PaperPage });

const shop = createRoute({ getParentRoute: () => root, path: '/shop', component: ShopPage });
const ownLathe = createRoute({ getParentRoute: () => root, path: '/shop/lathes/$id', component: LathePage });

export const router = createRouter({
  defaultNotFoundComponent: NotFound,
  routeTree: root.addChildren([board, bare, shop, ownLathe, lathe, route, batch, paper, station]),
});

declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
