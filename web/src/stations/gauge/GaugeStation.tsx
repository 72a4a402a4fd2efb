import { OutboxSays } from '../../parts/OutboxSays';
import { useState } from 'react';
import type { Job, Verdict } from '../../api/client';
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

const HEADS: Record<Verdict['verdict'], string> = {
  in_limits: '✓ In limits',
  take_more: '→ Take more',
  past_limit: '▲ Past the limit',
  unsure: '? Not sure',
};

const FORMULAS = [
  [
    'auto',
    'as is usual for this form',
    'simple for one start at 60°, 55° and 47½°; corrected for the rest; exact where that would show',
  ],
  ['none', 'by the simple formula', 'lead angle neglected'],
  ['approximate', 'corrected for the lead', 'to first order'],
  ['exact', 'by where they really rest', 'a straight wire between helical flanks'],
] as const;

function Said({ job }: { job: Job }) {
  const verdict = job.run?.verdict;
  if (!verdict) return null;
  return (
    <div className={`verdict ${verdict.verdict}`} role="status">
      <b>{HEADS[verdict.verdict]}</b>
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
      sentence={
        <>
          {over && (
            <>
              The size over them goes{' '}
              <Word
                job={job}
                about="How the size over wires is reckoned"
                set={job.request.gauge?.lead_correction != null && job.request.gauge.lead_correction !== 'auto'}
                edit={{
                  kind: 'choice',
                  choices: FORMULAS.map(([by, says, under]) => ({
                    says,
                    under,
                    chosen: (job.request.gauge?.lead_correction ?? 'auto') === by,
                    patch: { gauge: { lead_correction: by === 'auto' ? null : by } },
                  })),
                }}
              >
                {FORMULAS.find(([by]) => by === (job.request.gauge?.lead_correction ?? 'auto'))?.[1] ?? ''}
              </Word>
              .
            </>
          )}
          {' The aim is '}
          <button
            type="button"
            className={`word${original ? ' set' : ''}`}
            disabled={job.frozen}
            onClick={() => setLeaf('original')}
          >
            {original
              ? 'a part to match'
              : job.request.cut?.target_pitch_diameter_mm != null
                ? 'as told at Cut'
                : 'what its limits ask'}
          </button>
          .
        </>
      }
      drawing={gauge.drawing ? <Outline drawing={gauge.drawing} /> : <Outline drawing={plan.thread.drawing} />}
      numbers={[
        over && {
          says: 'Over wires, aim',
          figure: over.target,
          under: gauge.formulas?.says ?? (gauge.corrected ? 'corrected for the lead angle' : 'simple'),
        },
        over && { says: 'Over wires, most', figure: over.max },
        over && { says: 'Over wires, least', figure: over.min },
        {
          says: 'Pitch diameter',
          figure: plan.cut.target_pitch_diameter_mm,
          under: `${figure(gauge.min_mm, unit)} to ${figure(gauge.max_mm, unit)}`,
        },
      ]}
      beside={
        <>
          <Said job={job} />
          <OutboxSays
            outbox={outbox}
            kept="The reading is kept here and will be sent. Do not cut deeper until then."
          />
        </>
      }
      acts={
        <>
          <button type="button" className="act" onClick={() => setLeaf('measure')}>
            Measured, or tried
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('trouble')}>
            Trouble…
          </button>
          {plan.thread.included_angle_deg > 0 && (
            <button type="button" className="act plain" onClick={() => setLeaf('wires')}>
              {plan.thread.side === 'external' ? 'Wires…' : 'Balls…'}
            </button>
          )}
        </>
      }
      notes={[
        <p>{gauge.says}</p>,
        gauge.best_mm && gauge.usable_mm && (
          <p>
            Best wire {figure(gauge.best_mm, unit)}; {figure(gauge.usable_mm.min, unit)} to{' '}
            {figure(gauge.usable_mm.max, unit)} will serve.
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
      <TroubleLeaf job={job} open={leaf === 'trouble'} onClose={close} record={record} />
    </Station>
  );
}
