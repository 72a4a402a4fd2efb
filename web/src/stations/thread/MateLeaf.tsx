import type { Job } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import type { Field } from '../../parts/fields';
import { FieldsForm } from '../../parts/FieldsForm';
import { Leaf } from '../../parts/Leaf';
import { text } from '../../app/voice';

/** What is known of the mate: its size counts at once. A nut has none over wires. */
const fields = (mateIsScrew: boolean): Field[] => [
  { kind: 'length', at: 'made_pitch_diameter_mm', says: text('thread-mate-pitch') },
  ...(mateIsScrew
    ? ([
        { kind: 'length', at: 'made_over_wires_mm', says: text('thread-mate-over') },
        { kind: 'length', at: 'made_wire_mm', says: text('thread-mate-wire') },
      ] satisfies Field[])
    : []),
  { kind: 'length', at: 'made_doubt_mm', says: text('thread-mate-doubt'), how: text('thread-mate-doubt-how') },
  { kind: 'length', at: 'clearance_mm', says: text('thread-mate-clearance'), how: text('thread-mate-clearance-how') },
];

/** The part it is to fit, in the hand and measured; or taken back. */
export function MateLeaf({
  job,
  other,
  open,
  onClose,
}: {
  job: Job;
  other: string;
  open: boolean;
  onClose: () => void;
}) {
  const change = useChange(job);
  const send = (request: Patch, onError: (error: unknown) => void) =>
    change.mutate({ request }, { onSuccess: onClose, onError });
  const told = job.request.mate;
  return (
    <Leaf title={text('thread-the-mate', { other })} open={open} onClose={onClose}>
      {open && (
        <FieldsForm
          how={text('thread-mate-how')}
          fields={fields(other === 'screw')}
          value={told ?? {}}
          under="/mate"
          busy={change.isPending || job.frozen}
          onSend={(patch, onError) => send({ mate: patch } as Patch, onError)}
        />
      )}
      {told && !job.members.some(m => m.mate) && (
        <div className="row">
          <button
            type="button"
            className="act plain"
            disabled={job.frozen}
            onClick={() => send({ mate: null } as Patch, () => undefined)}
          >
            {text('thread-mate-none')}
          </button>
        </div>
      )}
    </Leaf>
  );
}
