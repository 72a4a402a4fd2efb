import { useAlsoHere } from '../api/hooks';
import { text } from '../app/voice';

/** Who else has this job open just now. */
export function AlsoHere({ job, strip }: { job: string; strip?: boolean }) {
  const others = useAlsoHere(job);
  if (others.length === 0) return null;
  return (
    <p className={strip ? 'strip' : 'changed'} role="status">
      {text('frame-also-here', { who: others.join(', ') })}
    </p>
  );
}
