import type { RouteView } from '../../api/client';

export type Route = RouteView['route'];
export type Operation = NonNullable<NonNullable<Route['setups']>[number]['ops']>[number];

const setupsOf = (route: Route) => route.setups ?? [];

/** Gives the set-up these operations, in this order, wherever they stood before. */
export function places(route: Route, setup: string, ids: string[]): Route {
  const all = new Map(
    setupsOf(route)
      .flatMap(s => s.ops ?? [])
      .map(o => [o.id, o]),
  );
  const taken = new Set(ids);
  return {
    setups: setupsOf(route).map(s =>
      s.id === setup
        ? { ...s, ops: ids.flatMap(id => all.get(id) ?? []) }
        : { ...s, ops: (s.ops ?? []).filter(o => !taken.has(o.id ?? '')) },
    ),
  };
}

/** Puts an operation before another, in that one's set-up. */
export function before(route: Route, op: string, other: string): Route {
  const setup = setupsOf(route).find(s => s.ops?.some(o => o.id === other));
  if (!setup) return route;
  const ids = (setup.ops ?? []).map(o => o.id ?? '').filter(id => id !== op);
  ids.splice(ids.indexOf(other), 0, op);
  return places(route, setup.id ?? '', ids);
}

/** Changes an operation. */
export function changed(route: Route, op: string, patch: Partial<Operation>): Route {
  return {
    setups: setupsOf(route).map(s => ({ ...s, ops: (s.ops ?? []).map(o => (o.id === op ? { ...o, ...patch } : o)) })),
  };
}
