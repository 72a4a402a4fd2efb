import type { Plan } from '../../api/client';
import { say } from '../../app/voice';

const NAMES = {
  half_nut: 'By the {half-nut}',
  compound: 'By the {compound}',
  gear_teeth: 'By a gear’s teeth',
  driver_plate: 'By the driver plate',
} as const;

/** Ways on to the next start, those that serve here first said so. */
export function StartsList({ plan }: { plan: Plan }) {
  const { starts } = plan.cut;
  if (!starts?.length) return null;
  return (
    <section className="starts" aria-label="On to the next start">
      <h2>On to the next of {plan.thread.starts} starts</h2>
      <ul>
        {starts.map(w => (
          <li key={w.by} className={w.serves ? '' : 'faint'}>
            <b>
              {say(NAMES[w.by])}
              {w.recommended ? ' (recommended)' : ''}.
            </b>{' '}
            {w.says}
          </li>
        ))}
      </ul>
    </section>
  );
}
