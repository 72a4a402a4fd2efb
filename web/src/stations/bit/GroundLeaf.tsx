import { say } from '../../app/voice';
import type { Job } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import type { Field } from '../../parts/fields';
import { FieldsForm } from '../../parts/FieldsForm';
import { Leaf } from '../../parts/Leaf';
import { TIP_FIELDS } from '../../parts/tip';

const FIELDS: Field[] = [
  ...TIP_FIELDS,
  { kind: 'length', at: 'tip_radius_between_mm.0', says: 'or, only guessed, a radius of at least' },
  { kind: 'length', at: 'tip_radius_between_mm.1', says: 'and at most' },
  {
    kind: 'number',
    at: 'leading_relief_deg',
    says: 'Relief of the leading side, degrees',
    how: 'seen from the front',
  },
  { kind: 'number', at: 'trailing_relief_deg', says: 'Relief of the trailing side, degrees' },
  { kind: 'number', at: 'rake_deg', says: 'Back rake, degrees' },
  {
    kind: 'number',
    at: 'square_deg',
    says: 'Out of square, degrees',
    how: 'the point toward the leading side; away from it under nought',
  },
  { kind: 'length', at: 'height_mm', says: 'Tip above {center}', how: 'below it under nought' },
  { kind: 'number', at: 'tilt_deg', says: 'Tilted to the lead in its holder, degrees' },
  { kind: 'length', at: 'body_ahead_mm', says: 'From the point to its side toward the shoulder' },
  { kind: 'length', at: 'bar_diameter_mm', says: 'In a bore: thickness of the bar' },
  { kind: 'length', at: 'reach_past_mm', says: 'In a bore: what must be reached past' },
  {
    kind: 'number',
    at: 'clearance_deg',
    says: 'Working clearance to grind for, degrees',
    how: 'left out: the material’s',
  },
];

/** What was measured of the bit, or only guessed. */
export function GroundLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const change = useChange(job);
  return (
    <Leaf title={say('The {bit} as ground')} open={open} onClose={onClose} wide>
      {open && (
        <FieldsForm
          columns
          how="Tell what you measured, or could only guess; leave the rest. The thread it will cut is reckoned from this."
          fields={FIELDS}
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
