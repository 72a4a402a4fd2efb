import type { ReactNode } from 'react';
import type { Job, Papers } from '../../api/client';

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** What stands on every sheet: which part, which thread, which lathe, which day. */
export function PaperHead({ job, papers, name }: { job: Job; papers: Papers; name: string }) {
  return (
    <header>
      <h2>{job.title}</h2>
      <p>
        <b>{papers.thread}</b> on the {papers.lathe}
        {job.place != null && `, part ${job.place}`}
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
      {children}
      Gears changed with the machine isolated, guard on before it runs. First pass slow, hand on the lever. Follow the
      machine maker’s instructions, your shop’s rules and local safety law.
    </footer>
  );
}
