import type { Job, Plan } from '../../api/client';
import { Carry } from '../../parts/Carry';
import { Leaf } from '../../parts/Leaf';
import { BitFiles } from './BitFiles';

/** The tool that turns the relief: square, or round where the groove may be. */
export function ReliefToolLeaf({
  job,
  plan,
  open,
  onClose,
}: {
  job: Job;
  plan: Plan;
  open: boolean;
  onClose: () => void;
}) {
  const tool = plan.bit.relief_tool;
  return (
    <Leaf title="The tool for the relief" open={open && tool != null} onClose={onClose}>
      {tool && (
        <>
          <Carry
            numbers={[
              { says: 'Width of its edge', figure: tool.width_mm },
              { says: 'Blade, long', figure: tool.blade_mm },
              { says: 'Blade, wide at its root', figure: tool.back_mm },
              { says: 'Radius on its corners', figure: tool.corner_mm },
              tool.round_mm && { says: 'Or a full round nose of', figure: tool.round_mm },
              { says: 'Relief of its end', figure: tool.end_deg },
              { says: 'Relief of each side', figure: tool.side_deg },
              tool.bar_mm && { says: 'Bar behind it, at most', figure: tool.bar_mm },
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
