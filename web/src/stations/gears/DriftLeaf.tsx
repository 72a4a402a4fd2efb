import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';

/** How the error of the best few trains grows with the nut, and what a screw that positions is out by. */
export function DriftLeaf({ plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  const unit = useUnit();
  const { hung, drift } = plan.gears;
  return (
    <Leaf title="What the error does over length" open={open} onClose={onClose} wide>
      {drift && (
        <div className="motion">
          <Outline drawing={drift} />
        </div>
      )}
      {hung && <p>{hung.judged}</p>}
      {hung && (
        <p className="how">
          As a screw that positions: {figure(hung.travel_mm, unit)} out in 300 mm of travel. The leadscrew’s own
          error, often 0.03 mm in 300, comes on top.
        </p>
      )}
    </Leaf>
  );
}
