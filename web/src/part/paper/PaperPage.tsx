import { useLocalStorage } from '@mantine/hooks';
import { type ReactNode, useState } from 'react';
import { inWords, type Job, type Papers, type Plan } from '../../api/client';
import { usePaper } from '../../api/part';
import { useKeys } from '../../app/keys';
import { say } from '../../app/voice';
import { PartFrame } from '../PartFrame';
import { CardSheet, JobCard, PocketCard } from './cards';
import { ChartSheet, GrindingSheet, RouteSheet, TallySheet } from './sheets';
import './paper.css';

/** What can be printed, and the paper it goes on: a card of its own size, or a page. */
const SHEETS = [
  { id: 'card', says: 'Ten-second card', under: 'for the tool post, 148 × 105 mm', own: true },
  { id: 'job', says: 'Job card', under: 'the whole job on one page', own: false },
  { id: 'pocket', says: 'Pocket card', under: 'narrow, 80 × 200 mm', own: true },
  { id: 'grinding', says: 'Grinding sheet', under: 'for the wheel, with the {bit} at its own size', own: false },
  { id: 'chart', says: 'Pitch chart', under: 'every pitch of this lathe', own: false },
  { id: 'route', says: 'Route sheet', under: 'every operation with a box to tick', own: false },
  { id: 'tally', says: 'Tally sheet', under: 'of the batch', own: false },
] as const;
type SheetId = (typeof SHEETS)[number]['id'];

/** Cards and sheets to print, shown as they will look. */
export function PaperPage() {
  return (
    <PartFrame sheet="paper">
      {(job, plan) =>
        plan ? (
          <Shown job={job} plan={plan} />
        ) : (
          <p className="fault">This job does not plan yet: there is nothing to print.</p>
        )
      }
    </PartFrame>
  );
}

function Shown({ job, plan }: { job: Job; plan: Plan }) {
  const paper = usePaper(job);
  const [sheet, setSheet] = useState<SheetId>('card');
  const [page, setPage] = useLocalStorage<'a4' | 'letter'>({
    key: 'page',
    defaultValue: 'a4',
    getInitialValueInEffect: false,
  });
  const print = () => window.print();
  useKeys({ paper: print });
  const open = SHEETS.filter(s => s.id !== 'tally' || job.batch != null);
  const own = SHEETS.find(s => s.id === sheet)?.own;
  return (
    <div className="two-sided paper-page">
      <div className="wide-side">
        {paper.isError && !paper.data && (
          <p className="fault" role="alert">
            {inWords(paper.error)}
          </p>
        )}
        {paper.data && (
          <article className={`paper on-${own ? sheet : page}`} aria-label={SHEETS.find(s => s.id === sheet)?.says}>
            <Sheet of={sheet} job={job} plan={plan} papers={paper.data} />
          </article>
        )}
      </div>
      <aside className="no-print" aria-label="What to print">
        <button type="button" className="act" onClick={print}>
          Print it (P)
        </button>
        <div className="sheet-choice" role="radiogroup" aria-label="Sheet">
          {open.map(s => (
            <button
              key={s.id}
              type="button"
              role="radio"
              aria-checked={sheet === s.id}
              className="choice"
              onClick={() => setSheet(s.id)}
            >
              {s.says}
              <small>{say(s.under)}</small>
            </button>
          ))}
        </div>
        {!own && (
          <div className="row" role="radiogroup" aria-label="Page">
            {(['a4', 'letter'] as const).map(p => (
              <button
                key={p}
                type="button"
                role="radio"
                aria-checked={page === p}
                className="choice"
                onClick={() => setPage(p)}
              >
                {p === 'a4' ? 'A4' : 'Letter'}
              </button>
            ))}
          </div>
        )}
        <p className="how">
          Printed by the browser: leave its scale at 100 %. Where something is drawn at its own size a bar of 50 mm
          checks it.
        </p>
      </aside>
    </div>
  );
}

function Sheet({ of, job, plan, papers }: { of: SheetId; job: Job; plan: Plan; papers: Papers }): ReactNode {
  switch (of) {
    case 'card':
      return <CardSheet job={job} papers={papers} />;
    case 'job':
      return <JobCard job={job} plan={plan} papers={papers} />;
    case 'pocket':
      return <PocketCard job={job} papers={papers} />;
    case 'grinding':
      return <GrindingSheet job={job} plan={plan} papers={papers} />;
    case 'chart':
      return <ChartSheet job={job} papers={papers} />;
    case 'route':
      return <RouteSheet job={job} papers={papers} />;
    case 'tally':
      return <TallySheet job={job} papers={papers} />;
  }
}
