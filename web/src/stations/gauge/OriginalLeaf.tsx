import type { Job } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import type { Field } from '../../parts/fields';
import { FieldsForm } from '../../parts/FieldsForm';
import { Leaf } from '../../parts/Leaf';

const FIELDS: Field[] = [
  { kind: 'length', at: 'pitch_diameter_mm', says: 'Its pitch diameter', how: 'by thread micrometer' },
  { kind: 'length', at: 'over_wires_mm', says: 'or its size over three wires' },
  { kind: 'length', at: 'wire_mm', says: 'over wires of' },
  {
    kind: 'length',
    at: 'clearance_mm',
    says: 'This one looser than it by',
    how: 'on the pitch diameter; left out: the same',
  },
];

/** A part to match: measured the way this one will be, it gives the size to aim at. */
export function OriginalLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const change = useChange(job);
  const send = (request: Patch, onError: (error: unknown) => void) =>
    change.mutate({ request }, { onSuccess: onClose, onError });
  return (
    <Leaf title="A part to match" open={open} onClose={onClose}>
      {open && (
        <FieldsForm
          how="Measure the original the same way this one will be measured; the aim follows it."
          fields={FIELDS}
          value={job.request.gauge?.original ?? {}}
          under="/gauge/original"
          busy={change.isPending || job.frozen}
          onSend={(patch, onError) => send({ gauge: { original: patch } } as Patch, onError)}
        />
      )}
      {job.request.gauge?.original && (
        <div className="row">
          <button
            type="button"
            className="act plain"
            disabled={job.frozen}
            onClick={() => send({ gauge: { original: null } } as Patch, () => undefined)}
          >
            Match nothing: the middle of the limits
          </button>
        </div>
      )}
    </Leaf>
  );
}
