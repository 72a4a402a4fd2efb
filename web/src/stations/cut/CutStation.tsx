import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import type { Plan, RunState } from '../../api/client';
import { useKit } from '../../api/hooks';
import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { inField, typed, speedSays } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { UNTOLD } from '../../parts/tip';
import { StartsList } from '../gears/StartsList';
import { Station } from '../Station';
import { Groove } from './Groove';
import { PassTable } from './PassTable';
import { StylesLeaf } from './StylesLeaf';
import { WhatIfLeaf } from './WhatIfLeaf';
import { say } from '../../app/voice';

const STYLES = {
  modified_flank: ['modified flank', '{compound} half a degree off the flank: cleans both flanks'],
  flank: ['flank', '{compound} along the flank'],
  radial: ['straight in', 'cross-slide alone: lighter cuts'],
  alternating: ['alternating flanks', 'straight in, stepped aside by the {compound} along the bed'],
  stocking_then_form: ['stocking tool, then form tool', 'a narrower tool takes most of it'],
} as const;
type StyleId = keyof typeof STYLES;
const LAWS = { constant_area: 'the same area each', constant_depth: 'the same depth each' } as const;
const READ = { dial: 'the dial', indicator: 'a plunger indicator', readout: 'the readout' } as const;

/** Every depth on one upright scale: bright above where the dial stands, layout blue below. */
function Ladder({ plan, run }: { plan: Plan; run: RunState | null | undefined }) {
  const depths = [...new Set(plan.run.passes.map(p => p.radial_mm))];
  const deepest = Math.max(...depths, 1e-6);
  const stands = run?.stands_mm ?? 0;
  const y = (mm: number) => 20 + (mm / deepest) * 560;
  const next = run?.next;
  return (
    <svg
      className="ladder"
      viewBox="0 0 250 610"
      role="img"
      aria-label={`Depths of ${depths.length} settings; the dial stands at ${run?.stands.text ?? 'zero'}`}
    >
      <rect x="20" y="20" width="66" height="560" className="to-cut" />
      <rect x="20" y="20" width="66" height={Math.max(0, Math.min(560, y(stands) - 20))} className="cut" />
      {depths.map(d => (
        <line key={d} x1="20" x2="86" y1={y(d)} y2={y(d)} />
      ))}
      {next && (
        <>
          <path d={`M 90 ${y(next.pass.radial_mm)} l 26 -15 v 30 z`} className="next" />
          <text x="124" y={y(next.pass.radial_mm) + 10}>
            {next.setting.text}
          </text>
        </>
      )}
    </svg>
  );
}

