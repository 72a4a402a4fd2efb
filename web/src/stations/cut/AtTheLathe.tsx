import { VisuallyHidden } from '@mantine/core';
import { Link, useNavigate, useParams } from '@tanstack/react-router';
import { useRef, useState } from 'react';
import type { Job, NextStep, Plan } from '../../api/client';
import { inWords } from '../../api/client';
import { useJob } from '../../api/hooks';
import { useOutbox } from '../../api/outbox';
import { useAtTheBench, useSettings, useShownIn } from '../../app/Settings';
import { useKeys } from '../../app/keys';
import { useDraft } from '../../parts/draft';
import { Leaf } from '../../parts/Leaf';
import { OutboxSays } from '../../parts/OutboxSays';
import { UnitContext } from '../../parts/unit';
import { MeasureLeaf } from '../gauge/MeasureLeaf';
import { TroubleLeaf } from '../trouble/TroubleLeaf';
import { Cycle } from './Cycle';
import { HappenedLeaf, TouchForm } from './HappenedLeaf';
import { NextSetting } from './NextSetting';
import { StandsLeaf } from './StandsLeaf';
import { nutSays } from '../../parts/text';
import { useSpoken, useWake } from './beside';
import { follow, type View } from './follow';

/** No pass has begun its cycle. */
const NO_PHASE = { n: -1, at: 0 };

/** Two presses closer than this are one knuckle. */
const TWICE_MS = 700;

const named = ({ pass }: NextStep) =>
  ({
    scratch: 'Scratch pass',
    stocking: `Stocking ${pass.n}`,
    cut: `Pass ${pass.n}`,
    spring: 'Spring pass',
    measured: 'Measured cut',
  })[pass.kind];

/** The one word for where the run stands. */
function headline(view: View, job: Job, finding: boolean): string {
  const run = job.run;
  if (run?.scrapped != null) return 'Scrapped';
  if (run?.stopped) return 'Stopped';
  if (finding && !view.hold) return 'Find the groove';
  if (view.next) return named(view.next);
  if (view.hold) return 'Hold';
  if (run?.finished) return 'In limits';
  if (run?.verdict?.verdict === 'past_limit') return 'Past the limit';
  return run?.closed ? 'Done' : 'Measure';
}

