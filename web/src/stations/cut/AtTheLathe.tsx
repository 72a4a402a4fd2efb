import { VisuallyHidden } from '@mantine/core';
import { Link, useNavigate, useParams } from '@tanstack/react-router';
import { useRef, useState } from 'react';
import type { Job, NextStep, Plan } from '../../api/client';
import { inWords } from '../../api/client';
import { useJob } from '../../api/hooks';
import { useOutbox, type Waiting } from '../../api/outbox';
import { useSettings } from '../../app/Settings';
import { useKeys } from '../../app/keys';
import { Collar } from '../../parts/Collar';
import { UnitContext } from '../../parts/unit';
import { MeasureLeaf } from '../gauge/MeasureLeaf';
import { StandsLeaf } from './StandsLeaf';

/** Two presses closer than this are one knuckle. */
const TWICE_MS = 700;

const named = (step: NextStep) =>
  ({ scratch: 'Scratch pass', cut: `Pass ${step.pass.n}`, spring: 'Spring pass', measured: 'Measured cut' })[step.pass.kind];

/** The step a pass of the plan would be, from the plan already loaded. */
function stepOf(plan: Plan, n: number): NextStep | null {
  const pass = plan.run.passes.find((p) => p.n === n);
  const setting = plan.cut.passes.find((p) => p.n === n)?.dial[0];
  return pass && setting ? { pass, setting, says: `Set ${setting.text}.` } : null;
}

interface View {
  next: NextStep | null;
  left: number;
  /** The act that undo takes back, if it is known here. */
  last: string | null;
  hold: boolean;
}

/**
 * What to show while acts wait to be sent: passes done and undone are followed on the schedule already
 * loaded; anything that would change the next depth holds until the server answers.
 */
function follow(job: Job, plan: Plan, waiting: Waiting[]): View {
  const run = job.run;
  const schedule = [...(run?.schedule ?? [])];
  const stack: { id: string; step: NextStep | null }[] = [];
  let next = run?.next ?? null;
  let last = run?.last_act ?? null;
  let hold = false;
  const done = [...(run?.done ?? [])];
  for (const { id, act } of waiting) {
    if (act.kind === 'pass_done') {
      const at = schedule.findIndex((s) => s.pass.n === act.n);
      const step = at >= 0 ? (schedule.splice(at, 1)[0] ?? null) : null;
      stack.push({ id, step });
      last = id;
    } else if (act.kind === 'undone') {
      const mine = stack.findIndex((s) => s.id === act.act);
      const step = mine >= 0 ? stack.splice(mine, 1)[0]?.step : stepOf(plan, done.pop() ?? -1);
      if (step) schedule.unshift(step);
      last = stack.at(-1)?.id ?? null;
    } else if (act.kind !== 'note') {
      hold = true;
    }
    next = schedule[0] ?? null;
  }
  return { next: hold ? null : next, left: schedule.length, last, hold };
}

