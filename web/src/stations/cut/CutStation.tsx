import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import type { PointedPlan, RunState } from '../../api/client';
import { useKit } from '../../api/hooks';
import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { inField, typed, speedSays } from '../../parts/text';
import { TipWord } from '../../parts/TipWord';
import { useUnit } from '../../parts/unit';
import type { PointedProps } from '../JobPage';
import { UNTOLD } from '../../parts/tip';
import { StartsList } from '../gears/StartsList';
import { Station } from '../Station';
import { Groove } from './Groove';
import { PassTable } from './PassTable';
import { StylesLeaf } from './StylesLeaf';
import { WhatIfLeaf } from './WhatIfLeaf';
import { said, spoken, text } from '../../app/voice';

const STYLES = spoken(
  () =>
    ({
      modified_flank: [text('cut-modified-flank'), text('cut-compound-half-degree')],
      flank: [text('cut-style-flank'), text('cut-compound-along-the-flank')],
      radial: [text('cut-style-straight-in'), text('cut-cross-slide-alone')],
      alternating: [text('cut-alternating-flanks'), text('cut-straight-stepped-aside')],
      stocking_then_form: [text('cut-stocking-tool-form'), text('cut-narrower-tool-takes')],
    }) as const,
);
type StyleId = keyof ReturnType<typeof STYLES>;
const LAWS = spoken(
  () => ({ constant_area: text('cut-the-same-area-each'), constant_depth: text('cut-the-same-depth-each') }) as const,
);
const READ = spoken(
  () =>
    ({
      dial: text('page-the-dial'),
      indicator: text('cut-a-plunger-indicator'),
      readout: text('cut-the-readout'),
    }) as const,
);

