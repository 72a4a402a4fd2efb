import { Link } from '@tanstack/react-router';
import type { JobLine } from '../api/client';

/** A length of bar: bright where it is cut, layout blue where it is not. */
function Bar({ share }: { share: number }) {
  return (
    <span className="bar" aria-hidden="true">
      <span style={{ width: `${share * 100}%` }} />
    </span>
  );
}

function shareOf(job: JobLine): number {
  const of = /of (\d+)/.exec(job.stands)?.[1];
  return job.finished ? 1 : of ? Math.min(1, job.passes_done / Number(of)) : 0;
}

function One({ job }: { job: JobLine }) {
  return (
    <Link to="/jobs/$id/$station" params={{ id: job.id, station: job.passes_done > 0 ? 'cut' : 'thread' }}>
      <b>{job.title}</b>
      <span>{job.unread ?? `${job.thread} on the ${job.lathe}`}</span>
      <em className={job.unread ? 'fault' : undefined}>{job.stands}</em>
      <Bar share={shareOf(job)} />
    </Link>
  );
}

/** A batch as one line: how many are good, and the share of all that is cut. */
function Batch({ parts }: { parts: JobLine[] }) {
  const first = parts.find(p => p.id === p.batch) ?? parts[0];
  if (!first) return null;
  const live = parts.filter(p => !p.scrapped);
  const wanted = Math.max(...parts.map(p => p.place ?? 0));
  const scrapped = parts.length - live.length;
  return (
    <Link to="/jobs/$id/batch" params={{ id: first.id }}>
      <b>{first.title}</b>
      <span>
        {first.thread} on the {first.lathe}, {wanted} parts
      </span>
      <em>
        {live.filter(p => p.finished).length} of {wanted} in limits{scrapped > 0 && `, ${scrapped} scrapped`}
      </em>
      <Bar share={live.reduce((sum, p) => sum + shareOf(p), 0) / Math.max(1, wanted)} />
    </Link>
  );
}

/** The jobs of the board, the parts of a batch as one. */
export function JobList({ jobs, onMore }: { jobs: JobLine[]; onMore: (job: JobLine) => void }) {
  const shown = jobs.filter((job, i) => job.batch == null || jobs.findIndex(o => o.batch === job.batch) === i);
  return (
    <ul className="jobs">
      {shown.map(job => (
        <li key={job.id}>
          {job.batch == null ? <One job={job} /> : <Batch parts={jobs.filter(o => o.batch === job.batch)} />}
          {job.batch == null && (
            <button type="button" className="more" aria-label={`More for ${job.title}`} onClick={() => onMore(job)}>
              …
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
