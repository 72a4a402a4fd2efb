import { OutboxSays } from '../../parts/OutboxSays';
import { useState } from 'react';
import type { Job, SetupSheet } from '../../api/client';
import { useOutbox } from '../../api/outbox';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { text } from '../../app/voice';

type Step = SetupSheet['steps'][number];

/** One step: ticked, remembered, and asked again when what it hangs on has changed. */
function StepRow({
  job,
  step,
  onSchools,
  record,
}: {
  job: Job;
  step: Step;
  onSchools: () => void;
  record: ReturnType<typeof useOutbox>['record'];
}) {
  const tick = job.run?.ticks?.[step.code];
  const done = tick?.stamp === step.stamp;
  const stale = tick !== undefined && !done;
  const [noted, setNoted] = useState(tick?.noted ?? '');
  const set = () =>
    record(
      done
        ? { kind: 'unticked', step: step.code }
        : { kind: 'ticked', step: step.code, stamp: step.stamp, noted: noted.trim() || undefined },
    );
  return (
    <li className={done ? 'done' : stale ? 'stale' : ''} data-step={step.code}>
      <button type="button" role="checkbox" aria-checked={done} aria-label={step.says} onClick={set}>
        {done ? '✓' : ''}
      </button>
      <div>
        <p>{step.says}</p>
        {stale && <b className="again">{text('setup-changed-since-ticked')}</b>}
        {step.how && <small>{step.how}</small>}
        {step.schools && (
          <button type="button" className="word" onClick={onSchools}>
            {text('setup-ways-of-doing-it')}
          </button>
        )}
        {step.note && (
          <label>
            <span>{text('setup-note', { note: step.note })}</span>
            <input
              value={noted}
              maxLength={200}
              onChange={e => setNoted(e.currentTarget.value)}
              onKeyDown={e => {
                if (e.key !== 'Enter') return;
                e.preventDefault();
                record({ kind: 'ticked', step: step.code, stamp: step.stamp, noted: noted.trim() || undefined });
              }}
            />
          </label>
        )}
      </div>
    </li>
  );
}

/** Setting up, in working order. */
export function StepList({ job, sheet }: { job: Job; sheet: SetupSheet }) {
  const outbox = useOutbox(job);
  const { record } = outbox;
  const [schools, setSchools] = useState<'height' | 'square' | null>(null);
  const done = sheet.steps.filter(s => job.run?.ticks?.[s.code]?.stamp === s.stamp).length;
  return (
    <div className="step-list">
      <p className="how" role="status">
        {text('setup-of-done', { done, steps: sheet.steps.length })}
      </p>
      <OutboxSays outbox={outbox} kept={text('setup-ticks-kept-here')} />
      <ol>
        {sheet.steps.map(step => (
          <StepRow
            key={step.code}
            job={job}
            step={step}
            record={record}
            onSchools={() => setSchools(step.schools === 'square' ? 'square' : 'height')}
          />
        ))}
      </ol>
      <Leaf
        title={schools === 'square' ? text('setup-setting-it-square') : text('setup-setting-center-height')}
        open={schools !== null}
        onClose={() => setSchools(null)}
        wide
      >
        <div className="schools">
          {schools &&
            sheet[schools].map(s => (
              <section key={s.name}>
                <h3>{s.name}</h3>
                <Outline drawing={s.drawing} />
                <p>{s.says}</p>
              </section>
            ))}
        </div>
      </Leaf>
    </div>
  );
}
