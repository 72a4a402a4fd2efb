import { spoken, text } from '../../app/voice';
import type { Job } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import type { Field } from '../../parts/fields';
import { FieldsForm } from '../../parts/FieldsForm';
import { Leaf } from '../../parts/Leaf';
import { TIP_FIELDS } from '../../parts/tip';

const FIELDS = spoken<Field[]>(() => [
  ...TIP_FIELDS(),
  { kind: 'length', at: 'tip_radius_between_mm.0', says: text('bit-only-guessed-radius') },
  { kind: 'length', at: 'tip_radius_between_mm.1', says: text('page-and-at-most') },
  {
    kind: 'number',
    at: 'leading_relief_deg',
    says: text('bit-relief-leading-side'),
    how: text('bit-seen-from-the-front'),
  },
  { kind: 'number', at: 'trailing_relief_deg', says: text('bit-relief-trailing-side') },
  { kind: 'number', at: 'rake_deg', says: text('page-back-rake-degrees') },
  {
    kind: 'number',
    at: 'square_deg',
    says: text('bit-out-of-square-degrees'),
    how: text('bit-point-toward-leading'),
  },
  { kind: 'length', at: 'height_mm', says: text('bit-tip-above-center'), how: text('bit-below-it-under-nought') },
  { kind: 'number', at: 'tilt_deg', says: text('bit-tilted-lead-holder') },
  { kind: 'length', at: 'body_ahead_mm', says: text('bit-point-side-toward') },
  { kind: 'length', at: 'bar_diameter_mm', says: text('bit-bore-thickness-bar') },
  { kind: 'length', at: 'reach_past_mm', says: text('bit-bore-must-reached') },
  {
    kind: 'number',
    at: 'clearance_deg',
    says: text('bit-working-clearance-grind'),
    how: text('bit-left-out-the-materials'),
  },
]);

/** What was measured of the bit, or only guessed. */
export function GroundLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const change = useChange(job);
  return (
    <Leaf title={text('bit-the-bit-as-ground')} open={open} onClose={onClose} wide>
      {open && (
        <FieldsForm
          columns
          how={text('bit-tell-you-measured')}
          fields={FIELDS()}
          value={job.request.bit ?? {}}
          under="/bit"
          busy={change.isPending || job.frozen}
          onSend={(patch, onError) =>
            change.mutate({ request: { bit: patch } as Patch }, { onSuccess: onClose, onError })
          }
        />
      )}
    </Leaf>
  );
}
