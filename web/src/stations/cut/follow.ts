import type { Job, NextStep, Plan } from '../../api/client';
import { holds, type Waiting } from '../../api/queue';
import { text } from '../../app/voice';

/** What to show at the lathe. */
export interface View {
  next: NextStep | null;
  left: number;
  /** The act that undo takes back, if it is known here. */
  last: string | null;
  hold: boolean;
}

/** Acts that leave the next depth as it was. */
const HARMLESS = new Set(['note', 'trouble', 'sprung', 'ticked', 'unticked', 'stopped', 'resumed', 'finished']);

/** The step a pass of the plan would be, from the plan already loaded. */
function stepOf(job: Job, plan: Plan, n: number): NextStep | null {
  const pass = plan.run.passes.find(p => p.n === n);
  // A die's or a tap's own step sets nothing on a dial.
  const stage = plan.run.stages?.[n - 1];
  if (pass && stage && job.run) {
    return { pass, setting: job.run.stands, name: stage.name, says: stage.says, aloud: stage.says };
  }
  if (!pass || pass.kind === 'chased') return null;
  const setting = plan.cut?.passes.find(p => p.n === n)?.dial[0];
  const says = text('next-set', { setting: setting?.text ?? '' });
  return setting ? { pass, setting, name: text(`pass-${pass.kind}`, { n }), says, aloud: says } : null;
}

/**
 * What to show while acts wait to be sent: passes done and undone are followed on the schedule already
 * loaded; anything that would change the next depth holds until the server answers.
 */
export function follow(job: Job, plan: Plan, waiting: Waiting[]): View {
  const run = job.run;
  const schedule = [...(run?.schedule ?? [])];
  const stack: { id: string; step: NextStep | null }[] = [];
  let next = run?.next ?? null;
  let last = run?.last_act ?? null;
  let hold = false;
  const done = [...(run?.done ?? [])];
  for (const one of waiting) {
    const { id, act } = one;
    // Refused, it may have been done all the same: nothing deeper until that is settled.
    if (holds(one)) hold = true;
    if (act.kind === 'pass_done') {
      const at = schedule.findIndex(s => s.pass.n === act.n);
      const step = at >= 0 ? (schedule.splice(at, 1)[0] ?? null) : null;
      stack.push({ id, step });
      last = id;
    } else if (act.kind === 'undone') {
      const mine = stack.findIndex(s => s.id === act.act);
      const step = mine >= 0 ? stack.splice(mine, 1)[0]?.step : stepOf(job, plan, done.pop() ?? -1);
      if (step) schedule.unshift(step);
      last = stack.at(-1)?.id ?? null;
    } else if (!HARMLESS.has(act.kind)) {
      hold = true;
    }
    next = schedule[0] ?? null;
  }
  return { next: hold ? null : next, left: schedule.length, last, hold };
}
