import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useSyncExternalStore } from 'react';
import { asked } from '../app/voice';
import { api, inWords, type Job, type LiveView, type PointAt, Refused, unwrap } from './client';

/** A stream somebody looks at: opened once however many do, and closed with the last. */
class Watched {
  private readonly lookers = new Set<() => void>();
  private source: EventSource | null = null;
  private now: unknown = null;

  constructor(
    private readonly url: string,
    private readonly event: string,
    private readonly gone: () => void,
  ) {}

  read = () => this.now;

  look = (looker: () => void) => {
    this.lookers.add(looker);
    if (this.lookers.size === 1) {
      document.addEventListener('visibilitychange', this.attend);
      this.attend();
    }
    return () => {
      this.lookers.delete(looker);
      if (this.lookers.size > 0) return;
      document.removeEventListener('visibilitychange', this.attend);
      this.source?.close();
      this.gone();
    };
  };

  private show(now: unknown) {
    this.now = now;
    for (const looker of this.lookers) looker();
  }

  private readonly attend = () => {
    this.source?.close();
    this.source = document.visibilityState === 'visible' ? new EventSource(this.url) : null;
    this.source?.addEventListener(this.event, e => this.show(JSON.parse((e as MessageEvent<string>).data)));
    // What is not heard any more is not shown as if it were.
    this.source?.addEventListener('error', () => this.show(null));
  };
}

const watched = new Map<string, Watched>();
const nothing = () => () => undefined;

/** What a stream says now; nothing without one, before it speaks, and once it is off. */
export function useStream<T>(path: string | null, event: string): T | null {
  // What stands after a # asks for the same anew.
  const [at, again = ''] = path?.split('#') ?? [];
  const url = at && `${at}?${asked({})}#${again}`;
  let one = url ? watched.get(url) : undefined;
  if (url && !one) {
    one = new Watched(url, event, () => watched.delete(url));
    watched.set(url, one);
  }
  return useSyncExternalStore(one?.look ?? nothing, one?.read ?? (() => null)) as T | null;
}

const of = (id: string) => ({ params: { path: { id } } });

/** Under the job's own key: asked again with it. */
const followingOf = (id: string) => ['job', id, 'following'];

/** The instruments beside a run, live; and what is told of how they follow it. */
export function useLive(job: Job, wanted = true) {
  const queries = useQueryClient();
  const id = job.id;
  const beside = useQuery({
    queryKey: followingOf(id),
    queryFn: async () => unwrap(await api.GET('/api/v1/jobs/{id}/following', of(id))),
    enabled: wanted,
  });
  const there = wanted && beside.data && (beside.data.readout || beside.data.micrometer);
  const live = useStream<LiveView>(there ? `/api/v1/jobs/${encodeURIComponent(id)}/live` : null, 'live');
  const tell = useCallback(
    async (body: { marks?: boolean; point?: PointAt; still?: boolean }) => {
      const now = unwrap(await api.PUT('/api/v1/jobs/{id}/following', { ...of(id), body: body as never }));
      queries.setQueryData(followingOf(id), now);
    },
    [queries, id],
  );
  // What is kept and does not read is said; a server that does not answer is said elsewhere.
  const unread = beside.error instanceof Refused ? inWords(beside.error) : null;
  return { there: Boolean(there), readout: beside.data?.readout ?? false, live, unread, tell };
}
