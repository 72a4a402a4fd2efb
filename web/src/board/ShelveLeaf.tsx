import { useState } from 'react';
import { inWords, type JobLine } from '../api/client';
import { useJobsAway, useMakeJob, useShelve } from '../api/hooks';
import { Leaf } from '../parts/Leaf';
import { TextForm } from '../parts/TextForm';

/** What can be done with a job as a whole: another name, a copy, away from the board. */
export function ShelveLeaf({ job, onClose }: { job: JobLine | null; onClose: () => void }) {
  const shelve = useShelve();
  const copy = useMakeJob();
  const failed = shelve.error ?? copy.error;
  return (
    <Leaf title={job?.title ?? ''} open={job !== null} onClose={onClose}>
      {job && (
        <div className="shelve">
          {job.unread ? (
            <p className="fault">{job.unread}</p>
          ) : (
            <>
              <TextForm
                label="Its name"
                value={job.title}
                act="Call it so"
                onTold={title => shelve.mutate({ id: job.id, title }, { onSuccess: onClose })}
              />
              <button
                type="button"
                className="choice"
                disabled={copy.isPending}
                onClick={() => copy.mutate({ copy_of: job.id })}
              >
                <b>Make another like it</b>
                <span>the same facts, nothing cut</span>
              </button>
              <button
                type="button"
                className="choice"
                disabled={shelve.isPending}
                onClick={() => shelve.mutate({ id: job.id, away: true }, { onSuccess: onClose })}
              >
                <b>Put it away</b>
                <span>off the board, kept whole, to be brought back at any time</span>
              </button>
            </>
          )}
          {failed && (
            <p className="fault" role="alert">
              {inWords(failed)}
            </p>
          )}
        </div>
      )}
    </Leaf>
  );
}

/** Jobs put away, each to be brought back. */
export function AwayLeaf() {
  const [open, setOpen] = useState(false);
  const away = useJobsAway(open);
  const shelve = useShelve();
  return (
    <>
      <button type="button" className="act plain" onClick={() => setOpen(true)}>
        Put away…
      </button>
      <Leaf title="Jobs put away" open={open} onClose={() => setOpen(false)}>
        {away.data?.length === 0 && <p>None. A job is put away by the “…” beside it.</p>}
        <ul className="away">
          {away.data?.map(job => (
            <li key={job.id}>
              <span>
                <b>{job.title}</b> {job.thread}, {job.stands}
              </span>
              <button
                type="button"
                className="act plain"
                disabled={shelve.isPending}
                onClick={() => shelve.mutate({ id: job.id, away: false })}
              >
                Bring it back
              </button>
            </li>
          ))}
        </ul>
        {(away.error ?? shelve.error) && (
          <p className="fault" role="alert">
            {inWords(away.error ?? shelve.error)}
          </p>
        )}
      </Leaf>
    </>
  );
}
