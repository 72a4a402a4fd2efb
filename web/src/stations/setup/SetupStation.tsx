import { useState } from 'react';
import { inWords, type PointedPlan } from '../../api/client';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { Cautions } from '../../parts/WatchList';
import { figure } from '../../parts/Figure';
import { typed, speedSays } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { PointedProps } from '../JobPage';
import { Station } from '../Station';
import { CheckList } from './CheckList';
import { MateWord, ProofWord } from './ProofWords';
import { PlugJobs } from './PlugJobs';
import { TestPiece } from './TestPiece';
import { StepList } from './StepList';
import { useSetupSheet } from '../../api/sheets';
import { said, spoken, text } from '../../app/voice';

const VIEWS = spoken(
  () =>
    ({
      check: text('setup-the-check'),
      picture: text('setup-from-above'),
      steps: text('setup-step-by-step'),
      speed: text('page-speed'),
    }) as const,
);
type View = keyof ReturnType<typeof VIEWS>;

/** Set-up: how it is set, how fast, which way everything moves, and the one check before the first chip. */
export function SetupStation(props: PointedProps) {
  // A plan frozen by an older version keeps what it was frozen with.
  const check = props.plan.check as PointedPlan['check'] | undefined;
  if (check) return <SetUp {...props} />;
  return <p className="how">{text('setup-job-begun-before', { setup: props.plan.setup.says })}</p>;
}

function SetUp({ job, plan }: PointedProps) {
  const { setup, check, cut, proof } = plan;
  const unit = useUnit();
  const [view, setView] = useState<View>('check');
  const [limits, setLimits] = useState(false);
  const drawn = useSetupSheet(job);
  const sheet = drawn.data;
  const asked = job.request.setup;
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
          {said('setup-prove-size-mate', {
            speed_rpm: setup.speed_rpm
              ? said('setup-run-it-at-within', {
                  rpm: number(
                    text('setup-spindle-speed-rpm'),
                    asked?.spindle_rpm,
                    'spindle_rpm',
                    text('page-leave-app'),
                    speedSays(plan),
                  ),
                  limited: (
                    <button type="button" className={`word${limited ? ' set' : ''}`} onClick={() => setLimits(true)}>
                      {limited ? text('setup-limits-of-your-own') : text('setup-the-usual-limits')}
                    </button>
                  ),
                })
              : text('setup-the-spindle-is', { speed_says: speedSays(plan) }),
            way: <ProofWord job={job} plan={plan} />,
            mate_at_hand: <MateWord job={job} plan={plan} />,
          })}{' '}
          <TestPiece job={job} plan={plan} />
        </>
      }
      drawing={
        <div className="views">
          <div className="row" role="group" aria-label={text('setup-which-view')}>
            {(Object.keys(VIEWS()) as View[]).map(v => (
              <button key={v} type="button" className="choice" aria-pressed={v === view} onClick={() => setView(v)}>
                {VIEWS()[v]}
              </button>
            ))}
          </div>
          {view === 'check' ? (
            <CheckList job={job} plan={plan} />
          ) : !sheet ? (
            <p className={drawn.isError ? 'fault' : 'how'}>
              {drawn.isError ? inWords(drawn.error) : text('setup-drawing-the-set-up')}
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
                    {l.binds && text('setup-this-one-binds')}
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
          says: text('setup-compound-own-scale'),
          text:
            cut.angle_deg > 0
              ? `${cut.scale_deg}°`
              : cut.style === 'alternating' || setup.screw === 'top_slide'
                ? text('setup-along-the-bed')
                : text('setup-straight-in'),
          note: `${cut.scale}${cut.angle_deg > 0 ? ` ${text('setup-handle-end-leans', { end: setup.handle_to_tailstock ? text('gears-tailstock') : text('gears-headstock') })}` : ''}`,
        },
        {
          says: text('page-speed'),
          text: setup.ending === 'hand' ? text('setup-by-hand') : speedSays(plan),
          line: setup.limit_rpm?.w,
          under:
            setup.limit_rpm &&
            text('setup-bound-by', {
              limit: setup.limits.find(l => l.binds)?.says ?? text('setup-the-tool'),
              rpm: setup.limit_rpm.text,
            }),
        },
        {
          says: text('setup-run-up-each-pass'),
          figure: setup.run_up_mm,
          // Turned by hand it stops where the hand does.
          under:
            setup.ending === 'hand'
              ? undefined
              : text('setup-stops-in', { stopping: figure(setup.stopping_mm, unit) }),
        },
        proof.gauge && { says: text('setup-plug-turn-first'), figure: proof.gauge.go_mm, note: proof.gauge.says },
      ]}
      beside={
        <>
          {proof.gauge && !job.frozen && <PlugJobs job={job} />}
          {view !== 'check' && (
            <button
              type="button"
              className={`check-seal ${wrong > 0 ? 'not-ready' : open > 0 ? 'unknown' : 'ready'}`}
              onClick={() => setView('check')}
            >
              <b>
                {wrong > 0
                  ? text('setup-so-many-to-put-right', { wrong })
                  : open > 0
                    ? text('setup-open-not-known', { open })
                    : text('setup-ready')}
              </b>
              <span>
                {wrong === 0
                  ? open > 0
                    ? text('setup-nothing-found-against-it')
                    : text('setup-all-known')
                  : open > 0
                    ? text('setup-not-known', { open })
                    : text('setup-the-rest-is-good')}
              </span>
            </button>
          )}
          {sheet?.cautions[0] && <p className="how caution">{sheet.cautions[0]}</p>}
        </>
      }
      notes={[<p>{setup.says}</p>, sheet && <Cautions cautions={sheet.cautions} />]}
    >
      <Leaf title={text('setup-speed-balance-hand')} open={limits} onClose={() => setLimits(false)}>
        <p className="sentence own">
          {said('setup-work-your-own', {
            balance: number(
              text('setup-most-work-may'),
              asked?.balance_rpm,
              'balance_rpm',
              text('setup-in-balance'),
              asked?.balance_rpm != null
                ? text('setup-kept-under-rpm', { balance_rpm: asked.balance_rpm })
                : text('setup-in-balance-within'),
            ),
            comfort: number(
              text('setup-most-you-care'),
              asked?.comfort_rpm,
              'comfort_rpm',
              text('page-none'),
              asked?.comfort_rpm != null
                ? text('setup-rpm', { comfort_rpm: asked.comfort_rpm })
                : text('page-none-within'),
            ),
            reaction_s: (
              <Word
                job={job}
                about={text('setup-reaction-time-seconds')}
                set={asked?.reaction_s != null}
                edit={{
                  kind: 'number',
                  value: String(plan.setup.reaction_s),
                  patch: v => ({ setup: { reaction_s: v } }),
                  clear: text('page-not-measured'),
                }}
              >
                {`${plan.setup.reaction_s} s`}
              </Word>
            ),
            backlash: (
              <Word
                job={job}
                about={text('setup-backlash-carriages-drive')}
                set={asked?.backlash_mm != null}
                edit={{
                  kind: 'length',
                  value: typed(asked?.backlash_mm, unit),
                  patch: mm => ({ setup: { backlash_mm: mm } }),
                  clear: text('page-not-measured'),
                }}
              >
                {asked?.backlash_mm != null
                  ? text('setup-mm-of-backlash', { backlash: asked.backlash_mm })
                  : text('setup-no-backlash-measured')}
              </Word>
            ),
          })}
        </p>
      </Leaf>
    </Station>
  );
}
