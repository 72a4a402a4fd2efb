import { useState } from 'react';
import { useThreadSheet } from '../../api/sheets';
import { Outline } from '../../drawing/Outline';
import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { cap } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';
import { PairWords } from './PairWords';
import { SampleSheet } from './SampleSheet';

/** Thread: what exactly is to be cut. */
export function ThreadStation({ job, plan }: StationProps) {
  const [sheet, setSheet] = useState(false);
  const [mesh, setMesh] = useState(false);
  const pair = mesh ? plan.pair : null;
  const tip = plan.bit;
  const { thread } = plan;
  const unit = useUnit();
  const seen = useThreadSheet(job).data?.seen;
  const own = thread.side === 'external' ? thread.external : thread.internal;
  const mate = thread.side === 'external' ? thread.internal : thread.external;
  const external = thread.side === 'external';
  const range = (r: typeof own.major_mm) =>
    [r.min, r.max]
      .filter(q => q != null)
      .map(q => figure(q, unit))
      .join(' to ');
  return (
    <Station
      id="thread"
      plan={plan}
      sentence={
        <>
          {!pair && thread.flanks_deg && (
            <>
              The flank that carries the load faces the{' '}
              <Word
                job={job}
                about="Where the flank that carries the load faces"
                set={job.request.thread?.load_flank != null}
                edit={{
                  kind: 'choice',
                  choices: (['headstock', 'tailstock'] as const).map(end => ({
                    says: end,
                    chosen: job.request.thread?.load_flank === end,
                    patch: { thread: { load_flank: end } },
                  })),
                }}
              >
                {`${thread.load_flank ?? ''}${job.request.thread?.load_flank ? '' : ', not told'}`}
              </Word>
              .{' '}
            </>
          )}
          {!pair && thread.included_angle_deg > 0 && (
            <>
              Made for{' '}
              <Word
                job={job}
                about="Coating to come, thickness on a surface"
                set={(job.request.thread?.coating_mm ?? 0) > 0}
                edit={{
                  kind: 'length',
                  value: '',
                  patch: mm => ({ thread: { coating_mm: mm } }),
                  clear: 'No coating',
                }}
              >
                {thread.before_coating ? 'a coating' : 'no coating'}
              </Word>
              {thread.before_coating && (
                <>
                  {' '}
                  that adds {figure(thread.before_coating.adds_mm, unit)} to the pitch diameter: cut to{' '}
                  {thread.before_coating.pitch_mm.map(q => figure(q, unit)).join(' to ')} before it
                </>
              )}
              {thread.half_angle_deg === 30 && external && (
                <>
                  , its root{' '}
                  <Word
                    job={job}
                    about="Root of the screw"
                    set={job.request.thread?.rounded_root != null}
                    edit={{
                      kind: 'choice',
                      choices: [
                        {
                          says: 'flat or round',
                          chosen: !tip.tip_radius_mm,
                          patch: { thread: { rounded_root: null } },
                        },
                        {
                          says: 'rounded',
                          under: 'for a strong or fatigued screw: the tool’s tip is stoned to a radius',
                          chosen: Boolean(tip.tip_radius_mm),
                          patch: { thread: { rounded_root: true } },
                        },
                      ],
                    }}
                  >
                    {tip.tip_radius_mm ? 'rounded' : 'flat or round'}
                  </Word>
                </>
              )}
              .{' '}
            </>
          )}
          <PairWords job={job} plan={plan} mesh={mesh} onMesh={() => setMesh(!mesh)} />{' '}
          {!pair && plan.gears.near_sizes && plan.gears.near_sizes.length > 0 && !job.frozen && (
            <>
              If the size is free,{' '}
              <Word
                job={job}
                about="Near sizes that suit this lathe"
                edit={{
                  kind: 'choice',
                  choices: plan.gears.near_sizes.map(n => ({
                    says: n.callout,
                    under: n.says,
                    patch: { thread: { callout: n.callout, class: null } },
                  })),
                }}
              >
                near ones suit this lathe better
              </Word>
              .{' '}
            </>
          )}
          {job.request.sample && (
            <button type="button" className="word" onClick={() => setSheet(true)}>
              Found from a sample.
            </button>
          )}
        </>
      }
      drawing={
        pair ? (
          <Outline drawing={pair.drawing} />
        ) : (
          <div className="seen-beside">
            <div className="seen">
              {seen && <Outline drawing={seen} />}
              <p className="how">{seen?.says}</p>
            </div>
            <Outline drawing={thread.drawing} />
          </div>
        )
      }
      notes={[
        !pair && (
          <p>
            {cap(thread.basic_form.word)} form, {thread.starts === 1 ? 'single start' : `${thread.starts} starts`}:{' '}
            {thread.basic_form.radius_mm
              ? `crest and root rounded ${figure(thread.basic_form.radius_mm, unit)}`
              : `crest flat ${figure(thread.basic_form.crest_flat_mm, unit)}, root flat ${figure(thread.basic_form.root_flat_mm, unit)}`}
            , {figure(thread.basic_form.depth_mm, unit)} deep. Its {external ? 'nut' : 'screw'}
            {mate.class ? ` at ${mate.class}` : ''}: pitch diameter {range(mate.pitch_mm)},{' '}
            {external ? `minor ${range(mate.minor_mm)}` : `major ${range(mate.major_mm)}`}.
          </p>
        ),
        pair && <p>{pair.says}</p>,
      ]}
      numbers={
        pair
          ? pair.clearances.map(c => ({
              says: `Clearance at the ${c.at}`,
              figure: c.now,
              under: c.most
                ? `${figure(c.least, unit)} to ${figure(c.most, unit)} over the limits`
                : `${figure(c.least, unit)} or more over the limits`,
            }))
          : [
              {
                says: 'Pitch',
                text: thread.pitch_text,
                line: thread.pitch_mm.w,
                under: thread.starts > 1 ? `lead ${figure(thread.lead_mm, unit)}` : undefined,
              },
              own.pitch_mm.max && {
                says: own.class ? `Pitch diameter, most (${own.class})` : 'Pitch diameter, most',
                figure: own.pitch_mm.max,
              },
              own.pitch_mm.min && { says: 'Pitch diameter, least', figure: own.pitch_mm.min },
              external
                ? own.major_mm.max && {
                    says: 'Major diameter, most',
                    figure: own.major_mm.max,
                    under: own.major_mm.min && `least ${figure(own.major_mm.min, unit)}`,
                  }
                : own.minor_mm.min && {
                    says: 'Minor diameter, least',
                    figure: own.minor_mm.min,
                    under: own.minor_mm.max && `most ${figure(own.minor_mm.max, unit)}`,
                  },
              external
                ? own.minor_mm.max && {
                    says: 'Root must clear',
                    figure: own.minor_mm.max,
                    under: own.minor_mm.min && `not past ${figure(own.minor_mm.min, unit)}`,
                  }
                : own.major_mm.min && {
                    says: 'Root must reach',
                    figure: own.major_mm.min,
                    under: own.major_mm.max && `not past ${figure(own.major_mm.max, unit)}`,
                  },
              tip.tip_radius_mm
                ? {
                    says: 'Tip radius to aim at',
                    figure: tip.tip_radius_mm.aim,
                    under: `${figure(tip.tip_radius_mm.min, unit)} to ${figure(tip.tip_radius_mm.max, unit)} will do`,
                  }
                : {
                    says: thread.included_angle_deg > 0 ? 'Tip flat to aim at' : 'Tool width to aim at',
                    figure: tip.tip_flat_mm.aim,
                    under: `${figure(tip.tip_flat_mm.min, unit)} to ${figure(tip.tip_flat_mm.max, unit)} will do${tip.handbook_flat_mm ? `; handbooks give ${figure(tip.handbook_flat_mm, unit)}` : ''}`,
                  },
              { says: 'Lead angle', figure: thread.lead_angle_deg.pitch },
              ...(plan.pair?.mate_made_mm && plan.pair.first === false
                ? [
                    {
                      says: `The ${external ? 'nut' : 'screw'} measures`,
                      figure: plan.pair.mate_made_mm,
                      under: `so this one goes to ${plan.pair.limits_mm.map(q => figure(q, unit)).join(' to ')}`,
                    },
                  ]
                : []),
            ]
      }
    >
      <Leaf title="The sample, measured" open={sheet} onClose={() => setSheet(false)} wide>
        <div className="sheet-in-leaf">
          <SampleSheet job={job} onTaken={() => setSheet(false)} />
        </div>
      </Leaf>
    </Station>
  );
}
