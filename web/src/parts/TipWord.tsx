import type { Job, PointedPlan } from '../api/client';
import { type Ready, Word } from '../app/Word';
import { text } from '../app/voice';
import { inField, typed } from './text';
import { UNTOLD } from './tip';
import { useUnit } from './unit';

/** The flat on the tip, told where it is said. */
export function TipWord({
  job,
  plan,
  owned,
  children,
}: {
  job: Job;
  plan: PointedPlan;
  owned?: Ready[];
  children: string;
}) {
  const unit = useUnit();
  const flat = job.request.bit?.tip_flat_mm;
  return (
    <Word
      job={job}
      about={text('page-flat-on-the-tip')}
      set={flat != null}
      edit={{
        kind: 'length',
        value: flat != null ? typed(flat, unit) : inField(plan.bit.tip_flat_mm.aim, unit),
        patch: mm => ({ bit: { ...UNTOLD, tip_flat_mm: mm } }),
        clear: text('page-not-measured'),
        ...(owned ? { owned } : {}),
      }}
    >
      {children}
    </Word>
  );
}
