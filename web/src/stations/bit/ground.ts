import type { PointedPlan } from '../../api/client';
import { figure } from '../../parts/Figure';
import { text } from '../../app/voice';

type Bit = PointedPlan['bit'];

/** What is ground on each side, in words. */
export const sidesSay = (bit: Bit, unit: 'mm' | 'in') =>
  bit.grind.sides
    .map(s =>
      text('bit-side-seen-front', { side: s.side, front: figure(s.front_deg, unit), rest: figure(s.rest_deg, unit) }),
    )
    .join('; ');

/** The tip to grind, in words. */
export const tipSays = (bit: Bit, unit: 'mm' | 'in') =>
  text(bit.tip_radius_mm ? 'bit-ground-round' : 'bit-ground-flat', {
    size: figure((bit.tip_radius_mm ?? bit.tip_flat_mm).aim, unit),
  });
