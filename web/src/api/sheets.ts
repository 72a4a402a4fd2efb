import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, type Job, unwrap } from './client';

type Answer<T> = { data?: T; error?: unknown };

/** A sheet of a job the server makes when it is looked at; the last one stays shown while a newer is on its way. */
export function sheet<T>(name: string, get: (id: string) => Promise<Answer<T>>) {
  return function useSheet(job: Job, wanted = true) {
    return useQuery({
      queryKey: ['job', job.id, name, job.revision, job.sequence],
      queryFn: async () => unwrap(await get(job.id)),
      placeholderData: keepPreviousData,
      enabled: wanted,
    });
  };
}

const of = (id: string) => ({ params: { path: { id } } });

/** The thread as it is seen, beside its section. */
export const useThreadSheet = sheet('thread', id => api.GET('/api/v1/jobs/{id}/thread', of(id)));
/** The set-up, drawn and step by step. */
export const useSetupSheet = sheet('setup', id => api.GET('/api/v1/jobs/{id}/setup', of(id)));
/** How the thread and each pass may end and how the work may be held, each seen. */
export const useWays = sheet('ways', id => api.GET('/api/v1/jobs/{id}/ways', of(id)));
/** A single point, a die or a tap, each planned whole. */
export const useMakers = sheet('makers', id => api.GET('/api/v1/jobs/{id}/makers', of(id)));
/** The groove as simulated, pass by pass, and what mistakes would do to it. */
export const useGroove = sheet('groove', id => api.GET('/api/v1/jobs/{id}/groove', of(id)));
/** The bit drawn, and how it is ground. */
export const useBitSheet = sheet('bit', id => api.GET('/api/v1/jobs/{id}/bit', of(id)));
/** Every wire of the drawer judged, and the other ways of reading the size. */
export const useGaugeSheet = sheet('gauge', id => api.GET('/api/v1/jobs/{id}/gauge', of(id)));
/** From what is wrong to what may be behind it. */
export const useTroubleSheet = sheet('trouble', id => api.GET('/api/v1/jobs/{id}/trouble', of(id)));
/** What was done and learned. */
export const useLog = sheet('log', id => api.GET('/api/v1/jobs/{id}/log', of(id)));
