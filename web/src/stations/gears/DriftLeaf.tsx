import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import type { PointedProps } from '../JobPage';
import { text } from '../../app/voice';

/** How the error of the best few trains grows with the nut, and what a screw that positions is out by. */
export function DriftLeaf({ plan, open, onClose }: PointedProps & { open: boolean; onClose: () => void }) {
  const { hung, drift } = plan.gears;
  return (
    <Leaf title={text('gears-error-does-over')} open={open} onClose={onClose} wide>
      {drift && (
        <div className="motion">
          <Outline drawing={drift} />
        </div>
      )}
      {hung && <p>{hung.judged}</p>}
      {hung && <p className="how">{hung.travel_says}</p>}
    </Leaf>
  );
}
