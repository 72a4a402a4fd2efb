import type { Job } from '../api/client';
import { useLathes } from '../api/hooks';
import { useSettings } from './Settings';

/** The lathe a bare callout is planned on: the one chosen at this screen, else the first told; none before any is. */
export function useLatheChosen() {
  const { lathe, setLathe } = useSettings();
  const { data, isPending } = useLathes();
  const lathes = data ?? [];
  const chosen = lathes.find(l => l.id === lathe) ?? lathes[0];
  return { lathes, lathe: chosen?.id ?? undefined, setLathe, isPending };
}

/** Whether a job stands on no lathe anybody told. */
export const onNoLathe = (job: Job) => !job.request.lathe_id && !job.request.lathe;
