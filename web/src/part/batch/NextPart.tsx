import { useNavigate } from '@tanstack/react-router';
import { type BatchView, inWords, type Job } from '../../api/client';
import { useCarry } from '../../api/part';
import { text } from '../../app/voice';

/** The next part, and what it begins from. */
export function NextPart({
  job,
  batch,
  busy,
  onLearn,
}: {
  job: Job;
  batch: BatchView;
  busy: boolean;
  onLearn: (on: boolean) => void;
}) {
  const navigate = useNavigate();
  const carry = useCarry(job);
  const { next, carried, facts } = batch;
  const go = (part: string) => void navigate({ to: '/jobs/$id/$station', params: { id: part, station: 'setup' } });
  const begin = () => {
    if (!next) return;
    // What the last one found goes into the next only by the switch, and only before its first pass.
    if (facts.learn && carried && !next.begun) carry.mutate(next.job, { onSuccess: () => go(next.job) });
    else go(next.job);
  };
  return (
    <section className="next-part" aria-label={text('batch-the-next-part')}>
      {next ? (
        <>
          <b>
            {next.begun
              ? text('batch-part-is-begun', { place: next.place })
              : text('batch-next-part', { place: next.place })}
          </b>
          {carried ? (
            <label className="switch">
              <input
                type="checkbox"
                checked={facts.learn}
                disabled={busy}
                onChange={e => onLearn(e.currentTarget.checked)}
              />
              {text('batch-each-part-begins')}
            </label>
          ) : (
            <p className="how">{text('batch-once-part-measured')}</p>
          )}
          {carried && <p className="how">{carried.says}</p>}
          {batch.tally.columns
            .filter(c => c.drift?.real)
            .map(c => (
              <p key={c.name} className="real">
                {c.name}: {c.says}
              </p>
            ))}
          {next.learned && <p className="how">{text('batch-begins-found')}</p>}
          <button type="button" className="act" disabled={carry.isPending} onClick={begin}>
            {next.begun
              ? text('batch-go-on-with-part', { place: next.place })
              : text('batch-begin-part', { place: next.place })}
          </button>
          {carry.isError && (
            <p className="fault" role="alert">
              {inWords(carry.error)}
            </p>
          )}
        </>
      ) : (
        <b>
          {batch.tally.good === batch.tally.wanted ? text('batch-all-parts-are-done') : text('batch-part-left-begin')}
        </b>
      )}
    </section>
  );
}
