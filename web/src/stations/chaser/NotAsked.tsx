import { inWords } from '../../api/client';
import { useChange } from '../../api/hooks';
import { text } from '../../app/voice';
import type { ChasedProps } from '../JobPage';

/** What stands at a station that a die or a tap goes without. */
export function NotAsked({ job, plan }: ChasedProps) {
  const change = useChange(job);
  const { by } = plan.chaser;
  return (
    <section className="no-lathe" aria-labelledby="not-asked">
      <h2 id="not-asked">{text('chaser-not-asked', { by })}</h2>
      <p>{text('chaser-own-lead')}</p>
      {!job.frozen && (
        <div className="row">
          <button
            type="button"
            className="act plain"
            disabled={change.isPending}
            onClick={() => change.mutate({ request: { making: null } })}
          >
            {text('chaser-cut-with-a-point')}
          </button>
        </div>
      )}
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
    </section>
  );
}
