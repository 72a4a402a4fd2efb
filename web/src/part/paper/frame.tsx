import type { ReactNode } from 'react';
import type { Job, Papers } from '../../api/client';
import { said, text } from '../../app/voice';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** What stands on every sheet: which part, which thread, which lathe, which day. */
export function PaperHead({ job, papers, name }: { job: Job; papers: Papers; name: string }) {
  return (
    <header>
      <h2>{job.title}</h2>
      <p>
        {said('paper-on-the', {
          thread: <b>{papers.thread}</b>,
          lathe: papers.lathe,
          place: job.place != null && text('paper-part', { place: job.place }),
        })}
      </p>
      <p>
        {name}, {DAY.format(new Date())}
      </p>
    </header>
  );
}

export function PaperFoot({ children }: { children?: ReactNode }) {
  return (
    <footer>
      {children} {text('paper-gears-changed-machine')}
    </footer>
  );
}
