import type { Plan } from '../../api/client';

type Sum = NonNullable<Plan['pad']>[number];

/** What a pocket, ring or relief is called. */
export const GAP = {
  drilled_pocket: 'pocket',
  plunged_ring: 'ring',
  relief: 'relief',
  withdraw: 'relief',
  open: 'relief',
} as const;

/** The sum of the bench pad that feeds a fact, if one does. */
export const fedBy = (plan: Plan, fact: NonNullable<Sum['feeds']>): Sum | undefined =>
  plan.pad?.find(l => l.feeds === fact);
