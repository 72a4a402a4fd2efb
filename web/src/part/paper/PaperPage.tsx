import { useLocalStorage } from '@mantine/hooks';
import { type ReactNode, useState } from 'react';
import { inWords, isChased, isPointed, type Job, type Papers, type Plan } from '../../api/client';
import { usePaper } from '../../api/part';
import { useKeys } from '../../app/keys';
import { spoken, text } from '../../app/voice';
import { PartFrame } from '../PartFrame';
import { CardSheet, JobCard, PocketCard } from './cards';
import { ChartSheet, DrawingSheet, GrindingSheet, RouteSheet, TallySheet } from './sheets';
import './paper.css';

/** What can be printed, and the paper it goes on: a card of its own size, or a page. */
const SHEETS = spoken(
  () =>
    [
      { id: 'card', says: text('paper-ten-second-card'), under: text('paper-tool-post-148'), own: true },
      { id: 'job', says: text('paper-job-card'), under: text('paper-whole-job-one'), own: false },
      { id: 'drawing', says: text('paper-drawing-sheet'), under: text('paper-drawn-with-limits'), own: false },
      { id: 'pocket', says: text('paper-pocket-card'), under: text('paper-narrow-80-200-mm'), own: true },
      { id: 'grinding', says: text('page-grinding-sheet'), under: text('paper-wheel-bit-own'), own: false },
      { id: 'chart', says: text('page-pitch-chart'), under: text('paper-every-pitch-lathe'), own: false },
      { id: 'route', says: text('paper-route-sheet'), under: text('paper-every-operation-box'), own: false },
      { id: 'tally', says: text('paper-tally-sheet'), under: text('paper-of-the-batch'), own: false },
    ] as const,
);
type SheetId = ReturnType<typeof SHEETS>[number]['id'];

/** Cards and sheets to print, shown as they will look. */
export function PaperPage() {
  return (
    <PartFrame sheet="paper">
      {(job, plan) =>
        plan ? <Shown job={job} plan={plan} /> : <p className="fault">{text('paper-job-does-plan')}</p>
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
  // A die or a tap has no bit to grind and no pitches to change to.
  const without = isChased(plan) ? ['grinding', 'chart'] : [];
  const open = SHEETS().filter(s => (s.id !== 'tally' || job.batch != null) && !without.includes(s.id));
  const own = SHEETS().find(s => s.id === sheet)?.own;
  return (
    <div className="two-sided paper-page">
      <div className="wide-side">
        {paper.isError && !paper.data && (
          <p className="fault" role="alert">
            {inWords(paper.error)}
          </p>
        )}
        {paper.data && (
          <article className={`paper on-${own ? sheet : page}`} aria-label={SHEETS().find(s => s.id === sheet)?.says}>
            <Sheet of={sheet} job={job} plan={plan} papers={paper.data} />
          </article>
        )}
      </div>
      <aside className="no-print" aria-label={text('paper-what-to-print')}>
        <button type="button" className="act" onClick={print}>
          {text('paper-print-it-p')}
        </button>
        <div className="sheet-choice" role="radiogroup" aria-label={text('paper-sheet')}>
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
              <small>{s.under}</small>
            </button>
          ))}
        </div>
        {!own && (
          <div className="row" role="radiogroup" aria-label={text('paper-page')}>
            {(['a4', 'letter'] as const).map(p => (
              <button
                key={p}
                type="button"
                role="radio"
                aria-checked={page === p}
                className="choice"
                onClick={() => setPage(p)}
              >
                {p === 'a4' ? 'A4' : text('paper-letter')}
              </button>
            ))}
          </div>
        )}
        <p className="how">{text('paper-printed-browser-leave')}</p>
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
    case 'drawing':
      return <DrawingSheet job={job} papers={papers} />;
    case 'pocket':
      return <PocketCard job={job} papers={papers} />;
    case 'grinding':
      return isPointed(plan) ? <GrindingSheet job={job} plan={plan} papers={papers} /> : null;
    case 'chart':
      return <ChartSheet job={job} papers={papers} />;
    case 'route':
      return <RouteSheet job={job} papers={papers} />;
    case 'tally':
      return <TallySheet job={job} papers={papers} />;
  }
}
