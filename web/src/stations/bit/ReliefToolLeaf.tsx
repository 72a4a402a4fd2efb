import type { Job, PointedPlan } from '../../api/client';
import { Carry } from '../../parts/Carry';
import { Leaf } from '../../parts/Leaf';
import { BitFiles } from './BitFiles';
import { text } from '../../app/voice';

/** The tool that turns the relief: square, or round where the groove may be. */
export function ReliefToolLeaf({
  job,
  plan,
  open,
  onClose,
}: {
  job: Job;
  plan: PointedPlan;
  open: boolean;
  onClose: () => void;
}) {
  const tool = plan.bit.relief_tool;
  return (
    <Leaf title={text('bit-tool-relief')} open={open && tool != null} onClose={onClose}>
      {tool && (
        <>
          <Carry
            numbers={[
              { says: text('bit-width-of-its-edge'), figure: tool.width_mm },
              { says: text('bit-blade-long'), figure: tool.blade_mm },
              { says: text('bit-blade-wide-root'), figure: tool.back_mm },
              { says: text('bit-radius-on-its-corners'), figure: tool.corner_mm },
              tool.round_mm && { says: text('bit-full-round-nose'), figure: tool.round_mm },
              { says: text('bit-relief-of-its-end'), figure: tool.end_deg },
              { says: text('bit-relief-of-each-side'), figure: tool.side_deg },
              tool.bar_mm && { says: text('bit-bar-behind-most'), figure: tool.bar_mm },
            ]}
          />
          {tool.says.map(s => (
            <p key={s} className="how">
              {s}
            </p>
          ))}
          <BitFiles job={job} view="relief_tool" />
        </>
      )}
    </Leaf>
  );
}
