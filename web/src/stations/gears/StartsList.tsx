import type { PointedPlan } from '../../api/client';
import { spoken, text } from '../../app/voice';

const NAMES = spoken(
  () =>
    ({
      half_nut: text('gears-by-the-half-nut'),
      compound: text('gears-by-the-compound'),
      gear_teeth: text('gears-by-a-gears-teeth'),
      driver_plate: text('gears-by-the-driver-plate'),
    }) as const,
);

/** Ways on to the next start, those that serve here first said so. */
export function StartsList({ plan }: { plan: PointedPlan }) {
  const { starts } = plan.cut;
  if (!starts?.length) return null;
  return (
    <section className="starts" aria-label={text('gears-next-start')}>
      <h2>{text('gears-next-starts', { starts: plan.thread.starts })}</h2>
      <ul>
        {starts.map(w => (
          <li key={w.by} className={w.serves ? '' : 'faint'}>
            <b>
              {NAMES()[w.by]}
              {w.recommended ? ` ${text('page-recommended')}` : ''}.
            </b>{' '}
            {w.says}
          </li>
        ))}
      </ul>
    </section>
  );
}
