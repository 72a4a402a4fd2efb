import type { GaugeSheet, Measured, Plan, Quantity } from '../../api/client';
import { figure } from '../../parts/Figure';
import { spoken, text } from '../../app/voice';

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

export const TITLES = spoken<Record<How, string>>(() => ({
  wires: text('gauge-micrometer-reads-over'),
  one_wire: text('gauge-reads-over-one'),
  micrometer: text('gauge-pitch-diameter-thread'),
  balls: text('gauge-read-between-balls'),
  root: text('gauge-across-the-roots'),
  plug: text('gauge-how-the-gauge-went'),
  mate: text('gauge-how-the-mate-went'),
}));

const NAMES = spoken<Record<How, string>>(() => ({
  wires: text('gauge-three-wires'),
  one_wire: text('gauge-one-wire'),
  micrometer: text('gauge-thread-micrometer'),
  balls: text('gauge-balls'),
  root: text('gauge-across-the-roots'),
  plug: text('gauge-plug-gauge'),
  mate: text('gauge-the-mate'),
}));

export const nameOf = (how: How, plan: Plan) =>
  how === 'plug' && plan.thread.side === 'external' ? text('gauge-ring-gauge') : NAMES()[how];

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
  const aim = (q: Quantity | undefined) => (q ? text('gauge-aim', { size: figure(q, unit) }) : '');
  switch (how) {
    case 'wires':
      return wire
        ? text('gauge-three-wires-of', { wire: figure(wire.wire_mm, unit), aim: aim(wire.over_mm?.target) })
        : plan.gauge.wire_mm && told.wire_mm == null
          ? text('gauge-three-wires-of', {
              wire: figure(plan.gauge.wire_mm, unit),
              aim: aim(plan.gauge.over_wires_mm?.target),
            })
          : text('gauge-three-wires');
    case 'one_wire':
      return wire
        ? text('gauge-one-wire-of', { wire: figure(wire.wire_mm, unit), aim: aim(wire.over_one_mm?.target) })
        : text('gauge-one-wire-crests');
    case 'balls': {
      const ball = sheet?.balls.find(b => b.ball_mm.value === told.wire_mm);
      const two = told.balls === 2;
      if (!ball) return text(two ? 'gauge-two-balls' : 'gauge-three-balls');
      return text(two ? 'gauge-two-balls-of' : 'gauge-three-balls-of', {
        ball: figure(ball.ball_mm, unit),
        aim: aim(two ? ball.two_mm.target : ball.three_mm.target),
      });
    }
    case 'root':
      return text('gauge-rule-caliper-root');
    case 'micrometer':
      return text('gauge-aim-pitch-diameter', {
        size: figure(plan.cut?.target_pitch_diameter_mm ?? plan.gauge.max_mm, unit),
      });
  }
}
