import type { BitSheet, Job, Plan } from '../../api/client';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';
import { sidesSay, tipSays } from './ground';

/** Ways of holding a bit to the wheel. */
export const GRINDERS = [
  { value: 'freehand', says: 'freehand' },
  { value: 'rest', says: 'with the hand on the rest' },
  { value: 'tilted_rest', says: 'on a tilted rest' },
  { value: 'cutter_grinder', says: 'on a tool-and-cutter grinder' },
] as const;

/** The grinding sheet: what to set and do, in order, on one page to take to the wheel. */
export function SheetLeaf({
  job,
  plan,
  sheet,
  open,
  onClose,
}: {
  job: Job;
  plan: Plan;
  sheet: BitSheet | undefined;
  open: boolean;
  onClose: () => void;
}) {
  const { bit } = plan;
  const unit = useUnit();
  return (
    <Leaf title={`Grinding sheet: ${plan.thread.name}`} open={open} onClose={onClose} wide>
      {open && (
        <div className="printed grinding">
          <p className="how">
            {job.title}: {sidesSay(bit, unit)}; tip {tipSays(bit, unit)}.
          </p>
          {sheet && <Outline drawing={sheet.views} />}
          <ol className="steps">
            {sheet?.steps.map(s => (
              <li key={s}>{s}</li>
            ))}
          </ol>
          <div className="row">
            <button type="button" className="act plain" onClick={() => window.print()}>
              Print
            </button>
          </div>
        </div>
      )}
    </Leaf>
  );
}
