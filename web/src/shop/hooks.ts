import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Ask } from './Asked';
import { api, type Kit, type LatheProfile, type LatheView, Refused, unwrap } from '../api/client';

/** A part of a lathe's profile; null takes a field away. */
export type LathePatch = { [K in keyof LatheProfile]?: unknown };

export const useLatheView = (id: string) =>
  useQuery({
    queryKey: ['lathe', id],
    queryFn: async () => unwrap(await api.GET('/api/v1/lathes/{id}/view', { params: { path: { id } } })),
  });

export const useAway = () =>
  useQuery({
    queryKey: ['lathes', 'away'],
    queryFn: async () => unwrap(await api.GET('/api/v1/lathes', { params: { query: { away: true } } })),
  });

/** Everything reckoned on a lathe is stale once it changes. */
function useKept() {
  const queries = useQueryClient();
  return (view: LatheView) => {
    queries.setQueryData(['lathe', view.id], view);
    for (const key of ['lathes', 'jobs', 'job', 'chart', 'purchases', 'day'])
      void queries.invalidateQueries({ queryKey: [key] });
  };
}

/** Adds a lathe: new, a copy, or read in. */
export function useAddLathe(then: (view: LatheView) => void) {
  const kept = useKept();
  return useMutation({
    mutationFn: async (body: { name?: string; copy_of?: string; profile?: unknown }) =>
      unwrap(await api.POST('/api/v1/lathes', { body: body as never })),
    onSuccess: view => {
      kept(view);
      then(view);
    },
  });
}

/** Puts a lathe away, or brings it back. */
export function usePutAway() {
  const kept = useKept();
  return useMutation({
    mutationFn: async ({ id, back }: { id: string; back: boolean }) => {
      const params = { params: { path: { id } } };
      return unwrap(
        back ? await api.POST('/api/v1/lathes/{id}/back', params) : await api.DELETE('/api/v1/lathes/{id}', params),
      );
    },
    onSuccess: kept,
  });
}

/** What changes a lathe, from the revision on the screen; each change can be undone while the page is open. */
export function useLatheChange(view: LatheView | undefined) {
  const queries = useQueryClient();
  const kept = useKept();
  const [before, setBefore] = useState<{ says: string; profile: LatheProfile }[]>([]);
  const revision = () => ({ 'If-Match': String(view?.revision) });
  const params = () => ({ path: { id: view?.id ?? '' }, header: revision() });
  const change = useMutation({
    mutationFn: async (
      asked: { says: string } & (
        { patch: LathePatch } | { sheet: 'gears' | 'plate'; text: string } | { answer: { ask: Ask; says: string } }
      ),
    ) => {
      if ('patch' in asked)
        return unwrap(await api.PATCH('/api/v1/lathes/{id}', { params: params(), body: asked.patch as never }));
      if ('answer' in asked) {
        const { ask, says } = asked.answer;
        const at = { path: { id: view?.id ?? '', ask }, header: revision() };
        return unwrap(await api.PUT('/api/v1/lathes/{id}/answers/{ask}', { params: at, body: { says } }));
      }
      const sent = {
        params: params(),
        body: asked.text,
        bodySerializer: (text: string) => text,
        headers: { 'Content-Type': 'text/csv' },
      };
      return unwrap(
        asked.sheet === 'gears'
          ? await api.PUT('/api/v1/lathes/{id}/gears.csv', sent)
          : await api.PUT('/api/v1/lathes/{id}/plate.csv', sent),
      );
    },
    onSuccess: (newer, asked) => {
      if (view) setBefore([...before, { says: asked.says, profile: view.profile }]);
      kept(newer);
    },
    onError: error => {
      if (error instanceof Refused && error.problem.current)
        queries.setQueryData(['lathe', view?.id], error.problem.current);
    },
  });
  const undo = useMutation({
    mutationFn: async (profile: LatheProfile) => {
      const id = view?.id ?? '';
      unwrap(await api.PUT('/api/v1/lathes/{id}', { params: { path: { id } }, body: profile }));
      return unwrap(await api.GET('/api/v1/lathes/{id}/view', { params: { path: { id } } }));
    },
    onSuccess: newer => {
      setBefore(before.slice(0, -1));
      kept(newer);
    },
  });
  const last = before.at(-1);
  return { change, undo: last && { says: last.says, go: () => undo.mutate(last.profile) } };
}

/** What is asked for again once the drawer is another. */
export const OF_THE_DRAWER = ['job', 'jobs', 'bit', 'day'] as const;

/** Keeps the drawer as it now is; what is planned with it is asked for again. */
export function useKeepKit() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (kit: Kit) => unwrap(await api.PUT('/api/v1/kit', { body: kit })),
    onSuccess: kit => {
      queries.setQueryData(['kit'], kit);
      for (const key of OF_THE_DRAWER) void queries.invalidateQueries({ queryKey: [key] });
    },
  });
}
