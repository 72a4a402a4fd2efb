import { KEPT_AT } from './kept';

/** How often it is asked whether the server is back. */
const ASKS_MS = 2000;
/** Time for it to say so. */
const ANSWERS_MS = 4000;

/** How the server is reached: nothing while it answers; since when it does not, and of when is what is shown in its stead. */
export interface Away {
  since: string;
  shown: string | null;
}

let away: Away | null = null;
let asking: ReturnType<typeof setInterval> | undefined;
const lookers = new Set<() => void>();
const returns = new Set<() => void>();

function be(now: Away | null) {
  away = now;
  for (const looker of lookers) looker();
}

async function answers(): Promise<boolean> {
  try {
    return (await fetch('/healthz', { cache: 'no-store', signal: AbortSignal.timeout(ANSWERS_MS) })).status < 500;
  } catch {
    return false;
  }
}

async function ask() {
  if (!away || !(await answers())) return;
  clearInterval(asking);
  be(null);
  for (const back of returns) back();
}

function gone(shown: string | null) {
  const now: Away = { since: away?.since ?? new Date().toISOString(), shown: oldest(away?.shown, shown) };
  if (!away) asking = setInterval(() => void ask(), ASKS_MS);
  if (now.shown !== away?.shown || !away) be(now);
}

const oldest = (a: string | null | undefined, b: string | null) => (a && b ? (a < b ? a : b) : (a ?? b));

/** An answer came: whether from the server, or kept of it. */
export function came(answer: Response) {
  const kept = answer.headers.get(KEPT_AT);
  if (kept) gone(kept);
}

/** None came. One request may fail by itself; the server is asked before it is said to be away. */
export async function failed() {
  if (!away && !(await answers())) gone(null);
}

/** For who shows it. */
export const look = (looker: () => void) => {
  lookers.add(looker);
  return () => lookers.delete(looker);
};
export const now = () => away;

/** Told when the server answers again: what is shown is then asked for anew, and what waits is sent. */
export const onBack = (back: () => void) => {
  returns.add(back);
  return () => {
    returns.delete(back);
  };
};
