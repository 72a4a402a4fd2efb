import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { useEffect, useRef } from 'react';
import { v4 } from 'uuid';
import { asked } from '../app/voice';
import { onBack } from '../tablet/away';
import { api, type Job, type PlanRequest, Refused, unwrap } from './client';
import { sendTheRest } from './outbox';

/** The job board, as it is asked for. */
export const jobsAsked = queryOptions({
  queryKey: ['jobs'],
  queryFn: async () => unwrap(await api.GET('/api/v1/jobs')),
});
export const useJobs = () => useQuery(jobsAsked);

export const useLathes = () =>
  useQuery({ queryKey: ['lathes'], queryFn: async () => unwrap(await api.GET('/api/v1/lathes')), staleTime: 60_000 });

export const useMaterials = () =>
  useQuery({
    queryKey: ['materials'],
    queryFn: async () => unwrap(await api.GET('/api/v1/materials')),
    staleTime: Infinity,
  });

/** The pitch chart of a stored lathe. */
export const useChart = (id: string) =>
  useQuery({
    queryKey: ['chart', id],
    queryFn: async () => unwrap(await api.GET('/api/v1/lathes/{id}/chart', { params: { path: { id } } })),
    staleTime: 60_000,
  });

/** Gears to make or buy for a stored lathe: for the usual pitches, or a list of one's own. */
export const usePurchases = (id: string, unit: 'mm' | 'in', pitches: string | undefined, within_ppm: number) =>
  useQuery({
    queryKey: ['purchases', id, unit, pitches, within_ppm],
    queryFn: async () =>
      unwrap(
        await api.GET('/api/v1/lathes/{id}/purchases', {
          params: { path: { id }, query: { unit, pitches, within_ppm } },
        }),
      ),
    staleTime: 60_000,
    retry: false,
  });

/** The day as it stands: in the order that changes least, or one's own. */
export const useDay = () =>
  useQuery({ queryKey: ['day'], queryFn: async () => unwrap(await api.GET('/api/v1/day')), gcTime: 0 });

/** Puts the day in an order of one's own; none goes back to the one that changes least. */
export function useOrderDay() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (jobs: string[]) => unwrap(await api.PUT('/api/v1/day', { body: { jobs } })),
    onSuccess: day => queries.setQueryData(['day'], day),
  });
}

/** The facts a sum of the bench pad may feed. */
export const useFeeds = () =>
  useQuery({ queryKey: ['feeds'], queryFn: async () => unwrap(await api.GET('/api/v1/feeds')), staleTime: Infinity });

export const useKit = () =>
  useQuery({ queryKey: ['kit'], queryFn: async () => unwrap(await api.GET('/api/v1/kit')), staleTime: 60_000 });

/** The rules' texts, fetched once. */
export const useRules = (wanted: boolean) =>
  useQuery({
    queryKey: ['rules'],
    queryFn: async () => unwrap(await api.GET('/api/v1/rules')),
    staleTime: Infinity,
    enabled: wanted,
  });

/** One job, as it is asked for. */
export const jobAsked = (id: string) =>
  queryOptions({
    queryKey: ['job', id],
    queryFn: async () => unwrap(await api.GET('/api/v1/jobs/{id}', { params: { path: { id } } })),
  });
export const useJob = (id: string) => useQuery(jobAsked(id));

/** Presses closer than this are one. */
const ONE_PRESS_MS = 700;

/** Makes a job and opens it. */
export function useMakeJob() {
  const asked = useRef<{ wanted: string; id: string } | null>(null);
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    // Two presses of one button make one job: the second finds the first by its id.
    mutationFn: async (body: { callout?: string; lathe_id?: string; request?: unknown; copy_of?: string }) => {
      const wanted = JSON.stringify(body);
      if (!asked.current || asked.current.wanted !== wanted) asked.current = { wanted, id: v4() };
      return unwrap(await api.POST('/api/v1/jobs', { body: { ...body, id: asked.current.id } as never }));
    },
    onSuccess: job => {
      // Asked for once more from here on, it is another.
      setTimeout(() => (asked.current = null), ONE_PRESS_MS);
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      queries.setQueryData(['job', job.id], job);
      void navigate({ to: '/jobs/$id/$station', params: { id: job.id, station: 'thread' } });
    },
  });
}

/** Jobs put away. */
export const useJobsAway = (wanted: boolean) =>
  useQuery({
    queryKey: ['jobs', 'away'],
    queryFn: async () => unwrap(await api.GET('/api/v1/jobs', { params: { query: { away: true } } })),
    enabled: wanted,
  });

