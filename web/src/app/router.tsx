import { createRootRoute, createRoute, createRouter, Outlet, redirect } from '@tanstack/react-router';
import { useMoved } from '../api/hooks';
import { Board } from '../board/Board';
import { JobPage } from '../stations/JobPage';
import { BatchPage } from '../part/batch/BatchPage';
import { PaperPage } from '../part/paper/PaperPage';
import { RoutePage } from '../part/route/RoutePage';
import { AtTheLathe } from '../stations/cut/AtTheLathe';
import { LathePage } from '../shop/LathePage';
import { ShopPage } from '../shop/ShopPage';
import { isStation } from './stations';

function Root() {
  useMoved();
  return <Outlet />;
}

const root = createRootRoute({ component: Root });
const board = createRoute({ getParentRoute: () => root, path: '/', component: Board });
const station = createRoute({
  getParentRoute: () => root,
  path: '/jobs/$id/$station',
  beforeLoad: ({ params }) => {
    if (!isStation(params.station))
      throw redirect({ to: '/jobs/$id/$station', params: { id: params.id, station: 'thread' } });
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
  routeTree: root.addChildren([board, shop, ownLathe, lathe, route, batch, paper, station]),
});

declare module '@tanstack/react-router' {
  interface Register {
    router: typeof router;
  }
}
