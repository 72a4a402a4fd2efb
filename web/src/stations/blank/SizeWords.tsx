import type { Job, Plan } from '../../api/client';
import { Word } from '../../app/Word';
import { text } from '../../app/voice';
import { figure } from '../../parts/Figure';
import { bare, inField } from '../../parts/text';
import { useUnit } from '../../parts/unit';

interface SizeProps {
  job: Job;
  plan: Plan;
}

/** The blank or bore as it stands, to be measured and told. */
export function TurnedWord({ job, plan: { blank, thread } }: SizeProps) {
  const unit = useUnit();
  return (
    <Word
      job={job}
      about={thread.side === 'external' ? text('blank-blank-as-turned') : text('blank-bore-as-turned')}
      set={blank.measured}
      edit={{
        kind: 'length',
        value: inField(blank.used_mm, unit),
        patch: mm => ({ blank: { diameter_mm: mm } }),
        clear: text('page-not-measured'),
      }}
    >
      {figure(blank.used_mm, unit)}
    </Word>
  );
}

/** How full a bored thread is. */
export function FullThreadWord({ job, bore }: { job: Job; bore: NonNullable<Plan['blank']['bore']> }) {
  return (
    <Word
      job={job}
      about={text('blank-per-cent-full')}
      set={job.request.blank?.engagement_percent != null}
      edit={{
        kind: 'number',
        value: bare(bore.share_percent.text),
        patch: n => ({ blank: { engagement_percent: n } }),
        clear: text('page-middle-of-the-limits'),
      }}
    >
      {bore.share_percent.text}
    </Word>
  );
}
