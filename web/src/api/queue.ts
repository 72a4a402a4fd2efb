import { type ActKind, inWords, Refused } from './client';

/** An act on its way: kept here until the server has it on disk. */
export interface Waiting {
  id: string;
  act: ActKind;
  happened: string;
  seen: number;
}

/** Where what waits is kept: the browser's own store. */
export type Keeper = Pick<Storage, 'getItem' | 'setItem'>;

const key = (job: string) => `outbox:${job}`;

/** What waits for a job, oldest first. */
export function kept(keeper: Keeper, job: string): Waiting[] {
  try {
    return JSON.parse(keeper.getItem(key(job)) ?? '[]') as Waiting[];
  } catch {
    return [];
  }
}

/** Keeps what waits. */
export function keep(keeper: Keeper, job: string, list: Waiting[]): void {
  keeper.setItem(key(job), JSON.stringify(list));
}

/** How sending went on: why it stopped before the end, and what was refused on the way. */
export interface Drained {
  cutOff: string | null;
  refusal: string | null;
}

/** Whether sending the same again may go better: the server is away, or in trouble of its own. */
const worthAgain = (error: unknown) =>
  !(error instanceof Refused) || error.problem.status >= 500 || error.problem.status === 0;

/**
 * Sends what waits in order, each until it is acknowledged, and stops where the server cannot take it now.
 * An act refused is dropped and said, since sending it again would be refused again.
 */
export async function drain(keeper: Keeper, job: string, put: (one: Waiting) => Promise<void>): Promise<Drained> {
  let refusal: string | null = null;
  for (let next = kept(keeper, job)[0]; next; next = kept(keeper, job)[0]) {
    const { id } = next;
    try {
      await put(next);
    } catch (error) {
      if (worthAgain(error)) {
        const told = error instanceof Refused && error.problem.status >= 500;
        return { cutOff: told ? `${error.problem.detail}.` : 'the server does not answer.', refusal };
      }
      refusal = inWords(error);
    }
    keep(
      keeper,
      job,
      kept(keeper, job).filter(w => w.id !== id),
    );
  }
  return { cutOff: null, refusal };
}
