import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { inField, typed } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { PointedProps } from '../JobPage';
import { atHand, fedBy, GAP } from './words';
import { said, text } from '../../app/voice';

/** What the thread ends in and starts with, word by word: relief, corner, the bit beyond its point, shoulder, chamfer. */
export function EndLeaf({ job, plan, open, onClose }: PointedProps & { open: boolean; onClose: () => void }) {
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
    <Leaf title={text('blank-what-it-ends-in')} open={open} onClose={onClose}>
      <p className="sentence own">
        {said('blank-first-thread-chamfered', {
          relief: blank.relief && (
            <>
              {said('blank-gap-wide-and-deep', {
                gap: GAP()[blank.relief.end],
                wide: (
                  <Word
                    job={job}
                    about={text('blank-relief-width-there-is')}
                    set={told?.relief_width_mm != null || width !== undefined}
                    edit={{
                      kind: 'length',
                      value:
                        told?.relief_width_mm != null
                          ? typed(told.relief_width_mm, unit)
                          : inField(blank.relief.width_mm, unit),
                      patch: mm => ({ blank: { relief_width_mm: mm } }),
                      clear: text('blank-as-wide-as-needed'),
                    }}
                  >
                    {told?.relief_width_mm != null || width
                      ? drawn('relief_width')
                      : text('blank-as-wide-as-needed-within')}
                  </Word>
                ),
                width: width && text('blank-width-from-pad', { width: width.name }),
                deep: (
                  <Word
                    job={job}
                    about={text('blank-relief-diameter-there-is')}
                    set={told?.relief_diameter_mm != null || diameter !== undefined}
                    edit={{
                      kind: 'length',
                      value:
                        told?.relief_diameter_mm != null
                          ? typed(told.relief_diameter_mm, unit)
                          : inField(blank.relief.diameter_mm, unit),
                      patch: mm => ({ blank: { relief_diameter_mm: mm } }),
                      clear: external ? text('blank-as-deep-as-needed') : text('blank-as-large-as-needed'),
                    }}
                  >
                    {told?.relief_diameter_mm != null || diameter
                      ? drawn('relief_diameter')
                      : external
                        ? text('blank-as-deep-as-needed-within')
                        : text('blank-as-large-as-needed-within')}
                  </Word>
                ),
                diameter: diameter && text('blank-diameter-from-pad', { diameter: diameter.name }),
                corner:
                  blank.relief.corner_mm &&
                  said('blank-its-corners', {
                    drawn: (
                      <Word
                        job={job}
                        about={text('blank-corner-radius-there-is')}
                        set={told?.relief_corner_mm != null}
                        edit={{
                          kind: 'length',
                          value: inField(blank.relief.corner_mm, unit),
                          patch: mm => ({ blank: { relief_corner_mm: mm } }),
                          clear: text('blank-round-will-go'),
                        }}
                      >
                        {told?.relief_corner_mm != null
                          ? text('blank-round', { drawn: drawn('relief_corner') })
                          : text('blank-as-round-as-will-go')}
                      </Word>
                    ),
                  }),
                body_ahead: (
                  <Word
                    job={job}
                    about={text('blank-tool-beyond-point')}
                    set={ahead != null}
                    edit={{
                      kind: 'length',
                      value: typed(ahead, unit),
                      patch: mm => ({ bit: { body_ahead_mm: mm } }),
                      clear: external ? text('blank-half-a-common-tool') : text('blank-not-told'),
                    }}
                  >
                    {ahead != null
                      ? figure(
                          blank.body_ahead_mm ?? { value: ahead, text: text('page-so-many-mm', { n: ahead }) },
                          unit,
                        )
                      : external
                        ? text('blank-half-a-common-tool-within')
                        : text('page-not-told')}
                  </Word>
                ),
              })}{' '}
            </>
          ),
          beyond: blank.beyond && (
            <>
              {said('blank-end-thread-stands-beyond', {
                gap: (
                  <Word
                    job={job}
                    about={text('blank-end-thread-stands')}
                    set={told?.beyond_mm != null || blank.beyond.jaws}
                    later
                    edit={{
                      kind: 'length',
                      value: blank.beyond.gap_mm ? inField(blank.beyond.gap_mm, unit) : '',
                      patch: mm => ({ blank: { beyond_mm: mm } }),
                      clear: text('blank-not-told'),
                    }}
                  >
                    {blank.beyond.gap_mm ? figure(blank.beyond.gap_mm, unit) : text('blank-room-not-told')}
                  </Word>
                ),
              })}{' '}
            </>
          ),
          shoulder: external && told?.shoulder && (
            <>
              {said('blank-the-shoulder-is', {
                drawn: (
                  <Word
                    job={job}
                    about={text('blank-shoulder-diameter')}
                    set={told.shoulder_mm != null}
                    edit={{
                      kind: 'length',
                      value: typed(told.shoulder_mm, unit),
                      patch: mm => ({ blank: { shoulder_mm: mm } }),
                      clear: text('blank-not-told'),
                    }}
                  >
                    {told.shoulder_mm != null ? drawn('shoulder') : text('blank-size-told')}
                  </Word>
                ),
              })}{' '}
            </>
          ),
          chamfer: (
            <Word
              job={job}
              about={text('blank-chamfer-there-is')}
              set={told?.chamfer_mm != null}
              edit={{
                kind: 'length',
                value: inField(blank.chamfer_mm, unit),
                patch: mm => ({ blank: { chamfer_mm: mm } }),
                clear: external ? text('blank-just-under-the-root') : text('blank-just-over-the-thread'),
              }}
            >
              {figure(blank.chamfer_mm, unit)}
            </Word>
          ),
        })}
      </p>
      {blank.relief?.refused?.map(why => (
        <p key={why} className="fault">
          {why}
        </p>
      ))}
      {blank.relief && <p className="how">{blank.relief.says}</p>}
      {atHand(blank, 'groover').map(says => (
        <p key={says}>{says}</p>
      ))}
      {blank.beyond && <p className={blank.beyond.refused ? 'fault' : 'how'}>{blank.beyond.says}</p>}
    </Leaf>
  );
}
