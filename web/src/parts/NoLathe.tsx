import { inWords, isPointed, type Job, type Plan } from '../api/client';
import { useChange, useLathes } from '../api/hooks';
import { text } from '../app/voice';
import { DescribeLathe } from '../shop/DescribeLathe';
import { Carry } from './Carry';
import { ofNoLathe } from './ofNoLathe';

/** What stands where a lathe would speak, before any is told: nothing of a lathe that is not there, and the ways to tell one. */
export function NoLathe({ job, plan }: { job: Job; plan: Plan | null }) {
  const lathes = useLathes();
  const change = useChange(job);
  return (
    <section className="no-lathe" aria-labelledby="no-lathe-head">
      <h2 id="no-lathe-head">{text('no-lathe')}</h2>
      <p>{text('no-lathe-wants')}</p>
      <p>{text('no-lathe-stands')}</p>
      {plan && isPointed(plan) && <Carry numbers={ofNoLathe(plan)} />}
      <div className="row">
        {lathes.data?.map(l => (
          <button
            key={l.id}
            type="button"
            className="act"
            onClick={() => change.mutate({ request: { lathe_id: l.id ?? null } })}
          >
            {text('no-lathe-on', { lathe: l.name ?? l.id ?? '' })}
          </button>
        ))}
        <DescribeLathe says={text('no-lathe-describe')} plain={Boolean(lathes.data?.length)} />
      </div>
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
    </section>
  );
}
