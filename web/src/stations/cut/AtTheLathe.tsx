import { VisuallyHidden } from '@mantine/core';
import { Link, useNavigate, useParams } from '@tanstack/react-router';
import { useRef, useState } from 'react';
import { inWords, isPointed, type Job, leftFor, type Plan } from '../../api/client';
import { useJob } from '../../api/hooks';
import { useLive } from '../../api/live';
import { useOutbox } from '../../api/outbox';
import { useAtTheBench, useSettings, useShownIn } from '../../app/Settings';
import { TWICE_MS, useKeys } from '../../app/keys';
import { onNoLathe } from '../../app/lathe';
import { language, text } from '../../app/voice';
import { useDraft } from '../../parts/draft';
import { Leaf } from '../../parts/Leaf';
import { NoLathe } from '../../parts/NoLathe';
import { AlsoHere } from '../../parts/AlsoHere';
import { OutboxSays } from '../../parts/OutboxSays';
import { UnitContext } from '../../parts/unit';
import { useNewerBetween } from '../../tablet/useNewer';
import { MeasureLeaf } from '../gauge/MeasureLeaf';
import { TroubleLeaf } from '../trouble/TroubleLeaf';
import { Cycle } from './Cycle';
import { HappenedLeaf, TouchForm } from './HappenedLeaf';
import { Live } from './Live';
import { NextSetting } from './NextSetting';
import { StandsLeaf } from './StandsLeaf';
import { bare, nutSays, speedSays } from '../../parts/text';
import { useSpoken, useWake } from './beside';
import { follow, type View } from './follow';

/** No pass has begun its cycle. */
const NO_PHASE = { n: -1, at: 0 };

