import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';

/** Thread: what exactly is to be cut. */
export function ThreadStation({ plan }: StationProps) {
  const { thread } = plan;
  const unit = useUnit();
  const own = thread.side === 'external' ? thread.external : thread.internal;
  const mate = thread.side === 'external' ? thread.internal : thread.external;
  const external = thread.side === 'external';
  const range = (r: typeof own.major_mm) => [r.min, r.max].filter((q) => q != null).map((q) => figure(q, unit)).join(' to ');
  return (
    <Station
      id="thread"
      plan={plan}
      sentence={
        <>
          {thread.series} series, {thread.starts === 1 ? 'single start' : `${thread.starts} starts`}. It mates with the {external ? 'nut' : 'screw'} at {mate.class}: pitch diameter {range(mate.pitch_mm)},{' '}
          {external ? `minor ${range(mate.minor_mm)}` : `major ${range(mate.major_mm)}`}.
        </>
      }
      drawing={<Outline drawing={thread.drawing} />}
      numbers={[
        { says: 'Pitch', text: thread.pitch_text, line: thread.pitch_mm.w, under: thread.starts > 1 ? `lead ${figure(thread.lead_mm, unit)}` : undefined },
        own.pitch_mm.max && { says: `Pitch diameter, most (${own.class})`, figure: own.pitch_mm.max },
        own.pitch_mm.min && { says: 'Pitch diameter, least', figure: own.pitch_mm.min },
        external
          ? own.major_mm.max && { says: 'Major diameter, most', figure: own.major_mm.max, under: own.major_mm.min && `least ${figure(own.major_mm.min, unit)}` }
          : own.minor_mm.min && { says: 'Minor diameter, least', figure: own.minor_mm.min, under: own.minor_mm.max && `most ${figure(own.minor_mm.max, unit)}` },
        external
          ? own.minor_mm.max && { says: 'Minor diameter must clear', figure: own.minor_mm.max }
          : own.major_mm.min && { says: 'Major diameter must reach', figure: own.major_mm.min },
        { says: 'Lead angle', figure: thread.lead_angle_deg.pitch },
      ]}
    />
  );
}
