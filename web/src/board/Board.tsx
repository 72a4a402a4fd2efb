import { Link } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { useLatheChosen } from '../app/lathe';
import { Slash } from '../app/Slash';
import { Tools } from '../app/Tools';
import { TypeAndGo } from '../app/TypeAndGo';
import { inWords, type JobLine } from '../api/client';
import { useFound, useJobs, useMakeJob } from '../api/hooks';
import { DayLeaf } from './DayLeaf';
import { JobList } from './JobList';
import { OnTheLathes } from './OnTheLathes';
import { AwayLeaf, ShelveLeaf } from './ShelveLeaf';
import { text } from '../app/voice';

/** The job board, headed by type-and-go. */
export function Board() {
  const jobs = useJobs();
  const { lathes, lathe, isPending } = useLatheChosen();
  const sample = useMakeJob();
  const [day, setDay] = useState(false);
  const [sought, setSought] = useState('');
  const [shelved, setShelved] = useState<JobLine | null>(null);
  const found = useFound(sought);
  const listed = jobs.data?.filter(job => !found.data || found.data.includes(job.id));
  useEffect(() => {
    document.title = text('board-yoke-turn');
  }, []);
  return (
    <div className="shell">
      <header className="head">
        <img className="mark" src="/mark.svg" alt="" />
        <h1 className="board-name">{text('board-yoke-turn')}</h1>
        <Tools />
      </header>
      <main className="board">
        <TypeAndGo />
        {jobs.data && jobs.data.length > 0 && (
          <OnTheLathes jobs={jobs.data} lathes={lathes} onOrder={() => setDay(true)} />
        )}
        {/* Shown once what stands above it has come: nothing moves away from under a finger. */}
        <section className="on-board" aria-labelledby="jobs-head" hidden={jobs.isPending || isPending}>
          <div className="board-row">
            <h2 id="jobs-head">{text('board-jobs-on-the-board')}</h2>
            {(jobs.data?.length ?? 0) > 1 && (
              <input
                type="search"
                className="seek"
                aria-label={text('board-find-jobs-any')}
                placeholder={text('board-find-thread-lathe')}
                value={sought}
                onChange={e => setSought(e.currentTarget.value)}
              />
            )}
            <div className="row">
              <button
                type="button"
                className="act plain"
                disabled={sample.isPending}
                onClick={() => sample.mutate({ request: { sample: {}, lathe_id: lathe } })}
              >
                {text('board-i-have-only')}
              </button>
              <Link to="/shop" className="act plain as-link">
                {text('board-the-shop-lathes')}
              </Link>
              {sample.isError && (
                <p className="fault" role="alert">
                  {inWords(sample.error)}
                </p>
              )}
            </div>
          </div>
          {jobs.isError && <p className="fault">{inWords(jobs.error)}</p>}
          {jobs.data?.length === 0 && (
            <ol className="first-steps">
              <li>{text('board-type-thread-above')}</li>
              <li>{text('board-enter-makes-job')}</li>
              <li>{text('board-tell-shop-your')}</li>
            </ol>
          )}
          {found.data && listed?.length === 0 && <p role="status">{text('board-no-job-holds', { sought })}</p>}
          {listed && <JobList jobs={listed} onMore={setShelved} />}
          <AwayLeaf />
        </section>
      </main>
      <ShelveLeaf job={shelved} onClose={() => setShelved(null)} />
      <DayLeaf open={day} onClose={() => setDay(false)} />
      <Slash />
    </div>
  );
}
