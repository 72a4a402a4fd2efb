import { isChased, isPointed, type Job, type Plan } from '../api/client';
import { useLathes, useMaterials } from '../api/hooks';
import { figure } from '../parts/Figure';
import { handed, inField, leadscrew } from '../parts/text';
import { useUnit } from '../parts/unit';
import { Folded } from './Folded';
import { onNoLathe } from './lathe';
import { said, text } from './voice';
import { Word } from './Word';

/** The texts of which member. */
const SIDE = { external: 'page-external', internal: 'page-internal' } as const;

/** What makes it, as the sentence begins. */
const VERB = { single_point: 'frame-verb-point', die: 'frame-verb-die', tap: 'frame-verb-tap' } as const;

/** The lathe it is on, by name. */
const latheOf = (plan: Plan) => (isChased(plan) ? plan.chaser.lathe : isPointed(plan) ? plan.gears.lathe : '');

/** The job in one sentence whose words are the controls. */
export function Sentence({ job, plan }: { job: Job; plan: Plan }) {
  const unit = useUnit();
  const lathes = useLathes();
  const materials = useMaterials();
  const { thread } = plan;
  const request = job.request;
  const material = request.blank?.material ?? 'mild_steel';
  const materialName = materials.data?.find(m => m.code === material)?.name ?? text('frame-mild-steel');
  const shoulder = request.blank?.shoulder ?? false;
  const external = thread.side === 'external';
  const maker = plan.chaser?.by ?? 'single_point';
  return (
    <Folded about={text('frame-the-job')} title={job.title} lines={1}>
      {said(onNoLathe(job) ? 'frame-cut-on-no-lathe' : 'frame-cut-on-lathe', {
        verb: (
          <Word
            job={job}
            about={text('frame-what-makes-it')}
            set={maker !== 'single_point'}
            edit={{
              kind: 'choice',
              choices: (['single_point', external ? 'die' : 'tap'] as const).map(by => ({
                says: text(VERB[by]),
                under: by === 'single_point' ? text('frame-by-point-under') : text('frame-by-chaser-under'),
                chosen: maker === by,
                patch: by === 'single_point' ? { making: null } : { making: { by }, blank: { die_finish: null } },
              })),
            }}
          >
            {text(VERB[maker])}
          </Word>
        ),
        size: (
          <Word
            job={job}
            about={text('page-callout')}
            set
            edit={{
              kind: 'text',
              value: request.thread?.callout ?? '',
              patch: callout => ({ thread: { callout, side: null, class: null, hand: null } }),
            }}
          >
            {thread.class ? `${thread.size}-${thread.class}` : thread.size}
          </Word>
        ),
        side: (
          <Word
            job={job}
            about={text('page-member')}
            edit={{
              kind: 'choice',
              choices: (['external', 'internal'] as const).map(side => ({
                says: text(SIDE[side]),
                under:
                  side === 'external'
                    ? [text('frame-the-screw'), thread.external.class].filter(Boolean).join(', ')
                    : [text('frame-the-nut-or-bore'), thread.internal.class].filter(Boolean).join(', '),
                chosen: thread.side === side,
                patch: {
                  thread: {
                    side,
                    class: (side === 'external' ? thread.external.class : thread.internal.class) || null,
                  },
                },
              })),
            }}
          >
            {text(SIDE[thread.side])}
          </Word>
        ),
        hand: (
          <Word
            job={job}
            about={text('page-hand')}
            edit={{
              kind: 'choice',
              choices: (['right', 'left'] as const).map(hand => ({
                says: handed(hand),
                chosen: thread.hand === hand,
                patch: { thread: { hand } },
              })),
            }}
          >
            {handed(thread.hand)}
          </Word>
        ),
        length: (
          <Word
            job={job}
            about={text('page-threaded-length')}
            set={request.thread?.length_mm != null}
            edit={{
              kind: 'length',
              value: inField(thread.length_mm, unit),
              patch: mm => ({ thread: { length_mm: mm } }),
              clear: text('frame-two-diameters'),
            }}
          >
            {figure(thread.length_mm, unit)}
          </Word>
        ),
        ends: (
          <Word
            job={job}
            about={text('frame-how-it-ends')}
            edit={{
              kind: 'choice',
              choices: [
                {
                  says: external ? text('frame-up-to-a-shoulder') : text('frame-bottom-blind-bore'),
                  chosen: shoulder,
                  patch: { blank: { shoulder: true } },
                },
                { says: text('frame-running-out-into'), chosen: !shoulder, patch: { blank: { shoulder: false } } },
              ],
            }}
          >
            {shoulder
              ? external
                ? text('frame-up-to-a-shoulder')
                : text('frame-in-a-blind-bore')
              : text('frame-into-the-open')}
          </Word>
        ),
        material: (
          <Word
            job={job}
            about={text('frame-material')}
            set={request.blank?.material != null}
            edit={{
              kind: 'choice',
              choices: (materials.data ?? []).map(m => ({
                says: m.name,
                under: m.code === 'not_known' ? text('frame-not-known-under') : undefined,
                chosen: m.code === material,
                patch: { blank: { material: m.code } },
              })),
            }}
          >
            {materialName}
          </Word>
        ),
        lathe: (
          <Word
            job={job}
            about={text('frame-lathe')}
            set={!onNoLathe(job)}
            edit={{
              kind: 'choice',
              choices: (lathes.data ?? []).map(l => ({
                says: l.name ?? l.id ?? '',
                under: leadscrew(l),
                chosen: request.lathe_id === l.id,
                patch: { lathe_id: l.id ?? null, gears: { hang: null } },
              })),
            }}
          >
            {onNoLathe(job) ? text('no-lathe-yet') : latheOf(plan)}
          </Word>
        ),
      })}
    </Folded>
  );
}
