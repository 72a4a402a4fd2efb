import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { inField, typed } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { fedBy, GAP } from './words';

/** What the thread ends in and starts with, word by word: relief, corner, the bit beyond its point, shoulder, chamfer. */
export function EndLeaf({ job, plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  const unit = useUnit();
  const { blank } = plan;
  const told = job.request.blank;
  const external = plan.thread.side === 'external';
  /** A size as it stands on the drawing, in the display unit. */
  const drawn = (name: string) => {
    const dim = blank.drawing.dimensions.find(d => d.name === name);
    return dim ? figure(dim.figure, unit) : '';
  };
  const [width, diameter] = [fedBy(plan, 'relief_width'), fedBy(plan, 'relief_diameter')];
  const ahead = job.request.bit?.body_ahead_mm;
  return (
    <Leaf title="What it ends in" open={open} onClose={onClose}>
      <p className="sentence own">
        {blank.relief && (
          <>
            The {GAP[blank.relief.end]} is{' '}
            <Word
              job={job}
              about="Relief width there is"
              set={told?.relief_width_mm != null || width !== undefined}
              edit={{
                kind: 'length',
                value:
                  told?.relief_width_mm != null
                    ? typed(told.relief_width_mm, unit)
                    : inField(blank.relief.width_mm, unit),
                patch: mm => ({ blank: { relief_width_mm: mm } }),
                clear: 'As wide as needed',
              }}
            >
              {told?.relief_width_mm != null || width ? drawn('relief_width') : 'as wide as needed'}
            </Word>
            {width && `, from the pad (${width.name})`} and{' '}
            <Word
              job={job}
              about="Relief diameter there is"
              set={told?.relief_diameter_mm != null || diameter !== undefined}
              edit={{
                kind: 'length',
                value:
                  told?.relief_diameter_mm != null
                    ? typed(told.relief_diameter_mm, unit)
                    : inField(blank.relief.diameter_mm, unit),
                patch: mm => ({ blank: { relief_diameter_mm: mm } }),
                clear: external ? 'As deep as needed' : 'As large as needed',
              }}
            >
              {told?.relief_diameter_mm != null || diameter
                ? drawn('relief_diameter')
                : external
                  ? 'as deep as needed'
                  : 'as large as needed'}
            </Word>
            {diameter && `, from the pad (${diameter.name})`}
            {blank.relief.corner_mm && (
              <>
                , its corners{' '}
                <Word
                  job={job}
                  about="Corner radius there is"
                  set={told?.relief_corner_mm != null}
                  edit={{
                    kind: 'length',
                    value: inField(blank.relief.corner_mm, unit),
                    patch: mm => ({ blank: { relief_corner_mm: mm } }),
                    clear: 'As round as will go',
                  }}
                >
                  {told?.relief_corner_mm != null ? `${drawn('relief_corner')} round` : 'as round as will go'}
                </Word>
              </>
            )}
            . Beyond its point, toward the shoulder, the tool has{' '}
            <Word
              job={job}
              about="Tool beyond its point, toward the shoulder"
              set={ahead != null}
              edit={{
                kind: 'length',
                value: typed(ahead, unit),
                patch: mm => ({ bit: { body_ahead_mm: mm } }),
                clear: external ? 'Half a common tool' : 'Not told',
              }}
            >
              {ahead != null
                ? figure(blank.body_ahead_mm ?? { value: ahead, text: `${ahead} mm` }, unit)
                : external
                  ? 'half a common tool'
                  : 'not told'}
            </Word>
            .{' '}
          </>
        )}
        {blank.beyond && (
          <>
            From the end of the thread to what stands beyond it, toward the headstock, there is{' '}
            <Word
              job={job}
              about="From the end of the thread to what stands beyond it"
              set={told?.beyond_mm != null || blank.beyond.jaws}
              later
              edit={{
                kind: 'length',
                value: blank.beyond.gap_mm ? inField(blank.beyond.gap_mm, unit) : '',
                patch: mm => ({ blank: { beyond_mm: mm } }),
                clear: 'Not told',
              }}
            >
              {blank.beyond.gap_mm ? figure(blank.beyond.gap_mm, unit) : 'room not told'}
            </Word>
            .{' '}
          </>
        )}
        {external && told?.shoulder && (
          <>
            The shoulder is{' '}
            <Word
              job={job}
              about="Shoulder diameter"
              set={told.shoulder_mm != null}
              edit={{
                kind: 'length',
                value: typed(told.shoulder_mm, unit),
                patch: mm => ({ blank: { shoulder_mm: mm } }),
                clear: 'Not told',
              }}
            >
              {told.shoulder_mm != null ? drawn('shoulder') : 'of a size not told'}
            </Word>
            .{' '}
          </>
        )}
        The first thread is chamfered to{' '}
        <Word
          job={job}
          about="Chamfer there is"
          set={told?.chamfer_mm != null}
          edit={{
            kind: 'length',
            value: inField(blank.chamfer_mm, unit),
            patch: mm => ({ blank: { chamfer_mm: mm } }),
            clear: external ? 'Just under the root' : 'Just over the thread',
          }}
        >
          {figure(blank.chamfer_mm, unit)}
        </Word>
        .
      </p>
      {blank.relief?.refused?.map(why => (
        <p key={why} className="fault">
          {why}
        </p>
      ))}
      {blank.relief && <p className="how">{blank.relief.says}</p>}
      {blank.beyond && <p className={blank.beyond.refused ? 'fault' : 'how'}>{blank.beyond.says}</p>}
    </Leaf>
  );
}
