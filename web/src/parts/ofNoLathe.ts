import type { Plan, PointedPlan } from '../api/client';
import { text } from '../app/voice';
import { type Carried, present } from './Carry';

/** What to turn or bore to. */
export const sized = ({ blank, thread }: Plan): Carried => ({
  says: text(thread.side === 'external' ? 'card-turn' : 'card-bore'),
  figure: blank.aim_mm,
  under: text(thread.hand === 'left' ? 'card-pitch-left' : 'card-pitch-right', { pitch: thread.pitch_text }),
});

/** What it measures when done. */
export const measured = ({ cut, gauge }: PointedPlan): Carried =>
  gauge.over_wires_mm
    ? { says: text('card-over-wires'), figure: gauge.over_wires_mm.target, under: gauge.says }
    : { says: text('card-pitch-diameter'), figure: cut.target_pitch_diameter_mm, under: gauge.says };

/** The numbers of a thread that need no lathe. */
export const ofNoLathe = (plan: PointedPlan): Carried[] =>
  present([
    sized(plan),
    {
      says: text(plan.cut.stop_says ? 'card-touch-stop' : 'card-touch'),
      figure: plan.cut.radial_mm,
      under: text('card-touch-under'),
    },
    plan.bit.tip_flat_mm && { says: text('card-tip'), figure: plan.bit.tip_flat_mm.aim },
    measured(plan),
  ]);
