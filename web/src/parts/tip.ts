import type { Field } from './fields';

/** Nothing told of the tip: what is told of it next, or of another bit, stands alone. */
export const UNTOLD = {
  tip_flat_mm: null,
  tip_radius_mm: null,
  tip_flat_between_mm: null,
  tip_radius_between_mm: null,
};

/** A tip as it is told: measured, or only guessed. */
export const TIP_FIELDS: Field[] = [
  { kind: 'number', at: 'included_angle_deg', says: 'Included angle, degrees' },
  { kind: 'length', at: 'tip_flat_mm', says: 'Flat on the tip, as measured' },
  { kind: 'length', at: 'tip_radius_mm', says: 'or radius on the tip' },
  { kind: 'length', at: 'tip_flat_between_mm.0', says: 'or, only guessed, a flat of at least' },
  { kind: 'length', at: 'tip_flat_between_mm.1', says: 'and at most' },
];
