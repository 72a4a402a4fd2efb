import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { v4 } from 'uuid';
import { type ActKind, api, type Job, unwrap } from './client';
import { drain, keep, kept, type Waiting } from './queue';

const RETRY_MS = 1500;

/** Sends acts in order, each until it is acknowledged. What waits survives a reload. */
export function useOutbox(job: Job) {
  const queries = useQueryClient();
  const [waiting, setWaiting] = useState<Waiting[]>(() => kept(localStorage, job.id));
  const [cutOff, setCutOff] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const busy = useRef(false);

  const send = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const drained = await drain(localStorage, job.id, async ({ id, act, happened, seen }) => {
        const answer = unwrap(
          await api.PUT('/api/v1/jobs/{id}/acts/{act}', {
            params: { path: { id: job.id, act: id } },
            body: { act, happened, seen, source: 'typed' },
          }),
        );
        setCutOff(null);
        queries.setQueryData(['job', job.id], answer);
      });
      setWaiting(kept(localStorage, job.id));
      setCutOff(drained.cutOff);
      if (drained.refusal !== null) setRefusal(drained.refusal);
    } finally {
      busy.current = false;
    }
  }, [job.id, queries]);

  useEffect(() => {
    if (waiting.length === 0) return;
    const timer = setInterval(() => void send(), RETRY_MS);
    return () => clearInterval(timer);
  }, [waiting.length, send]);

  const record = useCallback(
    (act: ActKind) => {
      setRefusal(null);
      const seen = queries.getQueryData<Job>(['job', job.id])?.sequence ?? job.sequence;
      const list = [...kept(localStorage, job.id), { id: v4(), act, happened: new Date().toISOString(), seen }];
      keep(localStorage, job.id, list);
      setWaiting(list);
      void send();
    },
    [job.id, job.sequence, queries, send],
  );

  return { waiting, cutOff, refusal, record };
}
