import { useState } from 'react';
import { inWords, type Plan } from '../../api/client';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { Closing } from '../../parts/WatchList';
import { figure } from '../../parts/Figure';
import { typed, speedSays } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';
import { CheckList } from './CheckList';
import { StepList } from './StepList';
import { useSetupSheet } from '../../api/sheets';
import { say } from '../../app/voice';

const VIEWS = { check: 'The check', picture: 'From above', steps: 'Step by step', speed: 'Speed' } as const;
type View = keyof typeof VIEWS;

const PROOFS = {
  auto: 'whatever can be done',
  wires: 'three wires',
  thread_micrometer: 'a thread micrometer',
  mate: 'the mate',
  plug: 'a gauge turned first',
  test_piece: 'a test piece',
} as const;

/** Set-up: how it is set, how fast, which way everything moves, and the one check before the first chip. */
export function SetupStation(props: StationProps) {
  // A plan frozen by an older version keeps what it was frozen with.
  const check = props.plan.check as Plan['check'] | undefined;
  if (check) return <SetUp {...props} />;
  return <p className="how">This job was begun before set-ups were checked: {props.plan.setup.says}</p>;
}

function SetUp({ job, plan }: StationProps) {
  const { setup, check, cut, proof } = plan;
  const unit = useUnit();
  const [view, setView] = useState<View>('check');
  const [limits, setLimits] = useState(false);
  const drawn = useSetupSheet(job);
  const sheet = drawn.data;
  const asked = job.request.setup;
  const way = proof.ways.find(w => w.chosen);
  const wrong = check.lines.filter(l => l.state === 'bad').length;
  const open = check.lines.filter(l => l.state === 'unknown').length;
  const limited = [asked?.balance_rpm, asked?.comfort_rpm, asked?.reaction_s, asked?.backlash_mm].some(
    v => v != null,
  );
  const number = (
    about: string,
    value: number | null | undefined,
    field: 'spindle_rpm' | 'balance_rpm' | 'comfort_rpm',
    clear: string,
    says: string,
  ) => (
    <Word
      job={job}
      about={about}
      set={value != null}
      edit={{
        kind: 'number',
        value: value == null ? '' : String(value),
        patch: v => ({ setup: { [field]: v } }),
        clear,
      }}
    >
      {says}
    </Word>
  );
  return (
    <Station
      id="setup"
      plan={plan}
      sentence={
        <>
          {setup.speed_rpm ? (
            <>
              Run it at{' '}
              {number(
                'Spindle speed, rpm',
                asked?.spindle_rpm,
                'spindle_rpm',
                'Leave it to the app',
                speedSays(plan),
              )}
              , within{' '}
              <button type="button" className={`word${limited ? ' set' : ''}`} onClick={() => setLimits(true)}>
                {limited ? 'limits of your own' : 'the usual limits'}
              </button>
            </>
          ) : (
            `The spindle is ${speedSays(plan)}`
          )}
          . Prove the size by{' '}
          <Word
            job={job}
            about="How the size is proven"
            set={job.request.gauge?.proof != null && job.request.gauge.proof !== 'auto'}
            edit={{
              kind: 'choice',
              choices: [
                {
                  says: PROOFS.auto,
                  chosen: (job.request.gauge?.proof ?? 'auto') === 'auto',
                  patch: { gauge: { proof: null } },
                },
                ...proof.ways.map(w => ({
                  says: `${w.says}${w.serves === false ? ' (cannot be done)' : ''}`,
                  under: w.why,
                  chosen: job.request.gauge?.proof === w.by,
                  patch: { gauge: { proof: w.by } },
                })),
              ],
            }}
          >
            {way?.says ?? 'nothing at hand'}
          </Word>
          ; the mate is{' '}
          <Word
            job={job}
            about="Whether the mate is at hand"
            set={job.request.gauge?.mate_at_hand != null}
            later
            edit={{
              kind: 'choice',
              choices: [
                {
                  says: 'at hand',
                  chosen: job.request.gauge?.mate_at_hand === true,
                  patch: { gauge: { mate_at_hand: true } },
                },
                {
                  says: 'not at hand',
                  chosen: job.request.gauge?.mate_at_hand === false,
                  patch: { gauge: { mate_at_hand: false } },
                },
                {
                  says: 'not told',
                  chosen: job.request.gauge?.mate_at_hand == null,
                  patch: { gauge: { mate_at_hand: null } },
                },
              ],
            }}
          >
            {job.request.gauge?.mate_at_hand == null
              ? 'not told to be at hand'
              : job.request.gauge.mate_at_hand
                ? 'at hand'
                : 'not at hand'}
          </Word>
          .
        </>
      }
      drawing={
        <div className="views">
          <div className="row" role="group" aria-label="Which view">
            {(Object.keys(VIEWS) as View[]).map(v => (
              <button key={v} type="button" className="choice" aria-pressed={v === view} onClick={() => setView(v)}>
                {VIEWS[v]}
              </button>
            ))}
          </div>
          {view === 'check' ? (
            <CheckList job={job} plan={plan} />
          ) : !sheet ? (
            <p className={drawn.isError ? 'fault' : 'how'}>
              {drawn.isError ? inWords(drawn.error) : 'Drawing the set-up…'}
            </p>
          ) : view === 'steps' ? (
            <StepList job={job} sheet={sheet} />
          ) : view === 'speed' ? (
            <div className="speeds">
              {sheet.speeds ? <Outline drawing={sheet.speeds} /> : <p className="how">{speedSays(plan)}</p>}
              <ul>
                {setup.limits.map(l => (
                  <li key={l.limit} className={l.binds ? 'binds' : ''}>
                    <b>{l.rpm.text}</b> {l.says}
                    {l.binds && ': this one binds'}
                  </li>
                ))}
              </ul>
            </div>
          ) : (
            <Outline className="from-above" drawing={sheet.picture} />
          )}
        </div>
      }
      numbers={[
        {
          says: say('{Compound}, on its own scale'),
          text:
            cut.angle_deg > 0
              ? `${cut.scale_deg}°`
              : cut.style === 'alternating' || setup.screw === 'top_slide'
                ? 'Along the bed'
                : 'Straight in',
          note: `${cut.scale}${cut.angle_deg > 0 ? ` Its handle end leans toward the ${setup.handle_to_tailstock ? 'tailstock' : 'headstock'}.` : ''}`,
        },
        {
          says: 'Speed',
          text: setup.ending === 'hand' ? 'By hand' : speedSays(plan),
          line: setup.limit_rpm?.w,
          under:
            setup.limit_rpm &&
            `bound by ${setup.limits.find(l => l.binds)?.says ?? 'the tool'}: ${setup.limit_rpm.text}`,
        },
        { says: 'Run-up, each pass', figure: setup.run_up_mm, under: `stops in ${figure(setup.stopping_mm, unit)}` },
        proof.gauge && { says: 'Plug to turn first, go end', figure: proof.gauge.go_mm, note: proof.gauge.says },
      ]}
      beside={
        <>
          {view !== 'check' && (
            <button
              type="button"
              className={`check-seal ${wrong > 0 ? 'not-ready' : open > 0 ? 'unknown' : 'ready'}`}
              onClick={() => setView('check')}
            >
              <b>{wrong > 0 ? `▲ ${wrong} to put right` : open > 0 ? `? ${open} not known` : '✓ Ready'}</b>
              <span>
                {wrong === 0
                  ? open > 0
                    ? 'nothing found against it'
                    : 'all known'
                  : open > 0
                    ? `${open} not known`
                    : 'the rest is good'}
              </span>
            </button>
          )}
          {sheet?.cautions[0] && <p className="how caution">{sheet.cautions[0]}</p>}
        </>
      }
      notes={[
        <p>{setup.says}</p>,
        sheet && (
          <section className="watch" aria-label="Cautions of this set-up">
            <ul>
              {sheet.cautions.map(c => (
                <li key={c} className="note">
                  <span aria-hidden="true">●</span>
                  <p>{c}</p>
                </li>
              ))}
            </ul>
            <Closing />
          </section>
        ),
      ]}
    >
      <Leaf title="Speed, balance and the hand" open={limits} onClose={() => setLimits(false)}>
        <p className="sentence own">
          The work{' '}
          {number(
            'Most the work may turn at for its balance, rpm',
            asked?.balance_rpm,
            'balance_rpm',
            'In balance',
            asked?.balance_rpm != null ? `kept under ${asked.balance_rpm} rpm for its balance` : 'in balance',
          )}
          , your own limit{' '}
          {number(
            'Most you care to thread at, rpm',
            asked?.comfort_rpm,
            'comfort_rpm',
            'None',
            asked?.comfort_rpm != null ? `${asked.comfort_rpm} rpm` : 'none',
          )}
          , with a hand that takes{' '}
          <Word
            job={job}
            about="Reaction time, seconds"
            set={asked?.reaction_s != null}
            edit={{
              kind: 'number',
              value: String(plan.setup.reaction_s),
              patch: v => ({ setup: { reaction_s: v } }),
              clear: 'Not measured',
            }}
          >
            {`${plan.setup.reaction_s} s`}
          </Word>{' '}
          and a drive with{' '}
          <Word
            job={job}
            about="Backlash of the carriage’s drive"
            set={asked?.backlash_mm != null}
            edit={{
              kind: 'length',
              value: typed(asked?.backlash_mm, unit),
              patch: mm => ({ setup: { backlash_mm: mm } }),
              clear: 'Not measured',
            }}
          >
            {asked?.backlash_mm != null ? `${asked.backlash_mm} mm of backlash` : 'backlash not measured'}
          </Word>
          .
        </p>
      </Leaf>
    </Station>
  );
}
