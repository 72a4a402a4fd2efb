import { OutboxSays } from '../../parts/OutboxSays';
import { useState } from 'react';
import { isPointed, type Job, leftFor, type Plan, type Verdict } from '../../api/client';
import { useOutbox } from '../../api/outbox';
import { useKeys } from '../../app/keys';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';
import { TroubleLeaf } from '../trouble/TroubleLeaf';
import { MeasureLeaf } from './MeasureLeaf';
import { OriginalLeaf } from './OriginalLeaf';
import { WiresLeaf } from './WiresLeaf';
import { said, spoken, text } from '../../app/voice';

const HEADS = spoken<Record<Verdict['verdict'], string>>(() => ({
  in_limits: text('gauge-in-limits'),
  take_more: text('gauge-take-more'),
  past_limit: text('gauge-past-the-limit'),
  unsure: text('gauge-not-sure'),
}));

const FORMULAS = spoken(
  () =>
    [
      ['auto', text('gauge-usual-form'), text('gauge-simple-one-start')],
      ['none', text('gauge-by-the-simple-formula'), text('gauge-lead-angle-neglected')],
      ['approximate', text('gauge-corrected-for-the-lead'), text('gauge-to-first-order')],
      ['exact', text('gauge-where-they-really'), text('gauge-straight-wire-between')],
    ] as const,
);

function Said({ job, plan }: { job: Job; plan: Plan }) {
  const verdict = job.run?.verdict;
  if (!verdict) return null;
  return (
    <div className={`verdict ${verdict.verdict}`} role="status">
      <b>{leftFor(plan) && verdict.verdict === 'in_limits' ? text('lathe-left') : HEADS()[verdict.verdict]}</b>
      <p>{verdict.says}</p>
      {verdict.questions.map(q => (
        <p key={q}>{q}</p>
      ))}
      {verdict.options && verdict.options.length > 0 && (
        <ul className="steps">
          {verdict.options.map(o => (
            <li key={o}>{o}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** Gauge: is it there, and if not, how much more? */
export function GaugeStation({ job, plan }: StationProps) {
  const { gauge } = plan;
  const unit = useUnit();
  const [leaf, setLeaf] = useState<'measure' | 'wires' | 'original' | 'trouble' | null>(null);
  const outbox = useOutbox(job);
  const { record } = outbox;
  const over = gauge.over_wires_mm;
  const close = () => setLeaf(null);
  const original = job.request.gauge?.original;
  useKeys({ measure: () => setLeaf('measure'), trouble: () => setLeaf('trouble') });
  return (
    <Station
      id="gauge"
      plan={plan}
      sentence={said('gauge-the-aim-is', {
        how:
          over &&
          said('gauge-size-over-them', {
            how: (
              <Word
                job={job}
                about={text('gauge-how-size-over')}
                set={job.request.gauge?.lead_correction != null && job.request.gauge.lead_correction !== 'auto'}
                edit={{
                  kind: 'choice',
                  choices: FORMULAS().map(([by, says, under]) => ({
                    says,
                    under,
                    chosen: (job.request.gauge?.lead_correction ?? 'auto') === by,
                    patch: { gauge: { lead_correction: by === 'auto' ? null : by } },
                  })),
                }}
              >
                {FORMULAS().find(([by]) => by === (job.request.gauge?.lead_correction ?? 'auto'))?.[1] ?? ''}
              </Word>
            ),
          }),
        aim: (
          <button
            type="button"
            className={`word${original ? ' set' : ''}`}
            disabled={job.frozen}
            onClick={() => setLeaf('original')}
          >
            {original
              ? text('gauge-a-part-to-match-within')
              : job.request.cut?.target_pitch_diameter_mm != null
                ? text('gauge-as-told-at-cut')
                : text('gauge-what-its-limits-ask')}
          </button>
        ),
      })}
      drawing={gauge.drawing ? <Outline drawing={gauge.drawing} /> : <Outline drawing={plan.thread.drawing} />}
      numbers={[
        over && {
          says: text('gauge-over-wires-aim'),
          figure: over.target,
          under:
            gauge.formulas?.says ?? (gauge.corrected ? text('gauge-corrected-lead-angle') : text('gauge-simple')),
        },
        over && { says: text('gauge-over-wires-most'), figure: over.max },
        over && { says: text('gauge-over-wires-least'), figure: over.min },
        {
          says: text('card-pitch-diameter'),
          figure: plan.cut?.target_pitch_diameter_mm ?? gauge.max_mm,
          under: text('page-to', { min: figure(gauge.min_mm, unit), max: figure(gauge.max_mm, unit) }),
        },
      ]}
      beside={
        <>
          <Said job={job} plan={plan} />
          <OutboxSays outbox={outbox} kept={text('gauge-reading-kept-here')} />
        </>
      }
      acts={
        <>
          <button type="button" className="act" onClick={() => setLeaf('measure')}>
            {text('gauge-measured-or-tried')}
          </button>
          {isPointed(plan) && (
            <button type="button" className="act plain" onClick={() => setLeaf('trouble')}>
              {text('gauge-trouble')}
            </button>
          )}
          {plan.thread.included_angle_deg > 0 && (
            <button type="button" className="act plain" onClick={() => setLeaf('wires')}>
              {plan.thread.side === 'external' ? text('gauge-wires-leaf') : text('gauge-balls-leaf')}
            </button>
          )}
        </>
      }
      notes={[
        <p>{gauge.says}</p>,
        gauge.best_mm && gauge.usable_mm && (
          <p>
            {text('gauge-best-wire-will', {
              best: figure(gauge.best_mm, unit),
              min: figure(gauge.usable_mm.min, unit),
              max: figure(gauge.usable_mm.max, unit),
            })}
          </p>
        ),
        job.run?.tip && <p>{job.run.tip.says}</p>,
        job.run?.flank && <p>{job.run.flank.says}</p>,
        gauge.functional && <p className="felt">{gauge.functional.says}</p>,
      ]}
    >
      <MeasureLeaf job={job} plan={plan} open={leaf === 'measure'} onClose={close} record={record} />
      <WiresLeaf job={job} open={leaf === 'wires'} onClose={close} />
      <OriginalLeaf job={job} open={leaf === 'original'} onClose={close} />
      {isPointed(plan) && <TroubleLeaf job={job} open={leaf === 'trouble'} onClose={close} record={record} />}
    </Station>
  );
}