/** Every depth on one upright scale: bright above where the dial stands, layout blue below. */
function Ladder({ plan, run }: { plan: PointedPlan; run: RunState | null | undefined }) {
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
      aria-label={text('cut-depths-settings-dial', {
        depths: depths.length,
        stands: run?.stands.text ?? text('cut-zero'),
      })}
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
export function CutStation({ job, plan }: PointedProps) {
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
      says:
        b.tip_flat_mm != null
          ? text('cut-flat', { name: b.name, tip_flat: typed(b.tip_flat_mm, unit), unit })
          : b.name,
      patch: { bit: { ...UNTOLD, owned: b.name } },
    }));
  const cuts = cut.passes.filter(p => p.kind === 'cut' || p.kind === 'stocking').length;
  const springs = cut.passes.filter(p => p.kind === 'spring').length;
  const done = new Set((run?.done ?? []).map(String));
  // A plan frozen by an older version has none.
  const time = cut.time as PointedPlan['cut']['time'] | undefined;
  return (
    <Station
      id="cut"
      plan={plan}
      sentence={said('cut-bit-ground-taking', {
        bit: (
          <TipWord job={job} plan={plan} owned={owned}>
            {bit.says}
          </TipWord>
        ),
        style: (
          <Word
            job={job}
            about={text('cut-infeed')}
            edit={{
              kind: 'choice',
              choices: (Object.keys(STYLES()) as StyleId[]).map(style => ({
                says: STYLES()[style][0],
                under: STYLES()[style][1],
                chosen: cut.style === style,
                patch: { cut: { style, compound_angle_deg: null } },
              })),
            }}
          >
            {STYLES()[cut.style][0]}
          </Word>
        ),
        passes: (
          <Word
            job={job}
            about={text('cut-cutting-passes')}
            set={request.cut?.passes != null}
            edit={{
              kind: 'number',
              value: String(cuts),
              patch: n => ({ cut: { passes: n } }),
              clear: text('cut-as-the-material-allows'),
            }}
          >
            {request.cut?.passes != null && cut.stop_says
              ? text('cut-passes-first-measurement', { passes: request.cut.passes, cuts })
              : text('cut-passes', {
                  cuts,
                  stop_says: cut.stop_says ? ` ${text('cut-to-the-first-measurement')}` : '',
                })}
          </Word>
        ),
        springs: (
          <Word
            job={job}
            about={text('cut-spring-passes')}
            set={request.cut?.spring_passes != null}
            edit={{
              kind: 'number',
              value: String(springs),
              patch: n => ({ cut: { spring_passes: n } }),
              clear: text('page-two'),
            }}
          >
            {text('cut-springs', { springs })}
          </Word>
        ),
        law: (
          <Word
            job={job}
            about={text('cut-how-depth-shared')}
            set={request.cut?.depth_law != null}
            edit={{
              kind: 'choice',
              choices: (Object.keys(LAWS()) as (keyof ReturnType<typeof LAWS>)[]).map(law => ({
                says: LAWS()[law],
                chosen: (cut.depth_law ?? 'constant_area') === law,
                patch: { cut: { depth_law: law } },
              })),
            }}
          >
            {LAWS()[cut.depth_law ?? 'constant_area']}
          </Word>
        ),
        read_on: (
          <Word
            job={job}
            about={text('cut-depth-read')}
            set={request.cut?.read_by != null}
            edit={{
              kind: 'choice',
              choices: (Object.keys(READ()) as (keyof ReturnType<typeof READ>)[]).map(read => ({
                says: READ()[read],
                chosen: (cut.dial.read_by ?? 'dial') === read,
                patch: { cut: { read_by: read } },
              })),
            }}
          >
            {READ()[cut.dial.read_by ?? 'dial']}
          </Word>
        ),
        aim: (
          <Word
            job={job}
            about={text('page-pitch-diameter-aim')}
            set={request.cut?.target_pitch_diameter_mm != null}
            edit={{
              kind: 'length',
              value: inField(cut.target_pitch_diameter_mm, unit),
              patch: mm => ({ cut: { target_pitch_diameter_mm: mm } }),
              clear: text('page-middle-of-the-limits'),
            }}
          >
            {figure(cut.target_pitch_diameter_mm, unit)}
          </Word>
        ),
      })}
      drawing={
        <div className="filling">
          <Ladder plan={plan} run={run} />
          <Groove job={job} plan={plan} done={done} />
        </div>
      }
      numbers={[
        {
          says: cut.stop_says ? text('cut-first-measurement-dial') : text('cut-full-depth-dial'),
          text: cut.full_depth?.text ?? '—',
          line: cut.compound_mm?.w ?? cut.radial_mm.w,
          under: `${cut.full_depth?.reading ?? ''} ${cut.full_depth?.slide === 'compound' ? text('cut-on-the-compound') : text('cut-on-the-cross-slide')}`,
          note: cut.scale,
        },
        {
          says: cut.stop_says ? text('cut-radial-infeed-to-there') : text('cut-radial-infeed-from-touch'),
          figure: cut.radial_mm,
          under:
            cut.radial_if_mm &&
            text('cut-whole-tip', {
              min: figure(cut.radial_if_mm.min, unit),
              max: figure(cut.radial_if_mm.max, unit),
            }),
        },
        cut.compound_mm && { says: text('cut-compound-travel'), figure: cut.compound_mm },
        { says: text('page-speed'), text: speedSays(plan), line: plan.setup.limit_rpm?.w },
        time && {
          says: text('cut-time-all'),
          text: time.whole.text,
          line: time.whole.w,
          under: text('cut-cut-each-pass', { pass: time.pass.text }),
        },
      ]}
      beside={cut.stop_says && <p className="how">{cut.stop_says}</p>}
      acts={
        <>
          <Link to="/jobs/$id/at-the-lathe" params={{ id: job.id }} className="act as-link">
            {run?.begun ? text('cut-back-to-the-lathe') : text('cut-stand-at-the-lathe')}
          </Link>
          <button type="button" className="act plain" onClick={() => setLeaf('passes')}>
            {text('cut-all-passes')}
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('styles')}>
            {text('cut-styles-compared')}
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('what_if')}>
            {text('cut-what-if')}
          </button>
        </>
      }
      notes={[
        cut.lightened && <p>{cut.lightened}</p>,
        cut.stocking_flat_mm && (
          <p>{text('cut-stocking-tool-first', { stocking_flat: figure(cut.stocking_flat_mm, unit) })}</p>
        ),
        plan.cut.starts?.length ? <StartsList plan={plan} /> : null,
      ]}
    >
      <StylesLeaf job={job} open={leaf === 'styles'} onClose={close} />
      <WhatIfLeaf job={job} open={leaf === 'what_if'} onClose={close} />
      <Leaf title={text('cut-all-passes')} open={leaf === 'passes'} onClose={close} wide>
        <PassTable job={job} plan={plan} done={done} />
        <p className="bench">
          {text('cut-bench-figures-pitch', {
            bench: cut.bench
              .map(b => text('cut-is', { rule: b.rule, radial: figure(b.radial_mm, unit), says: b.says }))
              .join('; '),
          })}
        </p>
      </Leaf>
    </Station>
  );
}
