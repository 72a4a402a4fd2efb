import { skipToken, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { v4 } from 'uuid';
import {
  api,
  type Drill,
  type HandAct,
  type Job,
  type MotionView,
  type RehearsalView,
  type TryView,
  unwrap,
} from '../../api/client';
import { type Placed, placed, pressed, restsAt } from './motion';

type Key = { at_s: number; act: HandAct };

/** A try on its way, or judged. */
interface Trying {
  id: string;
  motion: MotionView;
  stretches: MotionView['stretches'];
  /** When it begins, in the page's time. */
  zero: number;
  keys: Key[];
  /** Nothing more is waited for: it runs out as it is. */
  ended: boolean;
  tried: TryView | null;
  /** As it goes on it runs into something: there it ends. */
  ends_s: number | null;
}

/** So long the first picture stands before anything moves, ms. */
const LEAD_IN_MS = 1200;
/** So long the end stands before what came of it is told, ms. */
const SEEN_MS = 500;
/** So long after it ran into something the try is over, s. */
const LOOKS_ON_S = 0.4;
/** Longest the end is looked at, s: what runs on after that has been seen. */
const LONGEST_S = 4;
/** Whether the hand has done all there is: the last act of the order, as often as it stands there. */
function allDone({ order }: MotionView, keys: readonly Key[]): boolean {
  const last = order.at(-1);
  const times = (acts: readonly HandAct[]) => acts.filter(act => act === last).length;
  return keys.at(-1)?.act === last && times(keys.map(k => k.act)) >= times(order);
}

const path = (job: Job, drill: Drill) => ({ params: { path: { id: job.id, drill } } });

/** What is kept of a job's rehearsal here, by the facts it was made from. */
const kept = (job: Job) => ['job', job.id, 'rehearsal', job.revision];

/** The drills of a job, and what is known of the hand. */
export const useRehearsal = (job: Job) =>
  useQuery({
    queryKey: kept(job),
    queryFn: async () => unwrap(await api.GET('/api/v1/jobs/{id}/rehearsal', { params: { path: { id: job.id } } })),
  });

/** A drill shown: as it should be, and each mistake. */
export const useShown = (job: Job, drill: Drill | undefined) =>
  useQuery({
    queryKey: [...kept(job), drill, 'shown'],
    queryFn: drill
      ? async () => unwrap(await api.GET('/api/v1/jobs/{id}/rehearsal/{drill}', path(job, drill)))
      : skipToken,
  });

/** Tells that a way of a drill was watched, and a stop made at the lathe itself. */
export function useTold(job: Job) {
  const queries = useQueryClient();
  const watched = useMutation({
    mutationFn: async ({ drill, play }: { drill: Drill; play: string }) =>
      unwrap(
        await api.PUT('/api/v1/jobs/{id}/rehearsal/{drill}/watched/{play}', {
          params: { path: { id: job.id, drill, play } },
        }),
      ),
    onSuccess: () => void queries.invalidateQueries({ queryKey: kept(job), exact: true }),
  });
  const atLathe = useMutation({
    mutationFn: async ({ drill, past_mm, rpm }: { drill: Drill; past_mm: number; rpm: number }) =>
      unwrap(
        await api.PUT('/api/v1/jobs/{id}/rehearsal/{drill}/at-lathe/{try}', {
          params: { path: { id: job.id, drill, try: v4() } },
          body: { past_mm, rpm },
        }),
      ),
    onSuccess: now => queries.setQueryData(kept(job), now),
  });
  return { watched, atLathe };
}

/** One try after another of a drill: times are those of the hand's own events, and the core judges. */
export function useTry(job: Job, drill: Drill | undefined) {
  const queries = useQueryClient();
  const [now, setNow] = useState<Trying | null>(null);
  const latest = useRef<Trying | null>(null);
  const set = (next: Trying | null) => {
    latest.current = next;
    setNow(next);
  };

  const judged = useMutation({
    mutationFn: async (one: Trying) =>
      unwrap(
        await api.PUT('/api/v1/jobs/{id}/rehearsal/{drill}/tries/{try}', {
          params: { path: { id: job.id, drill: one.motion.drill, try: one.id } },
          body: { seed: one.motion.seed, keys: one.keys, ended: one.ended },
        }),
      ),
    onSuccess: ({ tried, hands, path }, sent) => {
      const is = latest.current;
      if (is?.id !== sent.id || is.keys.length !== sent.keys.length) return;
      set({ ...is, stretches: tried.stretches, tried: sent.ended ? tried : null, ends_s: tried.ends_s ?? null });
      if (sent.ended) {
        queries.setQueryData<RehearsalView>(kept(job), old => (old ? { ...old, hands, path } : old));
      }
    },
  });

  const begun = useMutation({
    mutationFn: async (which: Drill) =>
      unwrap(await api.POST('/api/v1/jobs/{id}/rehearsal/{drill}', path(job, which))),
    onSuccess: motion =>
      set({
        id: v4(),
        motion,
        stretches: motion.stretches,
        zero: performance.now() + LEAD_IN_MS,
        keys: [],
        ended: false,
        tried: null,
        ends_s: null,
      }),
  });

  const end = (is: Trying) => {
    const one = { ...is, ended: true };
    set(one);
    judged.mutate(one);
  };

  /** A key of the hand, at its own time. */
  const press = (act: HandAct, at: number) => {
    const is = latest.current;
    const of = is?.motion.acts.find(a => a.act === act);
    if (!is || !of || is.ended || at < is.zero) return;
    const at_s = (at - is.zero) / 1000;
    const one = {
      ...is,
      keys: [...is.keys, { at_s, act }],
      stretches: pressed(is.stretches, at_s, of),
      ends_s: null,
    };
    if (allDone(is.motion, one.keys)) return end(one);
    set(one);
    judged.mutate(one);
  };

  // A try nobody ends is over when its time is.
  const waits = now && !now.ended ? now : null;
  const [id, zero] = [waits?.id, waits?.zero];
  const lasts = waits ? Math.min(waits.motion.lasts_s, (waits.ends_s ?? Infinity) + LOOKS_ON_S) : undefined;
  useEffect(() => {
    if (id == null || zero == null || lasts == null) return;
    const timer = setTimeout(
      () => {
        const is = latest.current;
        if (is?.id === id && !is.ended) end(is);
      },
      zero + lasts * 1000 - performance.now(),
    );
    return () => clearTimeout(timer);
    // `end` reads what is latest.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, zero, lasts]);

  /** Where everything stands at a time of the page. */
  const where = (at: number): Placed | null => {
    const is = latest.current;
    return is && placed(is.stretches, (at - is.zero) / 1000);
  };

  // What came of it is told once it has come to rest.
  const [told, setTold] = useState<{ id: string; at: number } | null>(null);
  const tried = now?.tried;
  useEffect(() => {
    const is = latest.current;
    if (!is?.tried) return;
    const done = is.keys.at(-1)?.at_s ?? is.motion.lasts_s;
    const last = Math.min(restsAt(is.tried.stretches, done), done + LONGEST_S);
    const timer = setTimeout(
      () => setTold({ id: is.id, at: performance.now() }),
      Math.max(0, is.zero + last * 1000 - performance.now()) + SEEN_MS,
    );
    return () => clearTimeout(timer);
  }, [tried]);

  return {
    now,
    /** Judged, and seen to its end. */
    result: now?.tried && told?.id === now.id ? now.tried : null,
    toldAt: told?.at ?? -Infinity,
    begin: () => drill && !begun.isPending && begun.mutate(drill),
    drop: () => set(null),
    press,
    where,
    error: begun.error ?? judged.error,
    loading: begun.isPending,
  };
}
