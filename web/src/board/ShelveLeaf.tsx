import { useState } from 'react';
import { inWords, type JobLine } from '../api/client';
import { useJobsAway, useMakeJob, useShelve } from '../api/hooks';
import { Leaf } from '../parts/Leaf';
import { TextForm } from '../parts/TextForm';
import { text } from '../app/voice';

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
                name={`title:${job.id}`}
                label={text('board-its-name')}
                value={job.title}
                act={text('board-call-it-so')}
                onTold={title => shelve.mutate({ id: job.id, title }, { onSuccess: onClose })}
              />
              <button
                type="button"
                className="choice"
                disabled={copy.isPending}
                onClick={() => copy.mutate({ copy_of: job.id })}
              >
                <b>{text('board-make-another-like-it')}</b>
                <span>{text('board-same-facts-nothing')}</span>
              </button>
              <button
                type="button"
                className="choice"
                disabled={shelve.isPending}
                onClick={() => shelve.mutate({ id: job.id, away: true }, { onSuccess: onClose })}
              >
                <b>{text('board-put-it-away')}</b>
                <span>{text('board-off-board-kept')}</span>
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
        {text('board-put-away')}
      </button>
      <Leaf title={text('board-jobs-put-away')} open={open} onClose={() => setOpen(false)}>
        {away.data?.length === 0 && <p>{text('board-none-job-put')}</p>}
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
                {text('page-bring-it-back')}
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