function Stand({ job, plan }: { job: Job; plan: Plan }) {
  const navigate = useNavigate();
  const { waiting, cutOff, refusal, record } = useOutbox(job);
  const [leaf, setLeaf] = useState<'measure' | 'stands' | null>(null);
  const pressed = useRef(-TWICE_MS);
  const view = follow(job, plan, waiting);
  const { next } = view;
  const run = job.run;
  const verdict = waiting.length === 0 ? run?.verdict : null;

  const done = (now: number) => {
    if (!next || now - pressed.current < TWICE_MS) return;
    pressed.current = now;
    record({ kind: 'pass_done', n: next.pass.n, radial_mm: next.pass.radial_mm });
  };
  const undo = (now: number) => {
    if (!view.last || now - pressed.current < TWICE_MS) return;
    pressed.current = now;
    record({ kind: 'undone', act: view.last });
  };
  useKeys({
    ' ': (e) => {
      const on = document.activeElement;
      // A control that has the focus keeps its own Space.
      if (on && on !== document.body && !on.classList.contains('done-key')) return;
      e.preventDefault();
      done(e.timeStamp);
    },
    m: () => setLeaf('measure'),
    d: () => setLeaf('stands'),
    u: (e) => undo(e.timeStamp),
    Escape: () => void navigate({ to: '/jobs/$id/$station', params: { id: job.id, station: 'cut' } }),
  });

  const tone = run?.finished ? 'good' : verdict?.verdict === 'past_limit' || verdict?.verdict === 'unsure' || view.hold ? 'bad' : '';
  const says = view.hold ? 'Hold: do not cut deeper until the server answers.' : waiting.length > 0 ? (next?.says ?? 'All passes cut: measure before you take it out.') : (run?.says ?? '');
  return (
    <div className={`lathe ${tone}`}>
      <header>
        <div>
          <b className="pass-name">{next ? named(next) : run?.finished ? 'In limits' : verdict?.verdict === 'past_limit' ? 'Past the limit' : view.hold ? 'Hold' : 'Measure'}</b>
          <span>{next ? `${view.left} to go` : `${run?.passes_done ?? 0} cut`}</span>
        </div>
        <div className="lathe-job">
          {plan.thread.name}
          <span>{plan.setup.ending === 'hand' ? 'Spindle turned by hand' : plan.setup.speed_rpm.text}; {plan.gears.dial.rule === 'keep_closed' ? 'half-nut stays closed' : plan.gears.dial.says}</span>
        </div>
        <Link to="/jobs/$id/$station" params={{ id: job.id, station: 'cut' }} className="lathe-key small">
          Leave
        </Link>
      </header>
      <main>
        <VisuallyHidden>
          <h1>At the lathe: {plan.thread.name}</h1>
          <p aria-live="assertive" className="announce">{says}</p>
        </VisuallyHidden>
        {next ? (
          <>
            <p className="setting" data-pass={next.pass.n}>
              {next.setting.turns > 0 && (
                <span className="turns">
                  {next.setting.turns} {next.setting.turns === 1 ? 'turn' : 'turns'} +
                </span>
              )}
              <b>{next.setting.divisions}</b>
              <span className="unit">
                div
                <small>{next.setting.slide === 'compound' ? `compound, ${plan.cut.angle_deg}°` : 'cross-slide'}</small>
                <small>{next.setting.reading}</small>
              </span>
            </p>
            <Collar setting={next.setting} />
          </>
        ) : (
          <div className="told">
            <p>{says}</p>
            {verdict?.questions.map((q) => <p key={q} className="fault">{q}</p>)}
          </div>
        )}
        {verdict?.verdict === 'take_more' && next && <p className="strip">{verdict.says}{run?.tip && ` ${run.tip.says}`}</p>}
        {waiting.length > 0 && cutOff && (
          <p className="strip warn" role="status">
            The server does not answer. {waiting.length} {waiting.length === 1 ? 'act is' : 'acts are'} kept here and will be sent.
          </p>
        )}
        {refusal && <p className="strip warn" role="alert">{refusal}</p>}
      </main>
      <footer>
        <button type="button" className="lathe-key" onClick={(e) => undo(e.timeStamp)} disabled={!view.last}>
          Undo <kbd>U</kbd>
        </button>
        <button type="button" className="lathe-key" onClick={() => setLeaf('stands')}>
          Dial stands at… <kbd>D</kbd>
        </button>
        <button type="button" className="lathe-key" onClick={() => setLeaf('measure')}>
          Measure <kbd>M</kbd>
        </button>
        <button type="button" className="lathe-key done-key" onClick={(e) => done(e.timeStamp)} disabled={!next}>
          Done <kbd>Space</kbd>
        </button>
      </footer>
      <MeasureLeaf job={job} plan={plan} open={leaf === 'measure'} onClose={() => setLeaf(null)} record={record} />
      <StandsLeaf plan={plan} open={leaf === 'stands'} onClose={() => setLeaf(null)} record={record} />
    </div>
  );
}

/** Full screen beside the lathe: the next setting, big, and one large control. */
export function AtTheLathe() {
  const { id = '' } = useParams({ strict: false });
  const job = useJob(id);
  const settings = useSettings();
  const plan = job.data?.plan;
  const unit = settings.unit ?? (plan?.thread.inch ? 'in' : 'mm');
  if (job.isError && !job.data) return <p className="fault">{inWords(job.error)}</p>;
  if (!job.data || !plan) return null;
  return (
    <UnitContext value={unit}>
      <Stand job={job.data} plan={plan} />
    </UnitContext>
  );
}
