import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import type { Plan, RunState } from '../../api/client';
import { useKit } from '../../api/hooks';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { bare } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { UNTOLD } from '../../parts/tip';
import { StartsList } from '../gears/StartsList';
import { Station } from '../Station';

const STYLES = { radial: 'straight in', flank: 'flank', modified_flank: 'modified flank' } as const;

/** Every depth on one upright scale: bright above where the dial stands, layout blue below. */
function Ladder({ plan, run }: { plan: Plan; run: RunState | null | undefined }) {
  const depths = [...new Set(plan.run.passes.map((p) => p.radial_mm))];
  const deepest = Math.max(...depths, 1e-6);
  const stands = run?.stands_mm ?? 0;
  const y = (mm: number) => 20 + (mm / deepest) * 560;
  const next = run?.next;
  return (
    <svg className="ladder" viewBox="0 0 250 610" role="img" aria-label={`Depths of ${depths.length} settings; the dial stands at ${run?.stands.text ?? 'zero'}`}>
      <rect x="20" y="20" width="66" height="560" className="to-cut" />
      <rect x="20" y="20" width="66" height={Math.max(0, Math.min(560, y(stands) - 20))} className="cut" />
      {depths.map((d) => (
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
  const [table, setTable] = useState(false);
  const request = job.request;
  const run = job.run;
  const kit = useKit();
  const owned = (kit.data?.bits ?? [])
    .filter((b) => b.kind === plan.thread.side && b.included_angle_deg === plan.thread.half_angle_deg * 2)
    .map((b) => ({ says: b.tip_flat_mm != null ? `${b.name}, ${b.tip_flat_mm} mm flat` : b.name, patch: { bit: { ...UNTOLD, owned: b.name } } }));
  const cuts = cut.passes.filter((p) => p.kind === 'cut').length;
  const springs = cut.passes.filter((p) => p.kind === 'spring').length;
  const done = new Set((run?.done ?? []).map(String));
  const flat = request.bit?.tip_flat_mm;
  return (
    <Station
      id="cut"
      plan={plan}
      sentence={
        <>
          With a bit ground{' '}
          <Word
            job={job}
            about="Flat on the tip"
            set={flat != null}
            edit={{ kind: 'length', value: flat != null ? String(unit === 'mm' ? flat : '') : bare(figure(bit.tip_flat_mm.aim, unit)), patch: (mm) => ({ bit: { ...UNTOLD, tip_flat_mm: mm } }), clear: 'Not measured', owned }}
          >
            {bit.says}
          </Word>
          , by{' '}
          <Word
            job={job}
            about="Infeed"
            edit={{
              kind: 'choice',
              choices: (['modified_flank', 'flank', 'radial'] as const).map((style) => ({
                says: STYLES[style],
                under: { modified_flank: 'compound half a degree off the flank: cleans both flanks', flank: 'compound along the flank', radial: 'cross-slide alone: lighter cuts' }[style],
                chosen: cut.style === style,
                patch: { cut: { style, compound_angle_deg: null } },
              })),
            }}
          >
            {STYLES[cut.style]}
          </Word>
          , in{' '}
          <Word job={job} about="Cutting passes" set={request.cut?.passes != null} edit={{ kind: 'number', value: String(cuts), patch: (n) => ({ cut: { passes: n } }), clear: 'As the material allows' }}>
            {`${cuts} passes`}
          </Word>{' '}
          and{' '}
          <Word job={job} about="Spring passes" set={request.cut?.spring_passes != null} edit={{ kind: 'number', value: String(springs), patch: (n) => ({ cut: { spring_passes: n } }), clear: 'Two' }}>
            {`${springs} springs`}
          </Word>
          , to{' '}
          <Word
            job={job}
            about="Pitch diameter to aim at"
            set={request.cut?.target_pitch_diameter_mm != null}
            edit={{ kind: 'length', value: bare(figure(cut.target_pitch_diameter_mm, unit)), patch: (mm) => ({ cut: { target_pitch_diameter_mm: mm } }), clear: 'Middle of the limits' }}
          >
            {figure(cut.target_pitch_diameter_mm, unit)}
          </Word>
          .
        </>
      }
      drawing={
        <div className="filling">
          <Ladder plan={plan} run={run} />
          <Outline drawing={cut.drawing} done={done} />
        </div>
      }
      numbers={[
        { says: 'Full depth on the dial', text: cut.full_depth?.text ?? '—', line: cut.compound_mm?.w ?? cut.radial_mm.w, under: `${cut.full_depth?.reading ?? ''} ${cut.full_depth?.slide === 'compound' ? 'on the compound' : 'on the cross-slide'}. ${cut.scale}` },
        { says: 'Radial infeed from touch', figure: cut.radial_mm },
        cut.compound_mm && { says: 'Compound travel', figure: cut.compound_mm },
        { says: 'Speed', text: plan.setup.speed_rpm.text, line: plan.setup.limit_rpm.w, under: `bound by ${plan.setup.speed_limit === 'cutting' ? 'what the bit stands' : 'the room to stop in'}: ${plan.setup.limit_rpm.text}` },
      ]}
    >
      <div className="row actions">
        <Link to="/jobs/$id/at-the-lathe" params={{ id: job.id }} className="act as-link">
          {run?.begun ? 'Back to the lathe' : 'Stand at the lathe'}
        </Link>
        <button type="button" className="act plain" onClick={() => setTable(true)}>
          All passes
        </button>
      </div>
      <StartsList plan={plan} />
      <Leaf title="All passes" open={table} onClose={() => setTable(false)} wide>
        <table className="list">
          <thead>
            <tr>
              <th>Pass</th>
              <th>Set</th>
              <th>Reading</th>
              <th>Radial</th>
              <th>Pitch diameter</th>
              <th>Over wires</th>
            </tr>
          </thead>
          <tbody>
            {cut.passes.map((p) => (
              <tr key={p.n} className={done.has(String(p.n)) ? 'done' : ''}>
                <td>{p.kind === 'cut' ? p.n : p.kind}</td>
                <td className="figure">{p.dial[0]?.text}</td>
                <td className="figure">{p.dial[0]?.reading}</td>
                <td className="figure">{figure(p.asked_radial_mm, unit)}</td>
                <td className="figure">{figure(p.pitch_diameter_mm, unit)}</td>
                <td className="figure">{p.over_wires_mm ? figure(p.over_wires_mm, unit) : 'not yet'}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="bench">
          Bench figures for this pitch:{' '}
          {cut.bench.map((b) => `${b.rule} is ${figure(b.radial_mm, unit)}, ${b.says}`).join('; ')}.
        </p>
      </Leaf>
    </Station>
  );
}
