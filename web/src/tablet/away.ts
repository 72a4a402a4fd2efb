import { KEPT_AT } from './kept';
import { shared } from './shared';

/** How often it is asked whether the server is back. */
const ASKS_MS = 2000;
/** Time for it to say so. */
const ANSWERS_MS = 4000;

/** The server does not answer: of when is what is shown in its stead. */
interface Away {
  shown: string | null;
}

/** Nothing while it answers. */
export const away = shared<Away | null>(null);
let asking: ReturnType<typeof setInterval> | undefined;
const returns = new Set<() => void>();

async function answers(): Promise<boolean> {
  try {
    return (await fetch('/healthz', { cache: 'no-store', signal: AbortSignal.timeout(ANSWERS_MS) })).status < 500;
  } catch {
    return false;
  }
}

async function ask() {
  if (!away.now() || !(await answers())) return;
  clearInterval(asking);
  away.be(null);
  for (const back of returns) back();
}

function gone(shown: string | null) {
  const before = away.now();
  const now: Away = { shown: oldest(before?.shown, shown) };
  if (!before) asking = setInterval(() => void ask(), ASKS_MS);
  if (now.shown !== before?.shown || !before) away.be(now);
}

const oldest = (a: string | null | undefined, b: string | null) => (a && b ? (a < b ? a : b) : (a ?? b));

/** An answer came: whether from the server, or kept of it. */
export function came(answer: Response) {
  const kept = answer.headers.get(KEPT_AT);
  if (kept) gone(kept);
}

/** None came. One request may fail by itself; the server is asked before it is said to be away. */
export async function failed() {
  if (!away.now() && !(await answers())) gone(null);
}

/** Told when the server answers again: what is shown is then asked for anew, and what waits is sent. */
export const onBack = (back: () => void) => {
  returns.add(back);
  return () => {
    returns.delete(back);
  };
};
