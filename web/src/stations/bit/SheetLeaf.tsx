import type { BitSheet, Job, Plan } from '../../api/client';
import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';

/** Ways of holding a bit to the wheel. */
export const GRINDERS = [
  { value: 'freehand', says: 'freehand' },
  { value: 'rest', says: 'with the hand on the rest' },
  { value: 'tilted_rest', says: 'on a tilted rest' },
  { value: 'cutter_grinder', says: 'on a tool-and-cutter grinder' },
] as const;

/** The grinding sheet: what to set and do, in order, on one page to take to the wheel. */
export function SheetLeaf({ job, plan, sheet, open, onClose }: { job: Job; plan: Plan; sheet: BitSheet | undefined; open: boolean; onClose: () => void }) {
  const { bit } = plan;
  const unit = useUnit();
  return (
    <Leaf title={`Grinding sheet: ${plan.thread.name}`} open={open} onClose={onClose} wide>
      {open && (
        <div className="printed grinding">
          <p className="how">
            {job.title}: {bit.grind.sides.map((s) => `the ${s.side} side ${figure(s.front_deg, unit)} seen from the front, ${figure(s.rest_deg, unit)} on a rest`).join('; ')}; tip {figure((bit.tip_radius_mm ?? bit.tip_flat_mm).aim, unit)}
            {bit.tip_radius_mm ? ' round' : ' flat'}.
          </p>
          {sheet && <Outline drawing={sheet.views} />}
          <ol className="steps">
            {sheet?.steps.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ol>
          <div className="row">
            <button type="button" className="act plain" onClick={() => window.print()}>Print</button>
          </div>
        </div>
      )}
    </Leaf>
  );
}
