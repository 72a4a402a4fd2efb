import { Link } from '@tanstack/react-router';
import type { JobLine, LatheProfile } from '../api/client';
import { train } from '../stations/gears/train';
import { text } from '../app/voice';

/** What is on each lathe now, and what is done next on it: the job in mid-cut, else the newest that waits. */
export function OnTheLathes({ jobs, lathes }: { jobs: JobLine[]; lathes: LatheProfile[] }) {
  const waits = (job: JobLine) => !job.finished && !job.scrapped && job.shows;
  if (lathes.length === 0) return null;
  return (
    <ul className="on-lathes" aria-label={text('board-on-the-lathes')}>
      {lathes.map(lathe => {
        const mine = jobs.filter(job => job.lathe_id === lathe.id && waits(job));
        const job = mine.find(j => j.passes_done > 0) ?? mine[0];
        const on = lathe.mounted;
        return (
          <li key={lathe.id}>
            <span>
              <b>{lathe.name}</b>
              {on?.drivers?.length
                ? text('board-on', { train: train({ drivers: on.drivers, driven: on.driven ?? [] }) })
                : ''}
            </span>
            {job ? (
              <Link
                to={job.passes_done > 0 ? '/jobs/$id/at-the-lathe' : '/jobs/$id/$station'}
                params={{ id: job.id, station: 'setup' }}
              >
                <strong>{job.shows?.next}</strong>
                <span>{job.title}</span>
              </Link>
            ) : (
              <em>{text('board-nothing-waits')}</em>
            )}
          </li>
        );
      })}
    </ul>
  );
}
