import { useQuery } from '@tanstack/react-query';
import { api, type Job, unwrap } from '../../api/client';

/** A job's bit drawn, and how it is ground: made by the server when they are looked at. */
export const useBitSheet = (job: Job) =>
  useQuery({
    queryKey: ['bit', job.id, job.revision],
    queryFn: async () => unwrap(await api.GET('/api/v1/jobs/{id}/bit', { params: { path: { id: job.id } } })),
    placeholderData: (before) => before,
  });
