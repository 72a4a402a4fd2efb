import { useState } from 'react';
import { type BitSheet, inWords, type Plan } from '../../api/client';
import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { inField, typed } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';
import { ReliefToolLeaf } from './ReliefToolLeaf';
import { BitFiles } from './BitFiles';
import { DrawerLeaf } from './DrawerLeaf';
import { GroundLeaf } from './GroundLeaf';
import { KeepTip } from './KeepTip';
import { GRINDERS, SheetLeaf } from './SheetLeaf';
import { useBitSheet } from '../../api/sheets';
import { UNTOLD } from '../../parts/tip';
import { say } from '../../app/voice';

const VIEWS = {
  views: 'Three views',
  tip: 'The tip',
  groove: 'In the groove',
  bore: 'In the bore',
  relief_tool: 'Relief tool',
} as const;
type View = keyof typeof VIEWS;

/** The drawings, one at a time. */
function Drawn({ sheet, at }: { sheet: BitSheet; at: [View, (view: View) => void] }) {
  const [view, look] = at;
  const there = (Object.keys(VIEWS) as View[]).filter(v => sheet[v]);
  const shown = sheet[view] ? view : 'views';
  return (
    <div className="views">
      <div className="row" role="group" aria-label="Which drawing">
        {there.map(v => (
          <button key={v} type="button" className="choice" aria-pressed={v === shown} onClick={() => look(v)}>
            {VIEWS[v]}
          </button>
        ))}
      </div>
      <Outline drawing={sheet[shown] ?? sheet.views} />
    </div>
  );
}

/** Bit: what to grind or buy, and what the real one cuts. */
export function BitStation(props: StationProps) {
  // A plan frozen by an older version keeps what it was frozen with.
  const grind = props.plan.bit.grind as Plan['bit']['grind'] | undefined;
  if (grind) return <Bit {...props} />;
  return <p className="how">This job was begun before bits were reckoned in full: {props.plan.bit.says}.</p>;
}