/** The one word for where the run stands. */
function headline(view: View, job: Job, plan: Plan, finding: boolean): string {
  const run = job.run;
  if (run?.scrapped != null) return text('lathe-scrapped');
  if (run?.stopped) return text('lathe-stopped');
  if (finding && !view.hold) return text('lathe-find-groove');
  if (view.next) return view.next.name;
  if (view.hold) return text('lathe-hold');
  // What is left for a die or a tap is not proven by the single point.
  if (run?.finished) return text(leftFor(plan) ? 'lathe-left' : 'lathe-in-limits');
  if (run?.verdict?.verdict === 'past_limit') return text('lathe-past-limit');
  return text(run?.closed ? 'lathe-done' : 'lathe-measure');
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
  const { there, readout, live, unread, tell } = useLive(job);
  const { next } = view;
  const run = job.run;
  const verdict = waiting.length === 0 ? run?.verdict : null;
  const cycle = plan.run.cycle ?? [];
  // A die or a tap has no setting on a dial, and no causes of a single point.
  const pointed = isPointed(plan) ? plan : null;
  // Every pass begins the cycle anew.
  const at = next && phase.n === next.pass.n ? phase.at : 0;

  // Nothing is cut by a pedal or a knuckle while the check is red and nobody has said to.
  const red = plan.check.lines.filter(l => l.state === 'bad');
  const asks = !run?.begun && waiting.length === 0 && red.length > 0 && !all;

  const toRehearse = () => void navigate({ to: '/jobs/$id/$station', params: { id: job.id, station: 'rehearse' } });
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
    rehearse: () => toRehearse(),
    leave: () => void navigate({ to: '/jobs/$id/$station', params: { id: job.id, station: 'cut' } }),
  });

  const tone = run?.finished
    ? 'good'
    : run?.scrapped != null || verdict?.verdict === 'past_limit' || verdict?.verdict === 'unsure' || view.hold
      ? 'bad'
      : '';
  const says = view.hold
    ? outbox.refused.length > 0
      ? text('lathe-hold-settle')
      : text('lathe-hold-waits')
    : waiting.length > 0
      ? (next?.says ?? text('run-all-cut'))
      : (run?.says ?? '');
  const steps = waiting.length === 0 ? (run?.pick_up ?? []) : [];
  useWake();
  const newer = useNewerBetween(job.sequence, waiting.length, next !== null && run?.begun === true && !run.stopped);
  const aloud = waiting.length > 0 ? (next?.aloud ?? says) : (run?.aloud ?? says);
  useSpoken(view.hold ? says : aloud, speak);
  if (asks) {
    return (
      <div className="lathe bad" lang={language()}>
        <header>
          <b className="pass-name">{text('lathe-first-chip')}</b>
          <div className="lathe-job">{plan.thread.name}</div>
        </header>
        <main>
          <VisuallyHidden>
            <h1>{text('lathe-at-the-lathe', { thread: plan.thread.name })}</h1>
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
            {text('lathe-to-the-check')}
          </Link>
          <button type="button" className="lathe-key" onClick={() => setAll(true)}>
            {text('lathe-all-the-same')}
          </button>
        </footer>
      </div>
    );
  }
  return (
    <div className={`lathe ${tone}`} lang={language()}>
      <header>
        <div>
          <b className="pass-name">{headline(view, job, plan, steps.length > 0)}</b>
          <span>
            {next ? text('lathe-to-go', { n: view.left }) : text('lathe-cut', { n: run?.passes_done ?? 0 })}
          </span>
        </div>
        <div className="lathe-job">
          {job.place == null ? plan.thread.name : text('lathe-part', { thread: plan.thread.name, place: job.place })}
          <span>
            {pointed
              ? `${pointed.setup.ending === 'hand' ? text('lathe-by-hand') : text('lathe-rpm', { n: bare(speedSays(pointed)) })}; ${nutSays(pointed)}`
              : plan.chaser?.twist.torque_nm.text}
          </span>
        </div>
        <Link to="/jobs/$id/$station" params={{ id: job.id, station: 'cut' }} className="lathe-key small">
          {text('lathe-leave')}
        </Link>
      </header>
      <main
        className={[next && cycle.length > 0 && steps.length === 0 && 'with-cycle', (there || unread) && 'with-live']
          .filter(Boolean)
          .join(' ')}
      >
        <VisuallyHidden>
          <h1>{text('lathe-at-the-lathe', { thread: plan.thread.name })}</h1>
          <p aria-live="assertive" className="announce">
            {says}
          </p>
        </VisuallyHidden>
        {(there || unread) && <Live live={live} readout={readout} unread={unread} tell={tell} record={record} />}
        {steps.length > 0 ? (
          <div className="told">
            <ol className="pick-up">
              {steps.map(s => (
                <li key={s}>{s}</li>
              ))}
            </ol>
            {run?.must_touch && (
              <button type="button" className="lathe-key" onClick={() => setLeaf('touch')}>
                {text('lathe-touched-at')}
              </button>
            )}
            {next && !run?.stopped && (
              <p className="then" data-pass={next.pass.n}>
                {text('lathe-then', { setting: next.setting.text })}
              </p>
            )}
          </div>
        ) : next ? (
          <>
            {cycle.length > 0 && <Cycle phases={cycle} at={at} onAt={i => setPhase({ n: next.pass.n, at: i })} />}
            {pointed ? (
              <NextSetting plan={pointed} next={next} live={live} />
            ) : (
              <div className="told stage">
                <p data-pass={next.pass.n}>{next.says}</p>
              </div>
            )}
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
        {newer && <p className="strip">{text('frame-newer-waits')}</p>}
        <AlsoHere job={job.id} strip />
        <OutboxSays
          outbox={outbox}
          kept={text(waiting.length === 1 ? 'lathe-one-kept' : 'lathe-kept', { n: waiting.length })}
          strip
        />
      </main>
      <footer className={pointed ? undefined : 'few'}>
        <button type="button" className="lathe-key" onClick={e => undo(e.timeStamp)} disabled={!view.last}>
          {text('lathe-undo')} <kbd>U</kbd>
        </button>
        {pointed && (
          <button type="button" className="lathe-key" onClick={() => setLeaf('trouble')}>
            {text('lathe-trouble')} <kbd>T</kbd>
          </button>
        )}
        <button type="button" className="lathe-key" onClick={() => setLeaf('happened')}>
          {text('lathe-else')} <kbd>O</kbd>
        </button>
        {pointed && (
          <button type="button" className="lathe-key" onClick={() => setLeaf('stands')}>
            {text('lathe-stands')} <kbd>D</kbd>
          </button>
        )}
        <button type="button" className="lathe-key" onClick={() => setLeaf('measure')}>
          {text('lathe-measure')} <kbd>M</kbd>
        </button>
        {run?.stopped ? (
          <button type="button" className="lathe-key done-key" onClick={() => record({ kind: 'resumed' })}>
            {text('lathe-go-on')}
          </button>
        ) : (
          <button type="button" className="lathe-key done-key" onClick={e => done(e.timeStamp)} disabled={!next}>
            {text('lathe-done-key')} <kbd>{text('cut-space')}</kbd>
          </button>
        )}
      </footer>
      <MeasureLeaf job={job} plan={plan} open={leaf === 'measure'} onClose={() => setLeaf(null)} record={record} />
      {pointed && (
        <StandsLeaf plan={pointed} open={leaf === 'stands'} onClose={() => setLeaf(null)} record={record} />
      )}
      <HappenedLeaf
        job={job}
        plan={plan}
        next={next}
        open={leaf === 'happened'}
        onClose={() => setLeaf(null)}
        record={record}
        onTrouble={() => setLeaf('trouble')}
        onRehearse={toRehearse}
      />
      <Leaf title={text('cut-the-groove-touched-at')} open={leaf === 'touch'} onClose={() => setLeaf(null)}>
        {pointed && (
          <TouchForm
            plan={pointed}
            onTold={act => {
              record(act);
              setLeaf(null);
            }}
          />
        )}
      </Leaf>
      {pointed && <TroubleLeaf job={job} open={leaf === 'trouble'} onClose={() => setLeaf(null)} record={record} />}
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
          {text('lathe-job-board')}
        </Link>
      </main>
    );
  if (!job.data || !plan) return null;
  return (
    <UnitContext value={unit}>
      {onNoLathe(job.data) && isPointed(plan) ? (
        <main className="lost">
          <NoLathe job={job.data} plan={plan} />
          <Link to="/jobs/$id/$station" params={{ id, station: 'cut' }} className="act plain as-link">
            {text('lathe-leave')}
          </Link>
        </main>
      ) : (
        <Stand job={job.data} plan={plan} />
      )}
    </UnitContext>
  );
}
