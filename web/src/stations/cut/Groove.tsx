import { useState } from 'react';
import { inWords, type Job, type PointedPlan } from '../../api/client';
import { Outline } from '../../drawing/Outline';
import { useGroove } from '../../api/sheets';
import { spoken, text } from '../../app/voice';

const NAMES = spoken(
  () =>
    ({
      scratch: text('cut-scratch'),
      stocking: text('cut-stocking'),
      cut: text('page-cut'),
      spring: text('cut-spring'),
      measured: text('cut-measured'),
    }) as const,
);

/** The groove filling, as simulated: all passes at once, or one at a time by the scrubber. */
export function Groove({ job, plan, done }: { job: Job; plan: PointedPlan; done: ReadonlySet<string> }) {
  const groove = useGroove(job);
  const last = plan.cut.passes.length;
  // 0 is all of them in one drawing.
  const [at, setAt] = useState(0);
  if (!groove.data)
    return (
      <p className={groove.isError ? 'fault' : 'how'}>
        {groove.isError ? inWords(groove.error) : text('cut-cutting-it-in-thought')}
      </p>
    );
  const pass = groove.data.passes[Math.min(at, last) - 1];
  const name = pass
    ? `${NAMES()[pass.kind === 'chased' ? 'cut' : pass.kind]} ${pass.kind === 'scratch' ? '' : pass.n}`.trim()
    : text('cut-all-passes');
  return (
    <div className="scrub">
      <Outline drawing={pass ? pass.drawing : groove.data.all} done={pass ? undefined : done} />
      <div className="scrub-row">
        <button
          type="button"
          className="act plain"
          onClick={() => setAt(Math.max(0, at - 1))}
          disabled={at === 0}
          aria-label={text('cut-one-pass-back')}
        >
          ◀
        </button>
        <label>
          <span>{name}</span>
          <input
            type="range"
            min={0}
            max={last}
            value={at}
            aria-label={text('cut-pass')}
            aria-valuetext={pass ? `${name}: ${pass.says}` : name}
            onChange={e => setAt(Number(e.currentTarget.value))}
          />
        </label>
        <button
          type="button"
          className="act plain"
          onClick={() => setAt(Math.min(last, at + 1))}
          disabled={at === last}
          aria-label={text('cut-one-pass-on')}
        >
          ▶
        </button>
      </div>
      <p className="scrub-says" aria-live="polite">
        {pass ? `${pass.says} ${pass.edges_says}` : text('cut-move-see-each')}
      </p>
    </div>
  );
}
