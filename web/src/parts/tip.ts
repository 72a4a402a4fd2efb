import type { Field } from './fields';
import { spoken, text } from '../app/voice';

/** Nothing told of the tip: what is told of it next, or of another bit, stands alone. */
export const UNTOLD = {
  tip_flat_mm: null,
  tip_radius_mm: null,
  tip_flat_between_mm: null,
  tip_radius_between_mm: null,
};

/** A tip as it is told: measured, or only guessed. */
export const TIP_FIELDS = spoken<Field[]>(() => [
  { kind: 'number', at: 'included_angle_deg', says: text('page-included-angle-degrees') },
  { kind: 'length', at: 'tip_flat_mm', says: text('parts-flat-tip-measured') },
  { kind: 'length', at: 'tip_radius_mm', says: text('parts-radius-tip') },
  { kind: 'length', at: 'tip_flat_between_mm.0', says: text('parts-only-guessed-flat') },
  { kind: 'length', at: 'tip_flat_between_mm.1', says: text('page-and-at-most') },
]);
