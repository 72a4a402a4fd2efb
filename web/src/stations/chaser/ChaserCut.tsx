import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { text } from '../../app/voice';
import { figure } from '../../parts/Figure';
import { useUnit } from '../../parts/unit';
import type { ChasedProps } from '../JobPage';
import { Station } from '../Station';
import { MakersLeaf } from './MakersLeaf';
import { StagesList } from './StagesList';

/** Cut with a die or a tap: step by step, and how far. */
export function ChaserCut({ job, plan }: ChasedProps) {
  const { chaser, blank } = plan;
  const unit = useUnit();
  const [makers, setMakers] = useState(false);
  const run = job.run;
  return (
    <Station
      id="cut"
      plan={plan}
      sentence={<p>{chaser.says}</p>}
      drawing={<StagesList job={job} plan={plan} />}
      numbers={[
        { says: text('chaser-front-to'), figure: blank.mark.from_face_mm, note: blank.mark.says },
        {
          says: text('chaser-full-thread'),
          figure: chaser.full_mm,
          under: text('chaser-lead-leaves', { short: figure(chaser.short_mm, unit) }),
        },
        { says: text('chaser-turns-with'), figure: chaser.twist.torque_nm, note: chaser.twist.says },
        { says: text('chaser-each-hand'), figure: chaser.twist.each_hand_n },
      ]}
      beside={run?.begun && <p className="how">{run.says}</p>}
      acts={
        <>
          <Link to="/jobs/$id/at-the-lathe" params={{ id: job.id }} className="act as-link">
            {run?.begun ? text('cut-back-to-the-lathe') : text('cut-stand-at-the-lathe')}
          </Link>
          <button type="button" className="act plain" onClick={() => setMakers(true)}>
            {text('chaser-or-a-single-point')}
          </button>
        </>
      }
    >
      <MakersLeaf job={job} open={makers} onClose={() => setMakers(false)} />
    </Station>
  );
}
