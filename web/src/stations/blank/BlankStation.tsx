import { Outline } from '../../drawing/Outline';
import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';

/** Blank: what to turn or bore first, and where the thread ends. */
export function BlankStation({ job, plan }: StationProps) {
  const { blank, thread } = plan;
  const unit = useUnit();
  const external = thread.side === 'external';
  const bare = (text: string) => text.replace(/ .*/, '');
  const relief = job.request.blank?.relief_width_mm;
  return (
    <Station
      id="blank"
      plan={plan}
      sentence={
        <>
          {external ? 'The blank' : 'The bore'} stands at{' '}
          <Word
            job={job}
            about={external ? 'Blank as turned' : 'Bore as turned'}
            set={blank.measured}
            edit={{ kind: 'length', value: bare(figure(blank.used_mm, unit)), patch: (mm) => ({ blank: { diameter_mm: mm } }), clear: 'Not measured' }}
          >
            {figure(blank.used_mm, unit)}
          </Word>
          {blank.measured ? ', as measured' : ' (the aim: not measured yet)'}
          {!external && blank.bore && (
            <>
              , bored for{' '}
              <Word
                job={job}
                about="Per cent of full thread"
                set={job.request.blank?.engagement_percent != null}
                edit={{ kind: 'number', value: bare(blank.bore.share_percent.text), patch: (n) => ({ blank: { engagement_percent: n } }), clear: 'Middle of the limits' }}
              >
                {blank.bore.share_percent.text}
              </Word>{' '}
              of full thread
            </>
          )}
          {blank.relief && (
            <>
              ; the relief is{' '}
              <Word
                job={job}
                about="Relief width there is"
                set={relief != null}
                edit={{ kind: 'length', value: bare(figure(blank.relief.width_mm, unit)), patch: (mm) => ({ blank: { relief_width_mm: mm } }), clear: 'As wide as needed' }}
              >
                {relief != null ? `${unit === 'mm' ? `${relief} mm` : 'as set'}` : 'as wide as needed'}
              </Word>
            </>
          )}
          .
        </>
      }
      drawing={<Outline drawing={blank.drawing} />}
      numbers={[
        { says: external ? 'Turn to' : 'Bore to', figure: blank.aim_mm, under: `${figure(blank.min_mm, unit)} to ${figure(blank.max_mm, unit)}` },
        blank.bore?.drill_mm && { says: 'Drill first', figure: blank.bore.drill_mm, under: blank.bore.left_mm && `leaves ${figure(blank.bore.left_mm, unit)} to bore` },
        { says: 'Chamfer to', figure: blank.chamfer_mm },
        blank.relief && { says: 'Relief diameter', figure: blank.relief.diameter_mm, under: blank.relief.says },
        blank.relief && { says: 'Relief width, least', figure: blank.relief.width_mm, under: plan.setup.carriage === 'toward_headstock' ? `stops in ${figure(plan.setup.stopping_mm, unit)} at ${plan.setup.speed_rpm.text}` : 'the cut starts in it' },
      ]}
    />
  );
}
