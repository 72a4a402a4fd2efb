import type { Job } from '../../api/client';
import { Word } from '../../app/Word';
import { said, spoken, text } from '../../app/voice';
import { typed } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';

const PROOFS = spoken(
  () =>
    ({
      auto: text('setup-whatever-can-be-done'),
      wires: text('setup-three-wires'),
      thread_micrometer: text('setup-a-thread-micrometer'),
      mate: text('setup-the-mate'),
      plug: text('setup-a-gauge-turned-first'),
      test_piece: text('setup-a-test-piece'),
    }) as const,
);

/** How the size is proven, and the ways there are. */
export function ProofWord({ job, plan }: StationProps) {
  const { proof } = plan;
  const way = proof.ways.find(w => w.chosen);
  return (
    <Word
      job={job}
      about={text('setup-how-size-proven')}
      set={job.request.gauge?.proof != null && job.request.gauge.proof !== 'auto'}
      edit={{
        kind: 'choice',
        choices: [
          {
            says: PROOFS().auto,
            chosen: (job.request.gauge?.proof ?? 'auto') === 'auto',
            patch: { gauge: { proof: null } },
          },
          ...proof.ways.map(w => ({
            says: `${w.says}${w.serves === false ? ` ${text('setup-cannot-be-done')}` : ''}`,
            under: w.why,
            chosen: job.request.gauge?.proof === w.by,
            patch: { gauge: { proof: w.by } },
          })),
        ],
      }}
    >
      {way?.says ?? text('setup-nothing-at-hand')}
    </Word>
  );
}

/** Whether the mate is at hand. */
export function MateWord({ job, plan }: StationProps) {
  const gauge = job.request.gauge;
  const unit = useUnit();
  const told = (field: 'mate_ahead_mm' | 'mate_goes_on_mm', about: string, none: string) => (
    <Word
      job={job}
      about={about}
      set={gauge?.[field] != null}
      later
      edit={{
        kind: 'length',
        value: typed(gauge?.[field] ?? null, unit),
        patch: mm => ({ gauge: { [field]: mm } }),
        clear: text('page-not-told'),
      }}
    >
      {gauge?.[field] == null ? none : `${typed(gauge[field], unit)} ${unit}`}
    </Word>
  );
  return (
    <>
      <AtHandWord job={job} />
      {gauge?.mate_at_hand &&
        said('setup-mate-carries', {
          ahead: told('mate_ahead_mm', text('setup-mate-ahead'), text('setup-mate-nothing-ahead')),
          goes: told('mate_goes_on_mm', text('setup-mate-goes-on'), text('setup-mate-all-of-it')),
          hung: <WhereMate job={job} plan={plan} />,
        })}
    </>
  );
}

function AtHandWord({ job }: { job: Job }) {
  return (
    <Word
      job={job}
      about={text('setup-whether-mate-hand')}
      set={job.request.gauge?.mate_at_hand != null}
      later
      edit={{
        kind: 'choice',
        choices: [
          {
            says: text('setup-at-hand'),
            chosen: job.request.gauge?.mate_at_hand === true,
            patch: { gauge: { mate_at_hand: true } },
          },
          {
            says: text('setup-not-at-hand'),
            chosen: job.request.gauge?.mate_at_hand === false,
            patch: { gauge: { mate_at_hand: false } },
          },
          {
            says: text('page-not-told'),
            chosen: job.request.gauge?.mate_at_hand == null,
            patch: { gauge: { mate_at_hand: null } },
          },
        ],
      }}
    >
      {job.request.gauge?.mate_at_hand == null
        ? text('setup-told-hand')
        : job.request.gauge.mate_at_hand
          ? text('setup-at-hand')
          : text('setup-not-at-hand')}
    </Word>
  );
}

/** Where the mate is meanwhile: hung on the tailstock's side of a screw, or the spindle's own nose for a bore. */
function WhereMate({ job, plan }: StationProps) {
  const field = plan.thread.side === 'external' ? 'mate_hung' : 'mate_is_nose';
  const says = (is: boolean) =>
    text(is ? (field === 'mate_hung' ? 'setup-mate-hangs' : 'setup-mate-nose') : 'setup-mate-apart');
  const is = job.request.gauge?.[field] ?? false;
  return (
    <>
      {', '}
      <Word
        job={job}
        about={text('setup-mate-hung')}
        set={job.request.gauge?.[field] != null}
        later
        edit={{
          kind: 'choice',
          choices: [true, false].map(one => ({
            says: says(one),
            chosen: is === one,
            patch: { gauge: { [field]: one } },
          })),
        }}
      >
        {says(is)}
      </Word>
    </>
  );
}
