import type { Plan } from '../../api/client';
import { figure } from '../../parts/Figure';

type Bit = Plan['bit'];

/** What is ground on each side, in words. */
export const sidesSay = (bit: Bit, unit: 'mm' | 'in') =>
  bit.grind.sides
    .map(
      s =>
        `the ${s.side} side ${figure(s.front_deg, unit)} seen from the front, ${figure(s.rest_deg, unit)} on a rest`,
    )
    .join('; ');

/** The tip to grind, in words. */
export const tipSays = (bit: Bit, unit: 'mm' | 'in') =>
  `${figure((bit.tip_radius_mm ?? bit.tip_flat_mm).aim, unit)} ${bit.tip_radius_mm ? 'round' : 'flat'}`;