/** Renames a job, puts it away, or brings it back, from how it stands now. */
export function useShelve() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async ({ id, ...change }: { id: string; title?: string; away?: boolean }) => {
      const job = unwrap(await api.GET('/api/v1/jobs/{id}', { params: { path: { id } } }));
      const header = { 'If-Match': String(job.revision) };
      return unwrap(await api.PATCH('/api/v1/jobs/{id}', { params: { path: { id }, header }, body: change }));
    },
    onSuccess: job => {
      queries.setQueryData(['job', job.id], job);
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      void queries.invalidateQueries({ queryKey: ['day'] });
    },
  });
}

/** A part of a plan request; null takes a field away. */
export type Patch = {
  [K in keyof PlanRequest]?:
    { [F in keyof NonNullable<PlanRequest[K]>]?: NonNullable<PlanRequest[K]>[F] | null } | string | null;
};

/** Changes a job's facts from the revision on the screen; a newer job replaces it when overtaken. */
export function useChange(job: Job) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (change: { title?: string; request?: Patch }) =>
      unwrap(
        await api.PATCH('/api/v1/jobs/{id}', {
          params: { path: { id: job.id }, header: { 'If-Match': String(job.revision) } },
          body: change as never,
        }),
      ),
    onSuccess: newer => queries.setQueryData(['job', job.id], newer),
    onError: error => {
      if (error instanceof Refused && error.problem.current)
        queries.setQueryData(['job', job.id], error.problem.current);
    },
  });
}

/** Who else has a job open, told with the stream below. */
const alsoHere = (job: string) => ['also-here', job];
export const useAlsoHere = (job: string) =>
  useQuery<string[]>({ queryKey: alsoHere(job), queryFn: () => [], enabled: false, initialData: [] }).data;

/** Asks again for a job when the server says it moved on; one stream while the page is visible, which tells the server what is open here. */
export function useMoved(job: string | undefined) {
  const queries = useQueryClient();
  useEffect(() => {
    let stream: EventSource | null = null;
    let lost = false;
    const moved = (event: Event) => {
      const moved = JSON.parse((event as MessageEvent<string>).data) as {
        job: string;
        sequence: number;
        revision: number;
      };
      // What many jobs hang on was changed: a lathe, the drawer, or the whole shop.
      if (moved.job === '') {
        for (const queryKey of [['job'], ['lathes'], ['kit']]) void queries.invalidateQueries({ queryKey });
      }
      const known = queries.getQueryData<Job>(['job', moved.job]);
      if (known && (known.sequence !== moved.sequence || known.revision !== moved.revision)) {
        void queries.invalidateQueries({ queryKey: ['job', moved.job] });
      }
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      void queries.invalidateQueries({ queryKey: ['batch'] });
    };
    const attend = () => {
      stream?.close();
      const visible = document.visibilityState === 'visible';
      stream = visible ? new EventSource(`/api/v1/events?${asked(job ? { job } : {})}`) : null;
      stream?.addEventListener('moved', moved);
      stream?.addEventListener('here', event => {
        if (job) queries.setQueryData(alsoHere(job), JSON.parse((event as MessageEvent<string>).data));
      });
      stream?.addEventListener('error', () => {
        lost = true;
        if (job) queries.setQueryData(alsoHere(job), []);
      });
      // What moved on meanwhile was told to nobody here.
      stream?.addEventListener('open', () => {
        if (lost) void queries.invalidateQueries();
        lost = false;
      });
      lost ||= !visible;
    };
    attend();
    document.addEventListener('visibilitychange', attend);
    const answersAgain = onBack(() => {
      lost = true;
      attend();
    });
    return () => {
      document.removeEventListener('visibilitychange', attend);
      answersAgain();
      stream?.close();
    };
  }, [queries, job]);
}

/** How often what waits of jobs that are not open is tried. */
const TRIES_MS = 15_000;

/** Sends what waits, of whatever job: once the page stands, when the server answers again, and now and then. */
export function useSendTheRest() {
  const queries = useQueryClient();
  useEffect(() => {
    const send = () => void sendTheRest(job => queries.setQueryData(['job', job.id], job));
    send();
    const timer = setInterval(send, TRIES_MS);
    const answersAgain = onBack(send);
    return () => {
      clearInterval(timer);
      answersAgain();
    };
  }, [queries]);
}

/** Ids of the jobs in which every word sought is met with; nothing while nothing is sought. */
export const useFound = (q: string) =>
  useQuery({
    queryKey: ['jobs', 'found', q],
    queryFn: async () => unwrap(await api.GET('/api/v1/search', { params: { query: { q } } })),
    enabled: q.trim() !== '',
    placeholderData: q.trim() === '' ? undefined : before => before,
  });
