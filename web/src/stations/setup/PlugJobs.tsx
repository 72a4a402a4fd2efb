import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { api, inWords, type Job, unwrap } from '../../api/client';
import { text } from '../../app/voice';

/** The plug that proves a bore, as jobs of its own: its two ends. */
export function PlugJobs({ job }: { job: Job }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const make = useMutation({
    mutationFn: async () =>
      unwrap(await api.POST('/api/v1/jobs/{id}/gauge-to-turn', { params: { path: { id: job.id } } })),
    onSuccess: made => {
      void queries.invalidateQueries({ queryKey: ['jobs'] });
      void navigate({ to: '/jobs/$id/$station', params: { id: made.id, station: 'thread' } });
    },
  });
  return (
    <>
      <button type="button" className="act plain" disabled={make.isPending} onClick={() => make.mutate()}>
        {text('setup-plug-jobs')}
      </button>
      {make.isError && (
        <p className="fault" role="alert">
          {inWords(make.error)}
        </p>
      )}
    </>
  );
}
