import { Link } from '@tanstack/react-router';
import { inWords, type JobLine, type LatheProfile } from '../api/client';
import { useDay } from '../api/hooks';
import { train } from '../stations/gears/train';
import { text } from '../app/voice';
import { WhatNow } from './WhatNow';

/** Jobs that wait on a lathe, the one in mid-cut first; of a batch one. What stands here until the day was weighed. */
function waiting(jobs: JobLine[], lathe: LatheProfile) {
  const mine = jobs.filter(job => job.lathe_id === lathe.id && !job.finished && !job.scrapped && job.shows);
  const ones = mine.filter((job, i) => job.batch == null || mine.findIndex(o => o.batch === job.batch) === i);
  return [...ones.filter(j => j.passes_done > 0), ...ones.filter(j => j.passes_done === 0)];
}

/** The day beside the jobs: what is done now, and of each lathe what is on it, its job, what follows, and how long each takes. */
export function OnTheLathes({
  jobs,
  lathes,
  onOrder,
}: {
  jobs: JobLine[];
  lathes: LatheProfile[];
  onOrder: () => void;
}) {
  const day = useDay();
  if (lathes.length === 0) return null;
  return (
    <section className="beside" aria-labelledby="day-head">
      <div className="board-row">
        <h2 id="day-head">{text('board-the-day')}</h2>
        {jobs.length > 1 && (
          <div className="row">
            <button type="button" className="act plain" onClick={onOrder}>
              {text('board-put-day-order')}
            </button>
          </div>
        )}
      </div>
      {day.isError && (
        <p className="fault" role="alert">
          {inWords(day.error)}
        </p>
      )}
      {day.data?.now && <WhatNow now={day.data.now} />}
      <ul className="on-lathes" aria-label={text('board-on-the-lathes')}>
        {lathes.map(lathe => {
          const on = lathe.mounted;
          const steps =
            day.data?.steps.filter(s => s.lathe === lathe.name) ??
            waiting(jobs, lathe).map(j => ({ id: j.id, title: j.title, takes: '', until: '' }));
          const until = steps.at(-1)?.until;
          return (
            <li key={lathe.id}>
              <span>
                <b>{lathe.name}</b>
                {on?.drivers?.length
                  ? text('board-on', { train: train({ drivers: on.drivers, driven: on.driven ?? [] }) })
                  : ''}
              </span>
              {steps.length === 0 && <em>{text('board-nothing-waits')}</em>}
              <ol>
                {steps.map((step, i) => {
                  const job = jobs.find(j => j.id === step.id);
                  return (
                    <li key={step.id}>
                      <Link
                        to={(job?.passes_done ?? 0) > 0 ? '/jobs/$id/at-the-lathe' : '/jobs/$id/$station'}
                        params={{ id: step.id, station: 'setup' }}
                      >
                        {i === 0 && job?.shows && <strong>{job.shows.next}</strong>}
                        <span>{step.title}</span>
                        <em>{step.takes}</em>
                      </Link>
                    </li>
                  );
                })}
              </ol>
              {until && <em>{text('board-free-after', { until })}</em>}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
