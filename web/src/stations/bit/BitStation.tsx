import { useState } from 'react';
import { type BitSheet, inWords, type PointedPlan } from '../../api/client';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { TipWord } from '../../parts/TipWord';
import { useUnit } from '../../parts/unit';
import type { PointedProps } from '../JobPage';
import { Station } from '../Station';
import { ReliefToolLeaf } from './ReliefToolLeaf';
import { BitFiles } from './BitFiles';
import { DrawerLeaf } from './DrawerLeaf';
import { GroundLeaf } from './GroundLeaf';
import { KeepTip } from './KeepTip';
import { GRINDERS, SheetLeaf } from './SheetLeaf';
import { useBitSheet } from '../../api/sheets';
import { said, spoken, text } from '../../app/voice';

const VIEWS = spoken(
  () =>
    ({
      views: text('bit-three-views'),
      tip: text('bit-the-tip'),
      groove: text('bit-in-the-groove'),
      bore: text('bit-in-the-bore'),
      relief_tool: text('bit-relief-tool'),
    }) as const,
);
type View = keyof ReturnType<typeof VIEWS>;

/** The drawings, one at a time. */
function Drawn({ sheet, at }: { sheet: BitSheet; at: [View, (view: View) => void] }) {
  const [view, look] = at;
  const there = (Object.keys(VIEWS()) as View[]).filter(v => sheet[v]);
  const shown = sheet[view] ? view : 'views';
  return (
    <div className="views">
      <div className="row" role="group" aria-label={text('bit-which-drawing')}>
        {there.map(v => (
          <button key={v} type="button" className="choice" aria-pressed={v === shown} onClick={() => look(v)}>
            {VIEWS()[v]}
          </button>
        ))}
      </div>
      <Outline drawing={sheet[shown] ?? sheet.views} />
    </div>
  );
}

/** Bit: what to grind or buy, and what the real one cuts. */
export function BitStation(props: PointedProps) {
  // A plan frozen by an older version keeps what it was frozen with.
  const grind = props.plan.bit.grind as PointedPlan['bit']['grind'] | undefined;
  if (grind) return <Bit {...props} />;
  return <p className="how">{text('bit-job-begun-before', { bit: props.plan.bit.says })}</p>;
}

