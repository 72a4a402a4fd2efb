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
import { said, text } from '../../app/voice';

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
              {said('thread-flank-carries-load', {
                load_flank: (
                  <Word
                    job={job}
                    about={text('thread-where-flank-carries')}
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
                    {`${thread.load_flank ?? ''}${job.request.thread?.load_flank ? '' : text('thread-not-told')}`}
                  </Word>
                ),
              })}{' '}
            </>
          )}
          {!pair && thread.included_angle_deg > 0 && (
            <>
              {said('thread-made-before-coating', {
                coating: (
                  <Word
                    job={job}
                    about={text('thread-coating-come-thickness')}
                    set={(job.request.thread?.coating_mm ?? 0) > 0}
                    edit={{
                      kind: 'length',
                      value: '',
                      patch: mm => ({ thread: { coating_mm: mm } }),
                      clear: text('thread-no-coating'),
                    }}
                  >
                    {thread.before_coating ? text('thread-a-coating') : text('thread-no-coating-within')}
                  </Word>
                ),
                adds:
                  thread.before_coating &&
                  text('thread-adds-pitch-diameter', {
                    adds: figure(thread.before_coating.adds_mm, unit),
                    pitch: thread.before_coating.pitch_mm.map(q => figure(q, unit)).join(' to '),
                  }),
                half_angle:
                  thread.half_angle_deg === 30 &&
                  external &&
                  said('thread-its-root', {
                    tip_radius: (
                      <Word
                        job={job}
                        about={text('thread-root-of-the-screw')}
                        set={job.request.thread?.rounded_root != null}
                        edit={{
                          kind: 'choice',
                          choices: [
                            {
                              says: text('thread-flat-or-round'),
                              chosen: !tip?.tip_radius_mm,
                              patch: { thread: { rounded_root: null } },
                            },
                            {
                              says: text('thread-rounded'),
                              under: text('thread-strong-fatigued-screw'),
                              chosen: Boolean(tip?.tip_radius_mm),
                              patch: { thread: { rounded_root: true } },
                            },
                          ],
                        }}
                      >
                        {tip?.tip_radius_mm ? text('thread-rounded') : text('thread-flat-or-round')}
                      </Word>
                    ),
                  }),
              })}{' '}
            </>
          )}
          <PairWords job={job} plan={plan} mesh={mesh} onMesh={() => setMesh(!mesh)} />{' '}
          {!pair && plan.gears?.near_sizes && plan.gears.near_sizes.length > 0 && !job.frozen && (
            <>
              {said('thread-if-size-free', {
                near_ones: (
                  <Word
                    job={job}
                    about={text('thread-near-sizes-suit')}
                    edit={{
                      kind: 'choice',
                      choices: plan.gears.near_sizes.map(n => ({
                        says: n.callout,
                        under: n.says,
                        patch: { thread: { callout: n.callout, class: null } },
                      })),
                    }}
                  >
                    {text('thread-near-ones-suit')}
                  </Word>
                ),
              })}{' '}
            </>
          )}
          {job.request.sample && (
            <button type="button" className="word" onClick={() => setSheet(true)}>
              {text('thread-found-from-a-sample')}
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
            {text('thread-form-deep-pitch', {
              name: cap(thread.basic_form.word),
              starts:
                thread.starts === 1
                  ? text('thread-single-start')
                  : text('thread-so-many-starts', { starts: thread.starts }),
              radius: thread.basic_form.radius_mm
                ? text('thread-crest-and-root-rounded', { radius: figure(thread.basic_form.radius_mm, unit) })
                : text('thread-crest-flat-root-flat', {
                    crest_flat: figure(thread.basic_form.crest_flat_mm, unit),
                    root_flat: figure(thread.basic_form.root_flat_mm, unit),
                  }),
              depth: figure(thread.basic_form.depth_mm, unit),
              mate: external ? text('thread-nut') : text('thread-screw'),
              class: mate.class ? ` ${text('thread-at', { class: mate.class })}` : '',
              range: range(mate.pitch_mm),
              other: external
                ? text('thread-minor', { range: range(mate.minor_mm) })
                : text('thread-major', { range: range(mate.major_mm) }),
            })}
          </p>
        ),
        pair && <p>{pair.says}</p>,
      ]}
      numbers={
        pair
          ? pair.clearances.map(c => ({
              says: text('thread-clearance-at-the', { at: c.at }),
              figure: c.now,
              under: c.most
                ? text('thread-to-over-the-limits', { least: figure(c.least, unit), most: figure(c.most, unit) })
                : text('thread-more-over-limits', { least: figure(c.least, unit) }),
            }))
          : [
              {
                says: text('page-pitch'),
                text: thread.pitch_text,
                line: thread.pitch_mm.w,
                under: thread.starts > 1 ? text('thread-lead', { lead: figure(thread.lead_mm, unit) }) : undefined,
              },
              own.pitch_mm.max && {
                says: own.class
                  ? text('thread-pitch-diameter-most', { class: own.class })
                  : text('thread-pitch-diameter-most-bare'),
                figure: own.pitch_mm.max,
              },
              own.pitch_mm.min && { says: text('thread-pitch-diameter-least'), figure: own.pitch_mm.min },
              external
                ? own.major_mm.max && {
                    says: text('thread-major-diameter-most'),
                    figure: own.major_mm.max,
                    under: own.major_mm.min && text('page-least', { min: figure(own.major_mm.min, unit) }),
                  }
                : own.minor_mm.min && {
                    says: text('thread-minor-diameter-least'),
                    figure: own.minor_mm.min,
                    under: own.minor_mm.max && text('thread-most', { max: figure(own.minor_mm.max, unit) }),
                  },
              external
                ? own.minor_mm.max && {
                    says: text('thread-root-must-clear'),
                    figure: own.minor_mm.max,
                    under: own.minor_mm.min && text('thread-not-past-least', { min: figure(own.minor_mm.min, unit) }),
                  }
                : own.major_mm.min && {
                    says: text('thread-root-must-reach'),
                    figure: own.major_mm.min,
                    under: own.major_mm.max && text('thread-not-past-most', { max: figure(own.major_mm.max, unit) }),
                  },
              tip?.tip_radius_mm
                ? {
                    says: text('thread-tip-radius-aim'),
                    figure: tip.tip_radius_mm.aim,
                    under: text('page-to-will-do', {
                      min: figure(tip.tip_radius_mm.min, unit),
                      max: figure(tip.tip_radius_mm.max, unit),
                    }),
                  }
                : tip && {
                    says: thread.included_angle_deg > 0 ? text('thread-tip-flat-aim') : text('thread-tool-width-aim'),
                    figure: tip.tip_flat_mm.aim,
                    under: text('thread-to-will-do', {
                      min: figure(tip.tip_flat_mm.min, unit),
                      max: figure(tip.tip_flat_mm.max, unit),
                      handbook_flat: tip.handbook_flat_mm
                        ? text('thread-handbooks-give', { handbook_flat: figure(tip.handbook_flat_mm, unit) })
                        : '',
                    }),
                  },
              { says: text('thread-lead-angle'), figure: thread.lead_angle_deg.pitch },
              ...(plan.pair?.mate_made_mm && plan.pair.first === false
                ? [
                    {
                      says: text(plan.pair.mate_doubt_mm ? 'thread-the-came-to' : 'thread-the-measures', {
                        mate: external ? text('thread-nut') : text('thread-screw'),
                      }),
                      figure: plan.pair.mate_made_mm,
                      under:
                        (plan.pair.mate_doubt_mm
                          ? `${text('thread-mate-give-or-take', { doubt: figure(plan.pair.mate_doubt_mm, unit) })} `
                          : '') +
                        text('thread-one-goes', {
                          limits: plan.pair.limits_mm.map(q => figure(q, unit)).join(' to '),
                        }),
                    },
                  ]
                : []),
            ]
      }
    >
      <Leaf title={text('thread-the-sample-measured')} open={sheet} onClose={() => setSheet(false)} wide>
        <div className="sheet-in-leaf">
          <SampleSheet job={job} onTaken={() => setSheet(false)} />
        </div>
      </Leaf>
    </Station>
  );
}
