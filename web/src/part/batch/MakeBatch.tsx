import { handed } from '../../parts/text';
import { useId } from 'react';
import { inWords, type Job, type Plan } from '../../api/client';
import { useMakeBatch } from '../../api/part';
import { useDraft } from '../../parts/draft';
import { text } from '../../app/voice';

/** Several parts of one job: how many, and how many of them of the other hand. */
export function MakeBatch({ job, plan }: { job: Job; plan: Plan | null }) {
  const id = useId();
  const make = useMakeBatch(job);
  const [parts, setParts, toldParts] = useDraft('batch:parts', '');
  const [others, setOthers, toldOthers] = useDraft('batch:others', '');
  const own = plan?.thread.hand ?? 'right';
  const other = own === 'right' ? 'left' : 'right';
  const [count, of] = [Number(parts), others.trim() === '' ? 0 : Number(others)];
  const whole = Number.isInteger(count) && Number.isInteger(of);
  const wrong =
    parts.trim() === ''
      ? null
      : !whole || count < 2 || count > 60
        ? text('batch-batch-2-60')
        : of < 0 || of >= count
          ? text('batch-parts-most-count', { count, most: count - 1, other: handed(other), own: handed(own) })
          : null;
  return (
    <form
      className="op-form make-batch"
      onSubmit={e => {
        e.preventDefault();
        if (wrong || parts.trim() === '') return;
        const hands =
          of > 0 ? [...Array<typeof own>(count - of).fill(own), ...Array<typeof own>(of).fill(other)] : [];
        const told = () => [toldParts, toldOthers].forEach(done => done());
        make.mutate({ parts: count, hands }, { onSuccess: told });
      }}
    >
      <p className="how">{text('batch-each-part-becomes')}</p>
      <label htmlFor={`${id}-parts`}>
        {text('batch-parts-in-all')}
        <input
          id={`${id}-parts`}
          inputMode="numeric"
          autoComplete="off"
          value={parts}
          onChange={e => setParts(e.currentTarget.value)}
          aria-describedby={wrong ? `${id}-wrong` : undefined}
          aria-invalid={wrong != null}
        />
      </label>
      <label htmlFor={`${id}-others`}>
        {text('batch-them-hand-if', { other: handed(other) })}
        <input
          id={`${id}-others`}
          inputMode="numeric"
          autoComplete="off"
          value={others}
          onChange={e => setOthers(e.currentTarget.value)}
        />
      </label>
      {wrong && (
        <p className="fault" role="alert" id={`${id}-wrong`}>
          {wrong}
        </p>
      )}
      {make.isError && (
        <p className="fault" role="alert">
          {inWords(make.error)}
        </p>
      )}
      <div className="row">
        <button type="submit" className="act" disabled={make.isPending || wrong != null || parts.trim() === ''}>
          {text('batch-make-the-batch')}
        </button>
      </div>
    </form>
  );
}
