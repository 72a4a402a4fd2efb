import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ActKind, api, type BatchFacts, type Job, Refused, type RouteView, unwrap } from './client';
import { sheet } from './sheets';

const of = (id: string) => ({ params: { path: { id } } });

/** The route of the part a job is of. */
export const useRoute = sheet('route', id => api.GET('/api/v1/jobs/{id}/route', of(id)));
/** The part drawn whole. */
export const usePartSheet = sheet('part', id => api.GET('/api/v1/jobs/{id}/part', of(id)));
/** The test pieces of a job, and what each found. */
export const useTestPieces = sheet('test-pieces', id => api.GET('/api/v1/jobs/{id}/test-pieces', of(id)));
/** What is printed of a job. */
export const usePaper = sheet('paper', id => api.GET('/api/v1/jobs/{id}/paper', of(id)));

/** Shows the route as the server has it now; one overtaken is replaced by the newer. */
function useRouteAnswer(job: Job) {
  const queries = useQueryClient();
  const show = (view: RouteView) => queries.setQueriesData({ queryKey: ['job', job.id, 'route'] }, view);
  return {
    onSuccess: show,
    onError: (error: unknown) => {
      if (error instanceof Refused && error.problem.current) show(error.problem.current as unknown as RouteView);
    },
  };
}

export function usePutRoute(job: Job) {
  return useMutation({
    mutationFn: async ({ route, revision }: { route: RouteView['route']; revision: number }) =>
      unwrap(
        await api.PUT('/api/v1/jobs/{id}/route', {
          params: { path: { id: job.id }, header: { 'If-Match': String(revision) } },
          body: route,
        }),
      ),
    ...useRouteAnswer(job),
  });
}

export function useDropRoute(job: Job) {
  return useMutation({
    mutationFn: async () => unwrap(await api.DELETE('/api/v1/jobs/{id}/route', of(job.id))),
    ...useRouteAnswer(job),
  });
}

export function useTick(job: Job) {
  return useMutation({
    mutationFn: async ({ op, done, took }: { op: string; done: boolean; took?: number }) =>
      unwrap(
        await api.PUT('/api/v1/jobs/{id}/route/ops/{op}', {
          params: { path: { id: job.id, op } },
          body: took === undefined ? { done } : { done, took_min: took },
        }),
      ),
    ...useRouteAnswer(job),
  });
}

/** The batch a job is one of. */
export const useBatch = (job: Job) =>
  useQuery({
    queryKey: ['batch', job.batch, job.id],
    queryFn: async () => unwrap(await api.GET('/api/v1/jobs/{id}/batch', of(job.id))),
    enabled: job.batch != null,
    placeholderData: before => before,
  });

/** Something done to a batch: it, its jobs and the board are asked for again. */
function useBatchAct<In, Out>(job: Job, act: (given: In) => Promise<Out>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: act,
    onSettled: () =>
      Promise.all([['batch'], ['jobs'], ['job', job.id]].map(queryKey => queries.invalidateQueries({ queryKey }))),
  });
}

export const useMakeBatch = (job: Job) =>
  useBatchAct(job, async (body: { parts: number; hands: ('left' | 'right')[] }) =>
    unwrap(await api.POST('/api/v1/jobs/{id}/batch', { ...of(job.id), body })),
  );

export const useChangeBatch = (job: Job) =>
  useBatchAct(job, async ({ facts, revision }: { facts: BatchFacts; revision: number }) =>
    unwrap(
      await api.PUT('/api/v1/jobs/{id}/batch', {
        params: { path: { id: job.id }, header: { 'If-Match': String(revision) } },
        body: facts,
      }),
    ),
  );

export const useBeginAgain = (job: Job) =>
  useBatchAct(job, async ({ part, from }: { part: string; from?: string }) =>
    unwrap(
      await api.POST('/api/v1/jobs/{id}/batch/again', {
        params: { path: { id: part }, query: from === undefined ? {} : { from } },
      }),
    ),
  );

export const useCarry = (job: Job) =>
  useBatchAct(job, async (part: string) => unwrap(await api.POST('/api/v1/jobs/{id}/batch/carry', of(part))));

/** Tells an act of any part of the batch; the same id again is the same act. */
export const useTellPart = (job: Job) =>
  useBatchAct(job, async ({ part, id, act }: { part: string; id: string; act: ActKind }) =>
    unwrap(
      await api.PUT('/api/v1/jobs/{id}/acts/{act}', {
        params: { path: { id: part, act: id } },
        body: { act, happened: new Date().toISOString(), seen: 0, source: 'typed' },
      }),
    ),
  );