/** Cut: how deep, pass by pass. */
export function CutStation({ job, plan }: StationProps) {
  const { cut, bit } = plan;
  const unit = useUnit();
  const [leaf, setLeaf] = useState<'passes' | 'styles' | 'what_if' | null>(null);
  const close = () => setLeaf(null);
  const request = job.request;
  const run = job.run;
  const kit = useKit();
  const owned = (kit.data?.bits ?? [])
    .filter(b => b.kind === plan.thread.side && b.included_angle_deg === plan.thread.included_angle_deg)
    .map(b => ({
      says: b.tip_flat_mm != null ? `${b.name}, ${typed(b.tip_flat_mm, unit)} ${unit} flat` : b.name,
      patch: { bit: { ...UNTOLD, owned: b.name } },
    }));
  const cuts = cut.passes.filter(p => p.kind === 'cut' || p.kind === 'stocking').length;
  const springs = cut.passes.filter(p => p.kind === 'spring').length;
  const done = new Set((run?.done ?? []).map(String));
  const flat = request.bit?.tip_flat_mm;
  // A plan frozen by an older version has none.
  const time = cut.time as Plan['cut']['time'] | undefined;
  return (
    <Station
      id="cut"
      plan={plan}
      sentence={
        <>
          {say('With a {bit} ground')}{' '}
          <Word
            job={job}
            about="Flat on the tip"
            set={flat != null}
            edit={{
              kind: 'length',
              value: flat != null ? typed(flat, unit) : inField(bit.tip_flat_mm.aim, unit),
              patch: mm => ({ bit: { ...UNTOLD, tip_flat_mm: mm } }),
              clear: 'Not measured',
              owned,
            }}
          >
            {bit.says}
          </Word>
          , by{' '}
          <Word
            job={job}
            about="Infeed"
            edit={{
              kind: 'choice',
              choices: (Object.keys(STYLES) as StyleId[]).map(style => ({
                says: STYLES[style][0],
                under: say(STYLES[style][1]),
                chosen: cut.style === style,
                patch: { cut: { style, compound_angle_deg: null } },
              })),
            }}
          >
            {STYLES[cut.style][0]}
          </Word>
          , in{' '}
          <Word
            job={job}
            about="Cutting passes"
            set={request.cut?.passes != null}
            edit={{
              kind: 'number',
              value: String(cuts),
              patch: n => ({ cut: { passes: n } }),
              clear: 'As the material allows',
            }}
          >
            {request.cut?.passes != null && cut.stop_says
              ? `${request.cut.passes} passes, ${cuts} to the first measurement`
              : `${cuts} passes${cut.stop_says ? ' to the first measurement' : ''}`}
          </Word>{' '}
          and{' '}
          <Word
            job={job}
            about="Spring passes"
            set={request.cut?.spring_passes != null}
            edit={{
              kind: 'number',
              value: String(springs),
              patch: n => ({ cut: { spring_passes: n } }),
              clear: 'Two',
            }}
          >
            {`${springs} springs`}
          </Word>
          , taking{' '}
          <Word
            job={job}
            about="How the depth is shared out"
            set={request.cut?.depth_law != null}
            edit={{
              kind: 'choice',
              choices: (Object.keys(LAWS) as (keyof typeof LAWS)[]).map(law => ({
                says: LAWS[law],
                chosen: (cut.depth_law ?? 'constant_area') === law,
                patch: { cut: { depth_law: law } },
              })),
            }}
          >
            {LAWS[cut.depth_law ?? 'constant_area']}
          </Word>
          , read on{' '}
          <Word
            job={job}
            about="What the depth is read on"
            set={request.cut?.read_by != null}
            edit={{
              kind: 'choice',
              choices: (Object.keys(READ) as (keyof typeof READ)[]).map(read => ({
                says: READ[read],
                chosen: (cut.dial.read_by ?? 'dial') === read,
                patch: { cut: { read_by: read } },
              })),
            }}
          >
            {READ[cut.dial.read_by ?? 'dial']}
          </Word>
          , to{' '}
          <Word
            job={job}
            about="Pitch diameter to aim at"
            set={request.cut?.target_pitch_diameter_mm != null}
            edit={{
              kind: 'length',
              value: inField(cut.target_pitch_diameter_mm, unit),
              patch: mm => ({ cut: { target_pitch_diameter_mm: mm } }),
              clear: 'Middle of the limits',
            }}
          >
            {figure(cut.target_pitch_diameter_mm, unit)}
          </Word>
          .
        </>
      }
      drawing={
        <div className="filling">
          <Ladder plan={plan} run={run} />
          <Groove job={job} plan={plan} done={done} />
        </div>
      }
      numbers={[
        {
          says: cut.stop_says ? 'To the first measurement, on the dial' : 'Full depth on the dial',
          text: cut.full_depth?.text ?? '—',
          line: cut.compound_mm?.w ?? cut.radial_mm.w,
          under: `${cut.full_depth?.reading ?? ''} ${cut.full_depth?.slide === 'compound' ? say('on the {compound}') : 'on the cross-slide'}`,
          note: cut.scale,
        },
        {
          says: cut.stop_says ? 'Radial infeed to there' : 'Radial infeed from touch',
          figure: cut.radial_mm,
          under:
            cut.radial_if_mm &&
            `the whole is ${figure(cut.radial_if_mm.min, unit)} to ${figure(cut.radial_if_mm.max, unit)}, by the tip`,
        },
        cut.compound_mm && { says: say('{Compound} travel'), figure: cut.compound_mm },
        { says: 'Speed', text: speedSays(plan), line: plan.setup.limit_rpm?.w },
        time && {
          says: 'Time for all of it',
          text: time.whole.text,
          line: time.whole.w,
          under: `${time.pass.text} in the cut, each pass`,
        },
      ]}
      beside={cut.stop_says && <p className="how">{cut.stop_says}</p>}
      acts={
        <>
          <Link to="/jobs/$id/at-the-lathe" params={{ id: job.id }} className="act as-link">
            {run?.begun ? 'Back to the lathe' : 'Stand at the lathe'}
          </Link>
          <button type="button" className="act plain" onClick={() => setLeaf('passes')}>
            All passes
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('styles')}>
            Styles compared
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('what_if')}>
            What if…
          </button>
        </>
      }
      notes={[
        cut.lightened && <p>{cut.lightened}</p>,
        cut.stocking_flat_mm && (
          <p>
            Stocking tool first, its tip {figure(cut.stocking_flat_mm, unit)}; then the form tool, set central in the
            groove.
          </p>
        ),
        plan.cut.starts?.length ? <StartsList plan={plan} /> : null,
      ]}
    >
      <StylesLeaf job={job} open={leaf === 'styles'} onClose={close} />
      <WhatIfLeaf job={job} open={leaf === 'what_if'} onClose={close} />
      <Leaf title="All passes" open={leaf === 'passes'} onClose={close} wide>
        <PassTable job={job} plan={plan} done={done} />
        <p className="bench">
          Bench figures for this pitch:{' '}
          {cut.bench.map(b => `${b.rule} is ${figure(b.radial_mm, unit)}, ${b.says}`).join('; ')}.
        </p>
      </Leaf>
    </Station>
  );
}
