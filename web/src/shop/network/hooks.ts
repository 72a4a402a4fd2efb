import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, unwrap } from '../../api/client';
import type { components } from '../../api/schema';

export type DoorView = components['schemas']['DoorView'];
export type Role = components['schemas']['Role'];

const KEY = ['door'];
/** A device that comes, and a code that runs out, are seen within so long, ms. */
const LOOK_MS = 3000;

/** The door to the shop's network as it stands. */
export const useDoor = () =>
  useQuery({
    queryKey: KEY,
    queryFn: async () => unwrap(await api.GET('/api/v1/door')),
    refetchInterval: LOOK_MS,
    retry: false,
  });

/** What turns it: each answers with how it then stands. */
export function useTurning() {
  const queries = useQueryClient();
  const onSuccess = (now: DoorView) => queries.setQueryData(KEY, now);
  const open = useMutation({
    mutationFn: async (is: boolean) => unwrap(await api.PUT('/api/v1/door', { body: { open: is } })),
    onSuccess,
  });
  const code = useMutation({
    mutationFn: async (role: Role) => unwrap(await api.POST('/api/v1/door/code', { body: { role } })),
    onSuccess,
  });
  const device = useMutation({
    mutationFn: async ({ id, ...body }: { id: string; name?: string; role?: Role }) =>
      unwrap(await api.PUT('/api/v1/door/devices/{id}', { params: { path: { id } }, body })),
    onSuccess,
  });
  const out = useMutation({
    mutationFn: async (id: string) =>
      unwrap(await api.DELETE('/api/v1/door/devices/{id}', { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: KEY }),
  });
  return { open, code, device, out };
}
