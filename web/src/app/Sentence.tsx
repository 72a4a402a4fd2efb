import type { Job, Plan } from '../api/client';
import { useLathes, useMaterials } from '../api/hooks';
import { figure } from '../parts/Figure';
import { inField, leadscrew } from '../parts/text';
import { useUnit } from '../parts/unit';
import { Folded } from './Folded';
import { onNoLathe } from './lathe';
import { text } from './voice';
import { Word } from './Word';

/** The job in one sentence whose words are the controls. */
export function Sentence({ job, plan }: { job: Job; plan: Plan }) {
  const unit = useUnit();
  const lathes = useLathes();
  const materials = useMaterials();
  const { thread } = plan;
  const request = job.request;
  const material = request.blank?.material ?? 'mild_steel';
  const materialName = materials.data?.find(m => m.code === material)?.name ?? 'mild steel';
  const shoulder = request.blank?.shoulder ?? false;
  const external = thread.side === 'external';
  return (
    <Folded about="The job" title={job.title} lines={1}>
      Cut{' '}
      <Word
        job={job}
        about="Callout"
        set
        edit={{
          kind: 'text',
          value: request.thread?.callout ?? '',
          patch: callout => ({ thread: { callout, side: null, class: null, hand: null } }),
        }}
      >
        {thread.class ? `${thread.size}-${thread.class}` : thread.size}
      </Word>{' '}
      <Word
        job={job}
        about="Member"
        edit={{
          kind: 'choice',
          choices: (['external', 'internal'] as const).map(side => ({
            says: side,
            under:
              side === 'external'
                ? ['the screw', thread.external.class].filter(Boolean).join(', ')
                : ['the nut or bore', thread.internal.class].filter(Boolean).join(', '),
            chosen: thread.side === side,
            patch: {
              thread: { side, class: (side === 'external' ? thread.external.class : thread.internal.class) || null },
            },
          })),
        }}
      >
        {thread.side}
      </Word>{' '}
      <Word
        job={job}
        about="Hand"
        edit={{
          kind: 'choice',
          choices: (['right', 'left'] as const).map(hand => ({
            says: `${hand}-hand`,
            chosen: thread.hand === hand,
            patch: { thread: { hand } },
          })),
        }}
      >
        {`${thread.hand}-hand`}
      </Word>
      ,{' '}
      <Word
        job={job}
        about="Threaded length"
        set={request.thread?.length_mm != null}
        edit={{
          kind: 'length',
          value: inField(thread.length_mm, unit),
          patch: mm => ({ thread: { length_mm: mm } }),
          clear: 'Two diameters',
        }}
      >
        {figure(thread.length_mm, unit)}
      </Word>{' '}
      long{' '}
      <Word
        job={job}
        about="How it ends"
        edit={{
          kind: 'choice',
          choices: [
            {
              says: external ? 'up to a shoulder' : 'to the bottom of a blind bore',
              chosen: shoulder,
              patch: { blank: { shoulder: true } },
            },
            { says: 'running out into the open', chosen: !shoulder, patch: { blank: { shoulder: false } } },
          ],
        }}
      >
        {shoulder ? (external ? 'up to a shoulder' : 'in a blind bore') : 'into the open'}
      </Word>
      , in{' '}
      <Word
        job={job}
        about="Material"
        set={request.blank?.material != null}
        edit={{
          kind: 'choice',
          choices: (materials.data ?? []).map(m => ({
            says: m.name,
            chosen: m.code === material,
            patch: { blank: { material: m.code } },
          })),
        }}
      >
        {materialName}
      </Word>
      {onNoLathe(job) ? ', ' : ', on the '}
      <Word
        job={job}
        about="Lathe"
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
        {onNoLathe(job) ? text('no-lathe-yet') : plan.gears.lathe}
      </Word>
      .
    </Folded>
  );
}