function Bit({ job, plan }: StationProps) {
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
  const flat = asked?.tip_flat_mm;
  const allowed = bit.tip_radius_mm ?? bit.tip_flat_mm;
  return (
    <Station
      id="bit"
      plan={plan}
      sentence={
        <>
          With{' '}
          <button
            type="button"
            className={`word${picked ? ' set' : ''}`}
            aria-label={`Tool: ${picked?.name ?? say('a {bit} to be ground')}`}
            onClick={() => setLeaf('drawer')}
          >
            {picked?.name ?? say('a {bit} to be ground')}
          </button>
          , its angle{' '}
          <Word
            job={job}
            about="Included angle, degrees"
            set={angle != null}
            edit={{
              kind: 'number',
              value: String(angle ?? thread.included_angle_deg),
              patch: v => ({ bit: { included_angle_deg: v } }),
              clear: 'As the thread',
            }}
          >
            {bit.says.split(',')[0] ?? ''}
          </Word>
          , its tip{' '}
          <Word
            job={job}
            about="Flat on the tip"
            set={flat != null}
            edit={{
              kind: 'length',
              value: flat != null ? typed(flat, unit) : inField(bit.tip_flat_mm.aim, unit),
              patch: mm => ({ bit: { ...UNTOLD, tip_flat_mm: mm } }),
              clear: 'Not measured',
            }}
          >
            {bit.says.slice(bit.says.indexOf(', ') + 2)}
          </Word>
          , sharpened{' '}
          <Word
            job={job}
            about="How it is held to the wheel"
            set={asked?.grinder != null}
            edit={{
              kind: 'choice',
              choices: GRINDERS.map(g => ({
                says: g.says,
                chosen: (asked?.grinder ?? 'rest') === g.value,
                patch: { bit: { grinder: g.value } },
              })),
            }}
          >
            {GRINDERS.find(g => g.value === (asked?.grinder ?? 'rest'))?.says ?? ''}
          </Word>
          .{' '}
          <button type="button" className="word" onClick={() => setLeaf('ground')}>
            Tell all that was ground
          </button>
        </>
      }
      drawing={
        sheet ? (
          <Drawn sheet={sheet} at={view} />
        ) : (
          <p className={drawn.isError ? 'fault' : 'how'}>
            {drawn.isError ? inWords(drawn.error) : say('Drawing the {bit}…')}
          </p>
        )
      }
      numbers={[
        {
          says: bit.tip_radius_mm ? 'Radius to stone on the tip' : 'Flat to stone on the tip',
          figure: allowed.aim,
          under: `${figure(allowed.min, unit)} to ${figure(allowed.max, unit)} will do`,
        },
        ...bit.grind.sides.map(s => ({
          says: `Relief, ${s.side} side`,
          figure: s.front_deg,
          under: `its ${s.held}, face up and point away; ${figure(s.rest_deg, unit)} on a tilted rest, or by a protractor square to the edge${s.bench_deg && s.bench_deg.text !== s.front_deg.text ? `; the bench formula says ${s.bench_deg.text}` : ''}`,
        })),
        { says: 'Under the nose', figure: bit.grind.nose_deg, under: bit.grind.nose_says },
        bit.grind.raked_deg && { says: 'Angle to grind in the raked face', figure: bit.grind.raked_deg },
        {
          says: 'Width of blank the point uses',
          figure: bit.grind.width_mm,
          under: bit.grind.offset_says ?? undefined,
        },
        bit.grind.stocking && {
          says: 'Roughing tool, its tip',
          figure: bit.grind.stocking.flat_mm,
          under: bit.grind.stocking.says,
        },
      ]}
      beside={
        bit.ground && (
          <section className="plain-line">
            <b>
              As ground, {figure(bit.ground.leading_deg, unit)} leading and {figure(bit.ground.trailing_deg, unit)}{' '}
              trailing.
            </b>{' '}
            {bit.ground.aim_mm && !job.frozen && (
              <Word
                job={job}
                about="Pitch diameter to aim at"
                edit={{
                  kind: 'choice',
                  choices: [
                    {
                      says: `aim at ${figure(bit.ground.aim_mm, unit)}`,
                      patch: { cut: { target_pitch_diameter_mm: bit.ground.aim_mm.value } },
                    },
                  ],
                }}
              >
                {`Aim at ${figure(bit.ground.aim_mm, unit)}`}
              </Word>
            )}
          </section>
        )
      }
      acts={
        <>
          <button type="button" className="act" onClick={() => setLeaf('sheet')}>
            Grinding sheet
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('drawer')}>
            {serving === 1 ? '1 in the drawer will do' : `${serving || 'None'} in the drawer will do`}
          </button>
          {bit.relief_tool && (
            <button type="button" className="act plain" onClick={() => setLeaf('relief')}>
              Relief tool
            </button>
          )}
        </>
      }
      notes={[
        bit.ground && (
          <p>
            {bit.ground.judged}
            {bit.ground.shallow_mm && (
              <>
                {' '}
                {say('Off {center}')}, it cuts {figure(bit.ground.shallow_mm, unit)} shallower than its dial says.
              </>
            )}
            {bit.ground.stop_says && <> {bit.ground.stop_says}</>}
          </p>
        ),
        job.run?.tip?.sure && <KeepTip tip={job.run.tip} owned={bit.radius_mm ? null : asked?.owned} />,
        <p>
          On the work: {bit.fluid}. Working clearance {bit.clearance_deg}°. Bench practice, to be bettered at the
          machine.
        </p>,
        bit.grind.tilt_says && <p>{bit.grind.tilt_says}</p>,
        <p>{bit.grind.rake_says}</p>,
        bit.handbook_flat_mm && <p>The handbooks’ flat for this pitch is {figure(bit.handbook_flat_mm, unit)}.</p>,
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
