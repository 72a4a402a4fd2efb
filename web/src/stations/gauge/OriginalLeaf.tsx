import type { Job } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import type { Field } from '../../parts/fields';
import { FieldsForm } from '../../parts/FieldsForm';
import { Leaf } from '../../parts/Leaf';
import { spoken, text } from '../../app/voice';

const FIELDS = spoken<Field[]>(() => [
  {
    kind: 'length',
    at: 'pitch_diameter_mm',
    says: text('gauge-its-pitch-diameter'),
    how: text('gauge-by-thread-micrometer'),
  },
  { kind: 'length', at: 'over_wires_mm', says: text('gauge-size-over-three') },
  { kind: 'length', at: 'wire_mm', says: text('gauge-over-wires-of') },
  {
    kind: 'length',
    at: 'clearance_mm',
    says: text('gauge-one-looser'),
    how: text('gauge-pitch-diameter-left'),
  },
  { kind: 'length', at: 'allow_mm', says: text('gauge-may-end'), how: text('gauge-either-way') },
]);

/** A part to match: measured the way this one will be, it gives the size to aim at. */
export function OriginalLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const change = useChange(job);
  const send = (request: Patch, onError: (error: unknown) => void) =>
    change.mutate({ request }, { onSuccess: onClose, onError });
  return (
    <Leaf title={text('gauge-a-part-to-match')} open={open} onClose={onClose}>
      {open && (
        <FieldsForm
          how={text('gauge-measure-original-same')}
          fields={FIELDS()}
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
            {text('gauge-match-nothing-middle')}
          </button>
        </div>
      )}
    </Leaf>
  );
}
