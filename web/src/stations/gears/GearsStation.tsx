import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { useWays } from '../../api/sheets';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { figure, Figure } from '../../parts/Figure';
import { cap } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
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
import { say } from '../../app/voice';

/** Gears: which gears, where, how true, and when the half-nut may open. */
export function GearsStation({ job, plan }: StationProps) {
  const { gears, setup } = plan;
  const unit = useUnit();
  const [leaf, setLeaf] = useState<'trains' | 'chart' | 'buy' | 'scratch' | 'motion' | 'drift' | null>(null);
  const close = () => setLeaf(null);
  const hung = gears.hung;
  const ways = useWays(job);
  const ending = setup.endings.find(e => e.chosen);
  const lathe = job.request.lathe_id;
  const rule = {
    any_position: 'Anywhere',
    every_mark: 'Any mark',
    marks: `Every ${gears.dial.every} marks`,
    keep_closed: 'Keep it closed',
  }[gears.dial.rule];
  const fixed = hung && byLevers(hung.train);
  const others = gears.dial.gears?.filter(g => g.teeth !== gears.dial.teeth).map(g => `${g.teeth} teeth: ${g.says}`);
  return (
    <Station
      id="gears"
      plan={plan}
      sentence={
        <>
          {fixed ? 'Set the levers to' : 'Hang'}{' '}
          <button
            type="button"
            className={`word${hung?.chosen ? ' set' : ''}`}
            onClick={() => setLeaf('trains')}
            aria-label={`Train: ${hung ? `${train(hung.train)}${lever(hung.train)}` : 'nothing'}. Choose another`}
          >
            {hung ? `${train(hung.train)}${lever(hung.train)}` : 'nothing'}
          </button>
          ; to end each pass,{' '}
          <Word
            job={job}
            about="How each pass ends"
            set={job.request.setup?.ending != null && job.request.setup.ending !== 'auto'}
            edit={{
              kind: 'choice',
              choices: setup.endings.map(e => {
                const way = ways.data?.pass_ends.find(s => s.ending === e.ending);
                return {
                  says: `${e.says}${e.recommended ? ' (recommended)' : ''}${e.serves ? '' : ' (does not serve)'}`,
                  under: `${way?.says ?? ''} ${cap(e.consequence)}.`,
                  seen: way?.drawing,
                  chosen: e.chosen,
                  patch: { setup: { ending: e.ending } },
                };
              }),
            }}
          >
            {ending?.says ?? 'as suits'}
          </Word>
          .{' '}
          <button
            type="button"
            className="word"
            onClick={() => setLeaf('motion')}
            aria-label={`Which way everything moves: ${setup.says}`}
          >
            {`Spindle ${setup.spindle}, ${say(setup.screw === 'top_slide' ? '{compound}' : '{carriage}')} ${setup.carriage === 'toward_headstock' ? 'toward' : 'away from'} the headstock`}
          </button>
          .
        </>
      }
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
          says: 'Lead cut',
          figure: hung.lead_mm,
          under: hung.train.error_ppm === 0 ? hung.judged : `${hung.train.error_text}. ${hung.judged}`,
        },
        setup.screw
          ? { says: 'The screw', text: 'Always engaged', under: gears.dial.says }
          : { says: say('{Half-nut}'), text: rule, under: gears.dial.says },
        hung &&
          !fixed && {
            says: 'Gears to change',
            text: String(hung.train.swaps),
            under: hung.train.fits === null ? 'Judged by tooth counts alone: the arm is not measured.' : undefined,
          },
      ]}
      beside={gears.dial.drawing && <Outline className="dial-face" drawing={gears.dial.drawing} />}
      acts={
        <>
          {lathe && hung && hung.train.swaps > 0 && <OnItNow lathe={lathe} train={hung.train} />}
          {!fixed && (
            <button type="button" className="act plain" onClick={() => setLeaf('scratch')}>
              What did I hang?
            </button>
          )}
          {lathe && (
            <>
              <button type="button" className="act plain" onClick={() => setLeaf('chart')}>
                Pitch chart
              </button>
              {!fixed && (
                <button type="button" className="act plain" onClick={() => setLeaf('buy')}>
                  Make or buy
                </button>
              )}
              <Link to="/shop/lathes/$id" params={{ id: lathe }} className="act plain as-link">
                The lathe
              </Link>
            </>
          )}
          {gears.drift && (
            <button type="button" className="act plain" onClick={() => setLeaf('drift')}>
              Over length
            </button>
          )}
        </>
      }
      notes={[
        hung && !fixed && (
          <ol className="steps" aria-label="Hanging it">
            {hung.steps.map(s => (
              <li key={s}>{s}</li>
            ))}
          </ol>
        ),
        hung?.clearances && (
          <p className="how clearances">
            Tightest:{' '}
            {hung.clearances.map((c, i) => (
              <span key={c.between}>
                {i > 0 && '; '}
                {c.between} <Figure of={c.room_mm} says={c.between} />
              </span>
            ))}
            .
          </p>
        ),
        plan.cut.starts?.length ? <StartsList plan={plan} /> : null,
        others && others.length > 0 && <p className="how">The other dial gears: {others.join('; ')}.</p>,
        gears.dial.drift_mm && (
          <p className="how">Nominal marks drift {figure(gears.dial.drift_mm, unit)} by the last pass.</p>
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
          open={leaf === 'buy'}
          onClose={close}
        />
      )}
      {lathe && <ChartLeaf lathe={lathe} name={gears.lathe} open={leaf === 'chart'} onClose={close} />}
    </Station>
  );
}
