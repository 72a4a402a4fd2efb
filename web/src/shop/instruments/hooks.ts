import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type AxisName, type Instruments, type LineView, Refused, unwrap } from '../../api/client';
import { useStream } from '../../api/live';
import type { components } from '../../api/schema';

type View = components['schemas']['InstrumentsView'];
export type Which = components['schemas']['Which'];

/** The instruments of a lathe as they are told, and what tells them anew. */
export function useInstruments(lathe: string) {
  const queries = useQueryClient();
  const queryKey = ['instruments', lathe];
  const view = useQuery({
    queryKey,
    queryFn: async () =>
      unwrap(await api.GET('/api/v1/lathes/{id}/instruments', { params: { path: { id: lathe } } })),
  });
  const tell = useMutation({
    mutationFn: async (told: Instruments) =>
      unwrap(
        await api.PUT('/api/v1/lathes/{id}/instruments', {
          params: { path: { id: lathe }, header: { 'If-Match': String(view.data?.revision ?? 0) } },
          body: told,
        }),
      ),
    onSuccess: now => queries.setQueryData(queryKey, now),
    onError: error => {
      if (error instanceof Refused && error.problem.current)
        queries.setQueryData(queryKey, error.problem.current as unknown as View);
    },
  });
  return { view, tell };
}

/** An instrument of a lathe, and what tells it. */
export interface OneProps {
  lathe: string;
  revision: number;
  told: Instruments;
  tell: ReturnType<typeof useInstruments>['tell'];
}

/** What is heard of an instrument; asked anew once it is told otherwise. */
export const useLine = (lathe: string, which: Which, revision: number) =>
  useStream<LineView>(`/api/v1/lathes/${encodeURIComponent(lathe)}/instruments/${which}/lines#${revision}`, 'line');

/** Where in a line a figure stands. */
export const pointAt = async (line: string, at: number, places: number) =>
  unwrap(await api.POST('/api/v1/instruments/point', { body: { line, at, places } }));

/** How an axis counts, from its figure before and after it was wound. */
export const wind = async (
  lathe: string,
  axis: AxisName,
  body: { from: number; to: number; sent_inches: boolean | null; inches: boolean },
) =>
  unwrap(
    await api.POST('/api/v1/lathes/{id}/instruments/wound/{axis}', { params: { path: { id: lathe, axis } }, body }),
  );

/** The serial ports of the computer the shop is kept on. */
export const usePorts = () =>
  useQuery({ queryKey: ['ports'], queryFn: async () => unwrap(await api.GET('/api/v1/instruments/ports')) });
