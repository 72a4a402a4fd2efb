import type { BitSheet, Job, PointedPlan } from '../../api/client';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';
import { sidesSay, tipSays } from './ground';
import { spoken, text } from '../../app/voice';

/** Ways of holding a bit to the wheel. */
export const GRINDERS = spoken(
  () =>
    [
      { value: 'freehand', says: text('bit-freehand') },
      { value: 'rest', says: text('bit-hand-rest') },
      { value: 'tilted_rest', says: text('bit-on-a-tilted-rest') },
      { value: 'cutter_grinder', says: text('bit-tool-cutter-grinder') },
    ] as const,
);

/** The grinding sheet: what to set and do, in order, on one page to take to the wheel. */
export function SheetLeaf({
  job,
  plan,
  sheet,
  open,
  onClose,
}: {
  job: Job;
  plan: PointedPlan;
  sheet: BitSheet | undefined;
  open: boolean;
  onClose: () => void;
}) {
  const { bit } = plan;
  const unit = useUnit();
  return (
    <Leaf title={text('bit-grinding-sheet', { thread: plan.thread.name })} open={open} onClose={onClose} wide>
      {open && (
        <div className="printed grinding">
          <p className="how">
            {text('bit-tip', { title: job.title, sides_say: sidesSay(bit, unit), tip_says: tipSays(bit, unit) })}
          </p>
          {sheet && <Outline drawing={sheet.views} />}
          <ol className="steps">
            {sheet?.steps.map(s => (
              <li key={s}>{s}</li>
            ))}
          </ol>
          <div className="row">
            <button type="button" className="act plain" onClick={() => window.print()}>
              {text('page-print')}
            </button>
          </div>
        </div>
      )}
    </Leaf>
  );
}
