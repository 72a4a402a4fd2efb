import type { GaugeSheet, Measured, Plan, Quantity } from '../../api/client';
import { figure } from '../../parts/Figure';

/** How the thread is read or tried. */
export type How = 'wires' | 'one_wire' | 'micrometer' | 'balls' | 'root' | 'plug' | 'mate';
/** Those of them that read a figure. */
export type Figured = Exclude<How, 'plug' | 'mate'>;

type Field = 'over_wires_mm' | 'over_one_wire_mm' | 'pitch_diameter_mm' | 'between_balls_mm' | 'root_mm';

export const FIELD: Record<Figured, Field> = {
  wires: 'over_wires_mm',
  one_wire: 'over_one_wire_mm',
  micrometer: 'pitch_diameter_mm',
  balls: 'between_balls_mm',
  root: 'root_mm',
};

export const TITLES: Record<How, string> = {
  wires: 'What the micrometer reads over the wires',
  one_wire: 'What it reads over one wire',
  micrometer: 'Pitch diameter by thread micrometer',
  balls: 'What is read between the balls',
  root: 'Across the roots',
  plug: 'How the gauge went',
  mate: 'How the mate went',
};

const NAMES: Record<How, string> = {
  wires: 'Three wires',
  one_wire: 'One wire',
  micrometer: 'Thread micrometer',
  balls: 'Balls',
  root: 'Across the roots',
  plug: 'Plug gauge',
  mate: 'The mate',
};

export const nameOf = (how: How, plan: Plan) =>
  how === 'plug' && plan.thread.side === 'external' ? 'Ring gauge' : NAMES[how];

/** The ways there are for this thread, the proof planned first. */
export function waysOf(plan: Plan): How[] {
  const straight = plan.thread.included_angle_deg <= 0;
  if (straight) return ['mate', 'root', 'plug'];
  return plan.thread.side === 'external'
    ? ['wires', 'one_wire', 'micrometer', 'mate', 'plug', 'root']
    : ['mate', 'micrometer', 'balls', 'plug', 'root'];
}

/** The way the plan proves it by, else the first there is. */
export function usualWay(plan: Plan): How {
  const by = plan.proof.by;
  if (by === 'mate' || by === 'plug') return by;
  if (by === 'thread_micrometer') return 'micrometer';
  if (plan.gauge.wire_mm) return 'wires';
  return plan.thread.included_angle_deg <= 0 ? 'mate' : 'micrometer';
}

/** What it should come to, with what it is read. */
export function aimOf(
  how: Figured,
  plan: Plan,
  sheet: GaugeSheet | undefined,
  told: Partial<Measured>,
  unit: 'mm' | 'in',
): string {
  const wire = sheet?.wires.find(w => (told.wire_mm == null ? w.chosen : w.wire_mm.value === told.wire_mm));
  const aim = (q: Quantity | undefined) => (q ? `; aim ${figure(q, unit)}` : '');
  switch (how) {
    case 'wires':
      return wire
        ? `Three ${figure(wire.wire_mm, unit)} wires${aim(wire.over_mm?.target)}`
        : plan.gauge.wire_mm && told.wire_mm == null
          ? `Three ${figure(plan.gauge.wire_mm, unit)} wires${aim(plan.gauge.over_wires_mm?.target)}`
          : 'Three wires';
    case 'one_wire':
      return `One ${wire ? `${figure(wire.wire_mm, unit)} ` : ''}wire, and the crests opposite${aim(wire?.over_one_mm?.target)}`;
    case 'balls': {
      const ball = sheet?.balls.find(b => b.ball_mm.value === told.wire_mm);
      return `${told.balls === 2 ? 'Two' : 'Three'} balls${ball ? ` of ${figure(ball.ball_mm, unit)}${aim(told.balls === 2 ? ball.two_mm.target : ball.three_mm.target)}` : ''}`;
    }
    case 'root':
      return 'By rule or caliper, from root to root';
    case 'micrometer':
      return `Aim ${figure(plan.cut.target_pitch_diameter_mm, unit)}`;
  }
}