function Stand({ job, plan }: { job: Job; plan: Plan }) {
  const navigate = useNavigate();
  const { speak } = useSettings();
  const outbox = useOutbox(job);
  const { waiting, record } = outbox;
  const [leaf, setLeaf] = useState<'measure' | 'stands' | 'happened' | 'touch' | 'trouble' | null>(null);
  const [all, setAll] = useState(false);
  const [phase, setPhase] = useDraft('phase', NO_PHASE);
  const pressed = useRef(-TWICE_MS);
  const view = follow(job, plan, waiting);
  const { next } = view;
  const run = job.run;
  const verdict = waiting.length === 0 ? run?.verdict : null;
  const cycle = plan.run.cycle ?? [];
  // Every pass begins the cycle anew.
  const at = next && phase.n === next.pass.n ? phase.at : 0;

  // Nothing is cut by a pedal or a knuckle while the check is red and nobody has said to.
  const red = plan.check.lines.filter(l => l.state === 'bad');
  const asks = !run?.begun && waiting.length === 0 && red.length > 0 && !all;

  const done = (now: number) => {
    if (asks || !next || run?.stopped || now - pressed.current < TWICE_MS) return;
    pressed.current = now;
    record({ kind: 'pass_done', n: next.pass.n, radial_mm: next.pass.radial_mm });
  };
  const undo = (now: number) => {
    if (!view.last || now - pressed.current < TWICE_MS) return;
    pressed.current = now;
    record({ kind: 'undone', act: view.last });
  };
  useKeys({
    done: e => {
      // Whatever has the focus, Space tells the pass here: Enter presses buttons.
      e.preventDefault();
      done(e.timeStamp);
    },
    // Pedals and clickers send these.
    pedal: e => done(e.timeStamp),
    pedalBack: e => undo(e.timeStamp),
    phase: () => next && cycle.length > 0 && setPhase({ n: next.pass.n, at: (at + 1) % cycle.length }),
    measure: () => setLeaf('measure'),
    stands: () => setLeaf('stands'),
    happened: () => setLeaf('happened'),
    trouble: () => setLeaf('trouble'),
    undo: e => undo(e.timeStamp),
    leave: () => void navigate({ to: '/jobs/$id/$station', params: { id: job.id, station: 'cut' } }),
  });

  const tone = run?.finished
    ? 'good'
    : run?.scrapped != null || verdict?.verdict === 'past_limit' || verdict?.verdict === 'unsure' || view.hold
      ? 'bad'
      : '';
  const says = view.hold
    ? outbox.refused.length > 0
      ? 'Hold: settle first what was not taken.'
      : 'Hold: do not cut deeper until the server answers.'
    : waiting.length > 0
      ? (next?.says ?? 'All passes cut: measure before you take it out.')
      : (run?.says ?? '');
  const steps = waiting.length === 0 ? (run?.pick_up ?? []) : [];
  useWake();
  const aloud = waiting.length > 0 ? (next?.aloud ?? says) : (run?.aloud ?? says);
  useSpoken(view.hold ? says : aloud, speak);
  if (asks) {
    return (
      <div className="lathe bad">
        <header>
          <b className="pass-name">Before the first chip</b>
          <div className="lathe-job">{plan.thread.name}</div>
        </header>
        <main>
          <VisuallyHidden>
            <h1>At the lathe: {plan.thread.name}</h1>
          </VisuallyHidden>
          <div className="told">
            <p>{plan.check.says}</p>
            <ul className="options">
              {red.map(l => (
                <li key={l.code}>
                  {l.name}: {l.says}
                </li>
              ))}
            </ul>
          </div>
        </main>
        <footer>
          <Link to="/jobs/$id/$station" params={{ id: job.id, station: 'setup' }} className="lathe-key">
            To the check
          </Link>
          <button type="button" className="lathe-key" onClick={() => setAll(true)}>
            Cut all the same
          </button>
        </footer>
      </div>
    );
  }
  return (
    <div className={`lathe ${tone}`}>
      <header>
        <div>
          <b className="pass-name">{headline(view, job, steps.length > 0)}</b>
          <span>{next ? `${view.left} to go` : `${run?.passes_done ?? 0} cut`}</span>
        </div>
        <div className="lathe-job">
          {plan.thread.name}
          {job.place != null && `, part ${job.place}`}
          <span>
            {plan.setup.ending === 'hand' ? 'Spindle turned by hand' : plan.setup.speed_rpm.text}; {nutSays(plan)}
          </span>
        </div>
        <Link to="/jobs/$id/$station" params={{ id: job.id, station: 'cut' }} className="lathe-key small">
          Leave
        </Link>
      </header>
      <main className={next && cycle.length > 0 && steps.length === 0 ? 'with-cycle' : ''}>
        <VisuallyHidden>
          <h1>At the lathe: {plan.thread.name}</h1>
          <p aria-live="assertive" className="announce">
            {says}
          </p>
        </VisuallyHidden>
        {steps.length > 0 ? (
          <div className="told">
            <ol className="pick-up">
              {steps.map(s => (
                <li key={s}>{s}</li>
              ))}
            </ol>
            {run?.must_touch && (
              <button type="button" className="lathe-key" onClick={() => setLeaf('touch')}>
                It touched at…
              </button>
            )}
            {next && !run?.stopped && (
              <p className="then" data-pass={next.pass.n}>
                Then: {next.setting.text}.
              </p>
            )}
          </div>
        ) : next ? (
          <>
            {cycle.length > 0 && <Cycle phases={cycle} at={at} onAt={i => setPhase({ n: next.pass.n, at: i })} />}
            <NextSetting plan={plan} next={next} />
          </>
        ) : (
          <div className="told">
            <p>{says}</p>
            {verdict?.questions.map(q => (
              <p key={q} className="fault">
                {q}
              </p>
            ))}
            {verdict?.options && verdict.options.length > 0 && (
              <ul className="options">
                {verdict.options.map(o => (
                  <li key={o}>{o}</li>
                ))}
              </ul>
            )}
          </div>
        )}
        {verdict?.verdict === 'take_more' && next && steps.length === 0 && <p className="strip">{verdict.says}</p>}
        <OutboxSays
          outbox={outbox}
          kept={`${waiting.length} ${waiting.length === 1 ? 'act is' : 'acts are'} kept here and will be sent.`}
          strip
        />
      </main>
      <footer>
        <button type="button" className="lathe-key" onClick={e => undo(e.timeStamp)} disabled={!view.last}>
          Undo <kbd>U</kbd>
        </button>
        <button type="button" className="lathe-key" onClick={() => setLeaf('trouble')}>
          Trouble <kbd>T</kbd>
        </button>
        <button type="button" className="lathe-key" onClick={() => setLeaf('happened')}>
          Else… <kbd>O</kbd>
        </button>
        <button type="button" className="lathe-key" onClick={() => setLeaf('stands')}>
          Dial stands at… <kbd>D</kbd>
        </button>
        <button type="button" className="lathe-key" onClick={() => setLeaf('measure')}>
          Measure <kbd>M</kbd>
        </button>
        {run?.stopped ? (
          <button type="button" className="lathe-key done-key" onClick={() => record({ kind: 'resumed' })}>
            Go on
          </button>
        ) : (
          <button type="button" className="lathe-key done-key" onClick={e => done(e.timeStamp)} disabled={!next}>
            Done <kbd>Space</kbd>
          </button>
        )}
      </footer>
      <MeasureLeaf job={job} plan={plan} open={leaf === 'measure'} onClose={() => setLeaf(null)} record={record} />
      <StandsLeaf plan={plan} open={leaf === 'stands'} onClose={() => setLeaf(null)} record={record} />
      <HappenedLeaf
        job={job}
        plan={plan}
        next={next}
        open={leaf === 'happened'}
        onClose={() => setLeaf(null)}
        record={record}
        onTrouble={() => setLeaf('trouble')}
      />
      <Leaf title="The groove touched at" open={leaf === 'touch'} onClose={() => setLeaf(null)}>
        <TouchForm
          plan={plan}
          onTold={act => {
            record(act);
            setLeaf(null);
          }}
        />
      </Leaf>
      <TroubleLeaf job={job} open={leaf === 'trouble'} onClose={() => setLeaf(null)} record={record} />
    </div>
  );
}

/** Full screen beside the lathe: the next setting, big, and one large control. */
export function AtTheLathe() {
  const { id = '' } = useParams({ strict: false });
  const job = useJob(id);
  const plan = job.data?.plan;
  const unit = useShownIn(plan);
  useAtTheBench();
  if (job.isError && !job.data)
    return (
      <main className="lost">
        <p className="fault">{inWords(job.error)}</p>
        <Link to="/" className="act as-link">
          To the job board
        </Link>
      </main>
    );
  if (!job.data || !plan) return null;
  return (
    <UnitContext value={unit}>
      <Stand job={job.data} plan={plan} />
    </UnitContext>
  );
}
