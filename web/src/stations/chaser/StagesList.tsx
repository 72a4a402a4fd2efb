import { text } from '../../app/voice';
import type { ChasedProps } from '../JobPage';

/** The steps a die's or a tap's thread is made in, those done struck off. */
export function StagesList({ job, plan }: ChasedProps) {
  const done = new Set(job.run?.done ?? []);
  const next = job.run?.next?.pass.n ?? (job.run?.begun ? null : 1);
  return (
    <div className="step-list">
      <ol aria-label={text('setup-step-by-step')}>
        {plan.chaser.steps.map((step, i) => (
          <li
            key={step.code}
            className={done.has(i + 1) ? 'done' : ''}
            aria-current={next === i + 1 ? 'step' : undefined}
            data-stage={step.code}
          >
            <b aria-hidden="true">{done.has(i + 1) ? '✓' : i + 1}</b>
            <div>
              <p>
                <b>{step.name}</b>
              </p>
              <p>{step.says}</p>
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}
