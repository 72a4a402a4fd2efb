import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { v4 } from 'uuid';
import { type ActKind, api, type Job, unwrap } from './client';
import { amend, drain, holds, keep, kept, mended, standing, type Waiting, waitedFor } from './queue';

const RETRY_MS = 1500;
/** Time for an act to be acknowledged: over a cable that is cut nothing else ends it. It is then sent again, under the same id. */
const ANSWERS_MS = 10_000;

/** Puts an act on the server's disk; the job as it stands then. */
const put = async (job: string, { id, act, happened, seen, revision }: Waiting): Promise<Job> =>
  unwrap(
    await api.PUT('/api/v1/jobs/{id}/acts/{act}', {
      params: { path: { id: job, act: id } },
      body: { act, happened, seen, revision, source: 'typed' },
      signal: AbortSignal.timeout(ANSWERS_MS),
    }),
  );

/** Jobs whose page is open: it sends what waits itself. */
const open = new Set<string>();

/** How much waits of jobs whose page is not open: an open one says so itself. */
export const waitingUnseen = (): number =>
  waitedFor(localStorage)
    .filter(job => !open.has(job))
    .reduce((sum, job) => sum + kept(localStorage, job).length, 0);

/** Sends what waits of jobs whose page is not open. What is refused waits for its page, where it is settled. */
export async function sendTheRest(told: (job: Job) => void) {
  for (const job of waitedFor(localStorage)) {
    if (!open.has(job)) await drain(localStorage, job, async one => told(await put(job, one)));
  }
}

/** Acts on their way to the server. */
export interface Outbox {
  /** What is done, as far as this screen knows, and not acknowledged yet. */
  waiting: Waiting[];
  /** What was refused: kept until it is sent again or left out. */
  refused: Waiting[];
  /** Why nothing is sent just now. */
  cutOff: string | null;
  record: (act: ActKind) => void;
  /** Sends a refused act again, on what the screen shows now. */
  again: (id: string) => void;
  /** Leaves a refused act out. */
  leaveOut: (id: string) => void;
}

/** Sends acts in order, each until it is acknowledged. What waits survives a reload. */
export function useOutbox(job: Job): Outbox {
  const queries = useQueryClient();
  const [list, setList] = useState<Waiting[]>(() => kept(localStorage, job.id));
  const [cutOff, setCutOff] = useState<string | null>(null);
  const busy = useRef(false);

  const send = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const away = await drain(localStorage, job.id, async one => {
        const answer = await put(job.id, one);
        setCutOff(null);
        queries.setQueryData(['job', job.id], answer);
      });
      const left = kept(localStorage, job.id);
      setList(left);
      setCutOff(away);
      // What was refused was judged by what stands there: it is looked at again.
      if (left.some(holds)) void queries.invalidateQueries({ queryKey: ['job', job.id] });
    } finally {
      busy.current = false;
    }
  }, [job.id, queries]);

  useEffect(() => {
    open.add(job.id);
    return () => {
      open.delete(job.id);
    };
  }, [job.id]);
  const unsent = list.some(w => w.refused === undefined);
  useEffect(() => {
    if (!unsent) return;
    const timer = setInterval(() => void send(), RETRY_MS);
    return () => clearInterval(timer);
  }, [unsent, send]);

  const shown = useCallback(() => {
    const now = queries.getQueryData<Job>(['job', job.id]);
    return { seen: now?.sequence ?? job.sequence, revision: now?.revision ?? job.revision };
  }, [job.id, job.sequence, job.revision, queries]);

  const record = useCallback(
    (act: ActKind) => {
      const next = { id: v4(), act, happened: new Date().toISOString(), ...shown() };
      keep(localStorage, job.id, [...mended(kept(localStorage, job.id), act), next]);
      setList(kept(localStorage, job.id));
      void send();
    },
    [job.id, shown, send],
  );
  const change = useCallback(
    (id: string, to: (one: Waiting) => Waiting | null) => {
      amend(localStorage, job.id, id, to);
      setList(kept(localStorage, job.id));
      void send();
    },
    [job.id, send],
  );
  const again = useCallback(
    (id: string) => change(id, one => ({ ...one, ...shown(), refused: undefined })),
    [change, shown],
  );
  const leaveOut = useCallback((id: string) => change(id, () => null), [change]);

  return { waiting: standing(list), refused: list.filter(w => w.refused), cutOff, record, again, leaveOut };
}
