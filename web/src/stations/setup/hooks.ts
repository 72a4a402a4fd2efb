import { useQuery } from '@tanstack/react-query';
import { api, type Job, unwrap } from '../../api/client';

/** The set-up of a job, drawn and step by step: made by the server when it is looked at. */
export const useSetupSheet = (job: Job, wanted = true) =>
  useQuery({
    queryKey: ['job', job.id, 'setup', job.revision],
    queryFn: async () => unwrap(await api.GET('/api/v1/jobs/{id}/setup', { params: { path: { id: job.id } } })),
    placeholderData: (before) => before,
    enabled: wanted,
  });
