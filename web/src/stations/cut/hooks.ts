import { useQuery } from '@tanstack/react-query';
import { api, type Job, unwrap } from '../../api/client';

/** The groove of a job as simulated, pass by pass, and what mistakes would do to it. */
export const useGroove = (job: Job, wanted = true) =>
  useQuery({
    queryKey: ['job', job.id, 'groove', job.revision],
    queryFn: async () => unwrap(await api.GET('/api/v1/jobs/{id}/groove', { params: { path: { id: job.id } } })),
    placeholderData: (before) => before,
    enabled: wanted,
  });
