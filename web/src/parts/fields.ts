/** How one field of a thing is told. */
export type Field =
  | {
      kind: 'text' | 'number' | 'ratio' | 'length' | 'numbers' | 'teeth' | 'speeds';
      at: string;
      says: string;
      how?: string;
    }
  | { kind: 'choice'; at: string; says: string; how?: string; choices: { says: string; value: unknown }[] };

/** What stands at a place such as `arm.slot_reach_mm.0`. */
export function at(whole: object, place: string): unknown {
  return place
    .split('.')
    .reduce<unknown>(
      (node, key) => (node && typeof node === 'object' ? (node as Record<string, unknown>)[key] : undefined),
      whole,
    );
}

/** The change that puts `value` there; both ends of a pair go together, so the other end is kept. */
export function put(patch: Record<string, unknown>, whole: object, place: string, value: unknown): void {
  const keys = place.split('.');
  const last = keys.pop() ?? '';
  if (/^\d$/.test(last)) {
    const list = [...((at({ ...whole, ...patch }, keys.join('.')) as unknown[] | undefined) ?? [])];
    list[Number(last)] = value;
    put(patch, whole, keys.join('.'), list.every(v => v === null || v === undefined) ? null : list);
    return;
  }
  // A place inside a list, `more_arms.0.name`: the list goes whole, since a change of it replaces it.
  const index = keys.findIndex(key => /^\d$/.test(key));
  if (index > 0) {
    const prefix = keys.slice(0, index).join('.');
    const list = [...((at({ ...whole, ...patch }, prefix) as unknown[] | undefined) ?? [])];
    const one = { ...(list[Number(keys[index])] as object | undefined) };
    const inside: Record<string, unknown> = {};
    put(inside, one, [...keys.slice(index + 1), last].join('.'), value);
    const told = Object.entries({ ...one, ...inside }).filter(([, v]) => v !== null && v !== undefined);
    list[Number(keys[index])] = Object.fromEntries(told);
    const some = list.filter(thing => Object.keys((thing as object | undefined) ?? {}).length > 0);
    put(patch, whole, prefix, some.length ? some : null);
    return;
  }
  const node = keys.reduce<Record<string, unknown>>((n, key) => (n[key] ??= {}) as Record<string, unknown>, patch);
  node[last] = value;
}
