import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { v4 } from 'uuid';
import { type ActKind, api, inWords, type Job, Refused, unwrap } from './client';

/** An act on its way: kept here until the server has it on disk. */
export interface Waiting {
  id: string;
  act: ActKind;
  happened: string;
  seen: number;
}

const RETRY_MS = 1500;
const key = (job: string) => `outbox:${job}`;

function kept(job: string): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(key(job)) ?? '[]') as Waiting[];
  } catch {
    return [];
  }
}

/**
 * Sends acts in order, each until it is acknowledged. What waits survives a reload; an act the server
 * refuses is dropped and said, since sending it again would be refused again.
 */
export function useOutbox(job: Job) {
  const queries = useQueryClient();
  const [waiting, setWaiting] = useState<Waiting[]>(() => kept(job.id));
  const [cutOff, setCutOff] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const busy = useRef(false);

  const keep = useCallback(
    (list: Waiting[]) => {
      localStorage.setItem(key(job.id), JSON.stringify(list));
      setWaiting(list);
    },
    [job.id],
  );

  const send = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      for (let next = kept(job.id)[0]; next; next = kept(job.id)[0]) {
        const { id, act, happened, seen } = next;
        try {
          const answer = unwrap(
            await api.PUT('/api/v1/jobs/{id}/acts/{act}', {
              params: { path: { id: job.id, act: id } },
              body: { act, happened, seen, source: 'typed' },
            }),
          );
          setCutOff(null);
          queries.setQueryData(['job', job.id], answer);
        } catch (error) {
          if (!(error instanceof Refused) || error.problem.status >= 500 || error.problem.status === 0) {
            setCutOff(error instanceof Refused && error.problem.status >= 500 ? `${error.problem.detail}.` : 'the server does not answer.');
            return;
          }
          setRefusal(inWords(error));
        }
        keep(kept(job.id).filter((w) => w.id !== id));
      }
    } finally {
      busy.current = false;
    }
  }, [job.id, keep, queries]);

  useEffect(() => {
    if (waiting.length === 0) return;
    const timer = setInterval(() => void send(), RETRY_MS);
    return () => clearInterval(timer);
  }, [waiting.length, send]);

  const record = useCallback(
    (act: ActKind) => {
      setRefusal(null);
      const seen = queries.getQueryData<Job>(['job', job.id])?.sequence ?? job.sequence;
      keep([...kept(job.id), { id: v4(), act, happened: new Date().toISOString(), seen }]);
      void send();
    },
    [job.id, job.sequence, keep, queries, send],
  );

  return { waiting, cutOff, refusal, record };
}
