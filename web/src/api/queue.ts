import { type ActKind, inWords, Refused } from './client';
import { text } from '../app/voice';

/** An act on its way: kept here until the server has it on disk, or the user leaves it out. */
export interface Waiting {
  id: string;
  act: ActKind;
  happened: string;
  seen: number;
  /** Revision of the facts that the screen showed. */
  revision?: number;
  /** Why the server refused it. */
  refused?: { status: number; says: string };
}

/** Where what waits is kept: the browser's own store. */
export type Keeper = Pick<Storage, 'getItem' | 'setItem'>;

const key = (job: string) => `outbox:${job}`;

/** What waits for a job, oldest first. */
export function kept(keeper: Keeper, job: string): Waiting[] {
  try {
    const list: unknown = JSON.parse(keeper.getItem(key(job)) ?? '[]');
    return Array.isArray(list) ? (list as Waiting[]) : [];
  } catch {
    return [];
  }
}

/** Jobs something waits for, by their ids. */
export const waitedFor = (keeper: Storage): string[] =>
  Array.from({ length: keeper.length }, (_, i) => keeper.key(i) ?? '')
    .filter(name => name.startsWith(key('')))
    .map(name => name.slice(key('').length))
    .filter(job => kept(keeper, job).length > 0);

/** What a file of what waits calls itself. */
const FORMAT = 'yoke-turn-waiting';

/** All that waits, to be carried to another address of the same shop: a browser keeps it by the address it came from. */
export const asFile = (keeper: Storage): string =>
  JSON.stringify({
    format: FORMAT,
    jobs: Object.fromEntries(waitedFor(keeper).map(job => [job, kept(keeper, job)])),
  });

/** What waited elsewhere, where a file is of that. */
export function waitedElsewhere(file: unknown): Map<string, Waiting[]> | null {
  const { format, jobs } = (file ?? {}) as { format?: unknown; jobs?: Record<string, unknown> };
  if (format !== FORMAT) return null;
  const acts = (list: unknown) => (Array.isArray(list) ? (list as Waiting[]) : []).filter(w => w?.id && w.act?.kind);
  return new Map(Object.entries(jobs ?? {}).map(([job, list]) => [job, acts(list)]));
}

/** Takes in what waited elsewhere, each once; how much that was. Under its own id, it is recorded once even where it was sent before. */
export function takeIn(keeper: Keeper, from: Map<string, Waiting[]>): number {
  let taken = 0;
  for (const [job, list] of from) {
    const here = kept(keeper, job);
    const more = list.filter(w => !here.some(h => h.id === w.id));
    keep(keeper, job, [...here, ...more]);
    taken += more.length;
  }
  return taken;
}

/** Keeps what waits. */
export function keep(keeper: Keeper, job: string, list: Waiting[]): void {
  keeper.setItem(key(job), JSON.stringify(list));
}

/** Changes one that waits; none takes it out. */
export function amend(keeper: Keeper, job: string, id: string, change: (one: Waiting) => Waiting | null): void {
  keep(
    keeper,
    job,
    kept(keeper, job).flatMap(w => (w.id === id ? (change(w) ?? []) : w)),
  );
}

/** Fields that need mending: what was typed was wrong, and nothing was done at the lathe by it. */
const MENDING = 422;

/** Whether a refused act leaves open what was done at the lathe: what comes after it waits until that is settled. */
export const holds = (one: Waiting) => one.refused !== undefined && one.refused.status !== MENDING;

/** Those not refused for a field that needs mending: what is done, as far as this screen knows. */
export const standing = (list: Waiting[]) => list.filter(w => w.refused === undefined || holds(w));

/** What waits once another act of the kind is told: it stands for one that needed mending. */
export const mended = (list: Waiting[], act: ActKind) =>
  list.filter(w => w.act.kind !== act.kind || w.refused?.status !== MENDING);

/** Whether sending the same again may go better: the server is away, or in trouble of its own. */
const worthAgain = (error: unknown) =>
  !(error instanceof Refused) || error.problem.status >= 500 || error.problem.status === 0;

/**
 * Sends what waits in order, each until it is acknowledged, and stops where the server cannot take it now. An act refused is kept and
 * marked, never dropped: the user sends it again or leaves it out.
 */
export async function drain(
  keeper: Keeper,
  job: string,
  put: (one: Waiting) => Promise<void>,
): Promise<string | null> {
  for (;;) {
    const list = kept(keeper, job);
    if (list.some(holds)) return null;
    const next = list.find(w => w.refused === undefined);
    if (!next) return null;
    try {
      await put(next);
    } catch (error) {
      if (worthAgain(error)) {
        const told = error instanceof Refused && error.problem.status >= 500;
        return told ? `${error.problem.detail}.` : text('parts-the-server-does-not-answer');
      }
      const status = error instanceof Refused ? error.problem.status : 0;
      amend(keeper, job, next.id, one => ({ ...one, refused: { status, says: inWords(error) } }));
      continue;
    }
    amend(keeper, job, next.id, () => null);
  }
}
