import { api, type Job, unwrap } from '../../api/client';
import { MadeJob } from '../../parts/MadeJob';
import { text } from '../../app/voice';

/** The plug that proves a bore, as jobs of its own: its two ends. */
export function PlugJobs({ job }: { job: Job }) {
  return (
    <MadeJob
      says={text('setup-plug-jobs')}
      make={async () =>
        unwrap(await api.POST('/api/v1/jobs/{id}/gauge-to-turn', { params: { path: { id: job.id } } }))
      }
    />
  );
}
