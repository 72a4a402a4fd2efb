import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { useWays } from '../../api/sheets';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { figure, Figure } from '../../parts/Figure';
import { cap } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { PointedProps } from '../JobPage';
import { Station } from '../Station';
import { BuyLeaf } from './BuyLeaf';
import { ChartLeaf } from './ChartLeaf';
import { DriftLeaf } from './DriftLeaf';
import { MotionLeaf } from './MotionLeaf';
import { OnItNow } from './OnItNow';
import { ScratchLeaf } from './ScratchLeaf';
import { StartsList } from './StartsList';
import { byLevers, lever, train } from './train';
import { TrainsLeaf } from './TrainsLeaf';
import { said, text } from '../../app/voice';

/** Gears: which gears, where, how true, and when the half-nut may open. */
export function GearsStation({ job, plan }: PointedProps) {
  const { gears, setup } = plan;
  const unit = useUnit();
  const [leaf, setLeaf] = useState<'trains' | 'chart' | 'buy' | 'scratch' | 'motion' | 'drift' | null>(null);
  const close = () => setLeaf(null);
  const hung = gears.hung;
  const ways = useWays(job);
  const ending = setup.endings.find(e => e.chosen);
  const lathe = job.request.lathe_id;
  const rule = {
    any_position: text('gears-anywhere'),
    every_mark: text('gears-any-mark'),
    marks: text('gears-every-marks', { every: gears.dial.every }),
    keep_closed: text('gears-keep-it-closed'),
  }[gears.dial.rule];
  const fixed = hung && byLevers(hung.train);
  const others = gears.dial.gears
    ?.filter(g => g.teeth !== gears.dial.teeth)
    .map(g => text('gears-teeth', { teeth: g.teeth, says: g.says }));
  return (
    <Station
      id="gears"
      plan={plan}
      sentence={said('gears-to-end-each-pass', {
        fixed: fixed ? text('gears-set-the-levers-to') : text('gears-hang'),
        train: (
          <button
            type="button"
            className={`word${hung?.chosen ? ' set' : ''}`}
            onClick={() => setLeaf('trains')}
            aria-label={text('gears-train-choose-another', {
              train: hung ? `${train(hung.train)}${lever(hung.train)}` : text('page-nothing'),
            })}
          >
            {hung ? `${train(hung.train)}${lever(hung.train)}` : text('page-nothing')}
          </button>
        ),
        ending: (
          <Word
            job={job}
            about={text('gears-how-each-pass-ends')}
            set={job.request.setup?.ending != null && job.request.setup.ending !== 'auto'}
            edit={{
              kind: 'choice',
              choices: setup.endings.map(e => {
                const way = ways.data?.pass_ends.find(s => s.ending === e.ending);
                return {
                  says: `${e.says}${e.recommended ? ` ${text('page-recommended')}` : ''}${e.serves ? '' : ` ${text('page-does-not-serve')}`}`,
                  under: `${way?.says ?? ''} ${cap(e.consequence)}.`,
                  seen: way?.drawing,
                  chosen: e.chosen,
                  patch: { setup: { ending: e.ending } },
                };
              }),
            }}
          >
            {ending?.says ?? text('gears-as-suits')}
          </Word>
        ),
        spindle: (
          <button
            type="button"
            className="word"
            onClick={() => setLeaf('motion')}
            aria-label={text('gears-which-way-now', { way: setup.says })}
          >
            {text('gears-spindle-the-headstock', {
              spindle: setup.spindle,
              screw: text(setup.screw === 'top_slide' ? 'gears-compound' : 'gears-carriage'),
              carriage: setup.carriage === 'toward_headstock' ? text('gears-toward') : text('gears-away-from'),
            })}
          </button>
        ),
      })}
      drawing={
        gears.drawing ? (
          <Outline drawing={gears.drawing} />
        ) : (
          fixed && (
            <ol className="steps large">
              {hung.steps.map(s => (
                <li key={s}>{s}</li>
              ))}
            </ol>
          )
        )
      }
      numbers={[
        hung && {
          says: text('gears-lead-cut'),
          figure: hung.lead_mm,
          under: hung.train.error_ppm === 0 ? hung.judged : `${hung.train.error_text}. ${hung.judged}`,
        },
        setup.screw
          ? { says: text('gears-the-screw'), text: text('gears-always-engaged'), under: gears.dial.says }
          : { says: text('card-half-nut'), text: rule, under: gears.dial.says },
        hung &&
          !fixed && {
            says: text('gears-gears-to-change'),
            text: String(hung.train.swaps),
            under: hung.train.fits === null ? text('gears-judged-tooth-counts') : undefined,
          },
      ]}
      beside={gears.dial.drawing && <Outline className="dial-face" drawing={gears.dial.drawing} />}
      acts={
        <>
          {lathe && hung && hung.train.swaps > 0 && <OnItNow lathe={lathe} train={hung.train} />}
          {!fixed && (
            <button type="button" className="act plain" onClick={() => setLeaf('scratch')}>
              {text('gears-what-did-i-hang')}
            </button>
          )}
          {lathe && (
            <>
              <button type="button" className="act plain" onClick={() => setLeaf('chart')}>
                {text('page-pitch-chart')}
              </button>
              {!fixed && (
                <button type="button" className="act plain" onClick={() => setLeaf('buy')}>
                  {text('page-make-or-buy')}
                </button>
              )}
              <Link to="/shop/lathes/$id" params={{ id: lathe }} className="act plain as-link">
                {text('gears-the-lathe')}
              </Link>
            </>
          )}
          {gears.drift && (
            <button type="button" className="act plain" onClick={() => setLeaf('drift')}>
              {text('gears-over-length')}
            </button>
          )}
        </>
      }
      notes={[
        hung && !fixed && (
          <ol className="steps" aria-label={text('gears-hanging-it')}>
            {hung.steps.map(s => (
              <li key={s}>{s}</li>
            ))}
          </ol>
        ),
        hung?.clearances && (
          <p className="how clearances">
            {said('gears-tightest', {
              clearances: hung.clearances.map((c, i) => (
                <span key={c.between}>
                  {i > 0 && '; '}
                  {c.between} <Figure of={c.room_mm} says={c.between} />
                </span>
              )),
            })}
          </p>
        ),
        plan.cut.starts?.length ? <StartsList plan={plan} /> : null,
        others && others.length > 0 && (
          <p className="how">{text('gears-the-other-dial-gears', { others: others.join('; ') })}</p>
        ),
        gears.dial.drift_mm && (
          <p className="how">{text('gears-nominal-marks-drift', { drift: figure(gears.dial.drift_mm, unit) })}</p>
        ),
      ]}
    >
      <TrainsLeaf job={job} plan={plan} open={leaf === 'trains'} onClose={close} />
      <MotionLeaf job={job} plan={plan} open={leaf === 'motion'} onClose={close} />
      <DriftLeaf job={job} plan={plan} open={leaf === 'drift'} onClose={close} />
      <ScratchLeaf job={job} plan={plan} open={leaf === 'scratch'} onClose={close} />
      {lathe && (
        <BuyLeaf
          lathe={lathe}
          name={gears.lathe}
          job={`${plan.thread.starts > 1 ? `${plan.thread.starts} x ` : ''}${plan.thread.pitch_text}`}
          harmless={gears.harmless_ppm}
          open={leaf === 'buy'}
          onClose={close}
        />
      )}
      {lathe && <ChartLeaf lathe={lathe} name={gears.lathe} open={leaf === 'chart'} onClose={close} />}
    </Station>
  );
}