function Bit({ job, plan }: PointedProps) {
  const { bit, thread } = plan;
  const unit = useUnit();
  const asked = job.request.bit;
  const drawn = useBitSheet(job);
  const sheet = drawn.data;
  const view = useState<View>('views');
  const [leaf, setLeaf] = useState<'ground' | 'drawer' | 'sheet' | 'relief' | null>(null);
  const close = () => setLeaf(null);
  const picked = bit.drawer.tools.find(t => t.picked);
  const serving = bit.drawer.tools.filter(t => t.serves).length;
  const angle = asked?.included_angle_deg;
  const allowed = bit.tip_radius_mm ?? bit.tip_flat_mm;
  return (
    <Station
      id="bit"
      plan={plan}
      sentence={said('bit-angle-tip-sharpened', {
        picked: (
          <button
            type="button"
            className={`word${picked ? ' set' : ''}`}
            aria-label={text('bit-tool', { picked: picked?.name ?? text('bit-bit-ground') })}
            onClick={() => setLeaf('drawer')}
          >
            {picked?.name ?? text('bit-bit-ground')}
          </button>
        ),
        shape: (
          <Word
            job={job}
            about={text('page-included-angle-degrees')}
            set={angle != null}
            edit={{
              kind: 'number',
              value: String(angle ?? thread.included_angle_deg),
              patch: v => ({ bit: { included_angle_deg: v } }),
              clear: text('bit-as-the-thread'),
            }}
          >
            {bit.shape || `${angle ?? thread.included_angle_deg}°`}
          </Word>
        ),
        tip: (
          <TipWord job={job} plan={plan}>
            {bit.tip || figure(bit.tip_flat_mm.aim, unit)}
          </TipWord>
        ),
        how: (
          <Word
            job={job}
            about={text('bit-how-held-wheel')}
            set={asked?.grinder != null}
            edit={{
              kind: 'choice',
              choices: GRINDERS().map(g => ({
                says: g.says,
                chosen: (asked?.grinder ?? 'rest') === g.value,
                patch: { bit: { grinder: g.value } },
              })),
            }}
          >
            {GRINDERS().find(g => g.value === (asked?.grinder ?? 'rest'))?.says ?? ''}
          </Word>
        ),
        tell_all: (
          <button type="button" className="word" onClick={() => setLeaf('ground')}>
            {text('bit-tell-all-ground')}
          </button>
        ),
      })}
      drawing={
        sheet ? (
          <Drawn sheet={sheet} at={view} />
        ) : (
          <p className={drawn.isError ? 'fault' : 'how'}>
            {drawn.isError ? inWords(drawn.error) : text('bit-drawing-the-bit')}
          </p>
        )
      }
      numbers={[
        {
          says: bit.tip_radius_mm ? text('bit-radius-stone-tip') : text('bit-flat-stone-tip'),
          figure: allowed.aim,
          under: text('page-to-will-do', { min: figure(allowed.min, unit), max: figure(allowed.max, unit) }),
        },
        ...bit.grind.sides.map(s => ({
          says: text('bit-relief-side', { side: s.side }),
          figure: s.front_deg,
          under: text('bit-face-up-point', {
            held: s.held,
            rest: figure(s.rest_deg, unit),
            bench:
              s.bench_deg && s.bench_deg.text !== s.front_deg.text
                ? text('bit-the-bench-formula-says', { bench: s.bench_deg.text })
                : '',
          }),
        })),
        { says: text('bit-under-the-nose'), figure: bit.grind.nose_deg, under: bit.grind.nose_says },
        bit.grind.raked_deg && { says: text('bit-angle-grind-raked'), figure: bit.grind.raked_deg },
        {
          says: text('bit-width-blank-point'),
          figure: bit.grind.width_mm,
          under: bit.grind.offset_says ?? undefined,
        },
        bit.grind.stocking && {
          says: text('bit-roughing-tool-its-tip'),
          figure: bit.grind.stocking.flat_mm,
          under: bit.grind.stocking.says,
        },
      ]}
      beside={
        bit.ground && (
          <section className="plain-line">
            <b>
              {text('bit-ground-leading-trailing', {
                leading: figure(bit.ground.leading_deg, unit),
                trailing: figure(bit.ground.trailing_deg, unit),
              })}
            </b>{' '}
            {bit.ground.aim_mm && !job.frozen && (
              <Word
                job={job}
                about={text('page-pitch-diameter-aim')}
                edit={{
                  kind: 'choice',
                  choices: [
                    {
                      says: text('bit-aim-at', { aim: figure(bit.ground.aim_mm, unit) }),
                      patch: { cut: { target_pitch_diameter_mm: bit.ground.aim_mm.value } },
                    },
                  ],
                }}
              >
                {text('bit-aim-at-act', { aim: figure(bit.ground.aim_mm, unit) })}
              </Word>
            )}
          </section>
        )
      }
      acts={
        <>
          <button type="button" className="act" onClick={() => setLeaf('sheet')}>
            {text('page-grinding-sheet')}
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('drawer')}>
            {serving === 1
              ? text('bit-1-drawer-will')
              : text('bit-drawer-will-do', { serving: serving || text('page-none') })}
          </button>
          {bit.relief_tool && (
            <button type="button" className="act plain" onClick={() => setLeaf('relief')}>
              {text('bit-relief-tool')}
            </button>
          )}
        </>
      }
      notes={[
        bit.ground && (
          <p>
            {bit.ground.judged}
            {bit.ground.shallow_mm && (
              <> {text('bit-off-center-cuts', { shallow: figure(bit.ground.shallow_mm, unit) })}</>
            )}
            {bit.ground.stop_says && <> {bit.ground.stop_says}</>}
          </p>
        ),
        job.run?.tip?.sure && <KeepTip tip={job.run.tip} owned={bit.radius_mm ? null : asked?.owned} />,
        <p>{text('bit-work-working-clearance', { fluid: bit.fluid, clearance: bit.clearance_deg })}</p>,
        bit.grind.tilt_says && <p>{bit.grind.tilt_says}</p>,
        <p>{bit.grind.rake_says}</p>,
        bit.handbook_flat_mm && (
          <p>{text('bit-handbooks-flat-pitch', { handbook_flat: figure(bit.handbook_flat_mm, unit) })}</p>
        ),
        <BitFiles job={job} view={view[0] === 'tip' ? 'tip' : 'views'} />,
      ]}
    >
      <GroundLeaf job={job} open={leaf === 'ground'} onClose={close} />
      <DrawerLeaf job={job} plan={plan} open={leaf === 'drawer'} onClose={close} />
      <SheetLeaf job={job} plan={plan} sheet={sheet} open={leaf === 'sheet'} onClose={close} />
      <ReliefToolLeaf job={job} plan={plan} open={leaf === 'relief'} onClose={close} />
    </Station>
  );
}
