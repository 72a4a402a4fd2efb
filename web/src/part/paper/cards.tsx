import type { Job, Papers, Plan } from '../../api/client';
import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { useUnit } from '../../parts/unit';
import { CardLines } from '../CardLines';
import { PaperFoot, PaperHead } from './frame';
import { text } from '../../app/voice';

const passName = (p: Papers['passes'][number]) =>
  p.kind === 'cut' ? String(p.n) : p.kind === 'stocking' ? text('paper-stock', { n: p.n }) : p.kind;

/** What goes to the tool post for a plain thread. */
export function CardSheet({ job, papers }: { job: Job; papers: Papers }) {
  return (
    <>
      <PaperHead job={job} papers={papers} name={text('paper-card')} />
      <CardLines lines={papers.ten_seconds} />
    </>
  );
}

/** As many passes as stand with their sizes over the wires. */
const FEW = 28;

/** Every pass with its setting, in as many columns as they need. */
function Passes({ papers, over }: { papers: Papers; over: boolean }) {
  const unit = useUnit();
  const n = papers.passes.length;
  const crowd = n > 96 ? 'tightest' : n > 60 ? 'tight' : n > FEW ? 'medium' : 'few';
  return (
    <ol className={`paper-passes ${crowd}`} aria-label={text('page-passes')}>
      {papers.passes.map((p, i) => (
        <li key={`${p.n}${i}`}>
          <span className="box" />
          <b>{passName(p)}</b> <span>{p.reading}</span> <span className="turns">{p.set}</span>
          {over && p.over_wires && <span className="over">{figure(p.over_wires, unit)}</span>}
        </li>
      ))}
    </ol>
  );
}

/** The whole job on one page: what to turn, the train, the bit, the set-up, every pass, the proof. */
export function JobCard({ job, plan, papers }: { job: Job; plan: Plan; papers: Papers }) {
  return (
    <div className="job-card">
      <PaperHead job={job} papers={papers} name={text('paper-job-card')} />
      <div className="paper-drawn">
        <Outline drawing={plan.blank.drawing} />
        {plan.gears?.drawing && <Outline drawing={plan.gears.drawing} />}
      </div>
      <div className="paper-sections">
        {papers.job_card.map(s => (
          <section key={s.name}>
            <h3>{s.name}</h3>
            <CardLines lines={s.lines} />
          </section>
        ))}
      </div>
      <h3>
        {text('paper-passes-reading-dial', {
          wires:
            papers.passes.some(p => p.over_wires) && papers.passes.length <= FEW ? text('paper-over-the-wires') : '',
          measure: papers.measure ? text('paper-then-measure') : '',
        })}
      </h3>
      <Passes papers={papers} over={papers.passes.length <= FEW} />
      <PaperFoot>
        {papers.watch.map(w => (
          <p key={w}>▲ {w}</p>
        ))}
      </PaperFoot>
    </div>
  );
}

/** The narrow card for the pocket: the dial, pass by pass. */
export function PocketCard({ job, papers }: { job: Job; papers: Papers }) {
  return (
    <>
      <PaperHead job={job} papers={papers} name={text('paper-pocket-card')} />
      <CardLines lines={papers.pocket} />
      <Passes papers={papers} over={false} />
    </>
  );
}
