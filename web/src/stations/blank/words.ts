import type { Plan } from '../../api/client';
import { spoken, text } from '../../app/voice';

type Sum = NonNullable<Plan['pad']>[number];

/** What a pocket, ring or relief is called. */
export const GAP = spoken(() => ({
  drilled_pocket: text('blank-gap-pocket'),
  plunged_ring: text('blank-gap-ring'),
  relief: text('blank-gap-relief'),
  withdraw: text('blank-gap-relief'),
  open: text('blank-gap-relief'),
}));

/** The sum of the bench pad that feeds a fact, if one does. */
export const fedBy = (plan: Plan, fact: NonNullable<Sum['feeds']>): Sum | undefined =>
  plan.pad?.find(l => l.feeds === fact);

/** What the drawer has for the blank, or is to be got, of these kinds. */
export const atHand = (blank: Plan['blank'], ...kinds: string[]) =>
  (blank.at_hand ?? []).filter(h => kinds.includes(h.what)).map(h => h.says);
