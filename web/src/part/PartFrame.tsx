import { Link, useNavigate, useParams } from '@tanstack/react-router';
import { type ReactNode, useEffect } from 'react';
import { inWords, type Job, type Plan } from '../api/client';
import { useJob } from '../api/hooks';
import { Head } from '../app/Head';
import { onNoLathe } from '../app/lathe';
import { useSettings, useShownIn } from '../app/Settings';
import { Slash } from '../app/Slash';
import { useKeys } from '../app/keys';
import { NoLathe } from '../parts/NoLathe';
import { UnitContext } from '../parts/unit';
import './part.css';
import { said, spoken, text } from '../app/voice';

/** What there is of a whole part, beside the stations of its threads. */
export const SHEETS = spoken(
  () =>
    [
      { id: 'part', name: text('part-drawing'), says: text('part-drawn-with-limits') },
      { id: 'route', name: text('part-route'), says: text('part-every-operation-saw') },
      { id: 'batch', name: text('part-batch'), says: text('part-several-parts-job') },
      { id: 'paper', name: text('part-paper'), says: text('part-cards-sheets-print') },
    ] as const,
);

/** The frame of a sheet of the whole part. */
export function PartFrame({
  sheet,
  children,
}: {
  sheet: ReturnType<typeof SHEETS>[number]['id'];
  children: (job: Job, plan: Plan | null) => ReactNode;
}) {
  const id = useParams({ strict: false }).id ?? '';
  const job = useJob(id);
  const navigate = useNavigate();
  const settings = useSettings();
  const plan = job.data?.plan ?? null;
  const unit = useShownIn(plan);
  const name = SHEETS().find(s => s.id === sheet)?.name ?? '';
  const title = job.data?.title;
  useEffect(() => {
    if (title) document.title = `${title}: ${name}`;
  }, [title, name]);
  const others = SHEETS().filter(s => s.id !== sheet);
  useKeys({
    ...Object.fromEntries(others.map(s => [s.id, () => void navigate({ to: `/jobs/$id/${s.id}`, params: { id } })])),
    leave: () => void navigate({ to: '/jobs/$id/$station', params: { id, station: 'thread' } }),
  });
  return (
    <UnitContext value={unit}>
      <div className="shell part-shell">
        <Head unit={unit} onUnit={() => settings.setUnit(unit === 'mm' ? 'in' : 'mm')}>
          <h1 className="sentence">{said('part-of', { name, title: <b>{title ?? '…'}</b> })}</h1>
        </Head>
        <main className="part-main">
          {job.isError && (
            <p className="fault" role="alert">
              {inWords(job.error)}
            </p>
          )}
          {job.data &&
            (onNoLathe(job.data) && sheet !== 'batch' ? (
              <NoLathe job={job.data} plan={plan} />
            ) : (
              children(job.data, plan)
            ))}
        </main>
        <nav className="part-nav" aria-label={text('part-the-whole-part')}>
          <Link to="/jobs/$id/$station" params={{ id, station: 'thread' }}>
            {text('part-its-stations')}
          </Link>
          {SHEETS().map(s => (
            <Link
              key={s.id}
              to={`/jobs/$id/${s.id}`}
              params={{ id }}
              aria-current={s.id === sheet ? 'page' : undefined}
            >
              {s.name}
            </Link>
          ))}
        </nav>
        <Slash />
      </div>
    </UnitContext>
  );
}
