import { Link } from '@tanstack/react-router';
import type { JobLine } from '../api/client';
import { text } from '../app/voice';

/** The thread itself: bare where it is cut, layout blue in its grooves where it is not. */
function Thread({ job, share }: { job: JobLine; share: number }) {
  const sketch = job.shows?.sketch;
  if (!sketch || sketch.line.length === 0) return <span className="thread" aria-hidden="true" />;
  const wide = Math.max(...sketch.line.map(p => p[0] ?? 0));
  const high = Math.max(...sketch.line.map(p => p[1] ?? 0));
  const body = high * 0.55;
  const y = (v: number) => (sketch.inside ? v : high - v);
  const line = sketch.line.map(p => `${p[0]},${y(p[1] ?? 0)}`).join(' ');
  // Drawn with its metal below, whichever side it is cut from; the groove fills from its bottom.
  return (
    <svg className="thread" viewBox={`0 -0.04 ${wide} ${high + body + 0.04}`} aria-hidden="true">
      <rect className="to-cut" x="0" y={high * share} width={wide} height={high * (1 - share)} />
      <polygon className="metal" points={`0,${high + body} ${line} ${wide},${high + body}`} />
      <polyline points={line} />
    </svg>
  );
}

function shareOf(job: JobLine): number {
  const of = /of (\d+)/.exec(job.stands)?.[1];
  return job.finished ? 1 : of ? Math.min(1, job.passes_done / Number(of)) : 0;
}

const onLathe = (job: JobLine) =>
  job.lathe_told
    ? text('board-thread-on-lathe', { thread: job.thread, lathe: job.lathe })
    : `${job.thread}, ${job.lathe}`;

function One({ job }: { job: JobLine }) {
  return (
    <Link to="/jobs/$id/$station" params={{ id: job.id, station: job.passes_done > 0 ? 'cut' : 'thread' }}>
      <Thread job={job} share={shareOf(job)} />
      <b>{job.title}</b>
      <span>{job.unread ?? onLathe(job)}</span>
      <strong>{job.shows?.next}</strong>
      <em className={job.unread ? 'fault' : undefined}>{job.stands}</em>
    </Link>
  );
}

/** A batch as one line: how many are good, and the share of all that is cut. */
function Batch({ parts }: { parts: JobLine[] }) {
  const first = parts.find(p => p.id === p.batch) ?? parts[0];
  if (!first) return null;
  const live = parts.filter(p => !p.scrapped);
  const wanted = Math.max(...parts.map(p => p.place ?? 0));
  // A part is done with every thread of it; one spoilt is one, however many threads it had.
  const places = [...new Set(live.map(p => p.place))];
  const good = places.filter(at => live.every(p => p.place !== at || p.finished)).length;
  const scrapped = new Set(parts.filter(p => p.scrapped).map(p => p.part ?? p.id)).size;
  return (
    <Link to="/jobs/$id/batch" params={{ id: first.id }}>
      <Thread job={first} share={live.reduce((sum, p) => sum + shareOf(p), 0) / Math.max(1, live.length)} />
      <b>{first.title}</b>
      <span>{text('board-parts', { on_lathe: onLathe(first), wanted })}</span>
      <strong>{live.find(p => !p.finished)?.shows?.next}</strong>
      <em>
        {text('board-of-in-limits', {
          live: good,
          wanted,
          scrapped: scrapped > 0 && text('board-and-scrapped', { scrapped }),
        })}
      </em>
    </Link>
  );
}

/** The parts of the board: the jobs of one in the order they were made, a pair's two members among them, as one; of a batch its first. */
function wholes(jobs: JobLine[]): JobLine[][] {
  const shown = jobs.filter((job, i) => job.batch == null || jobs.findIndex(o => o.batch === job.batch) === i);
  return shown.flatMap((job, i) =>
    job.part == null || job.batch != null
      ? [[job]]
      : shown.findIndex(o => o.part === job.part) === i
        ? [shown.filter(o => o.part === job.part && o.batch == null).reverse()]
        : [],
  );
}

/** The jobs of the board: a part as one however many threads it has, a pair as one, the parts of a batch as one. */
export function JobList({ jobs, onMore }: { jobs: JobLine[]; onMore: (job: JobLine) => void }) {
  return (
    <ul className="jobs">
      {wholes(jobs).map(part => (
        <li key={part[0]?.id} className={part.length > 1 ? 'several' : undefined}>
          {part.map(job => (
            <div key={job.id} className="job">
              {job.batch == null ? <One job={job} /> : <Batch parts={jobs.filter(o => o.batch === job.batch)} />}
              {job.batch == null && (
                <button
                  type="button"
                  className="more"
                  aria-label={text('board-more-for', { title: job.title })}
                  onClick={() => onMore(job)}
                >
                  …
                </button>
              )}
            </div>
          ))}
        </li>
      ))}
    </ul>
  );
}
